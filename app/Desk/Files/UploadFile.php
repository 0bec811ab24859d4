<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Models\File;
use App\Models\Site;
use App\Models\User;
use Illuminate\Validation\ValidationException;

/** Takes in a file for downloads: pictures are read and written anew, documents of known kinds are kept as they are. */
final readonly class UploadFile
{
    /** Ending => the type it is served with. Nothing that a browser would run. */
    private const DOCUMENTS = [
        'pdf' => 'application/pdf',
        'csv' => 'text/csv',
        'txt' => 'text/plain',
        'ics' => 'text/calendar',
        'gpx' => 'application/gpx+xml',
        'json' => 'application/json',
        'zip' => 'application/zip',
        'docx' => 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
        'xlsx' => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        'odt' => 'application/vnd.oasis.opendocument.text',
        'ods' => 'application/vnd.oasis.opendocument.spreadsheet',
        'epub' => 'application/epub+zip',
        'mp4' => 'video/mp4',
        'webm' => 'video/webm',
        'vtt' => 'text/vtt',
    ];

    /** How files of a kind begin, where that is told by it: by ending, the sign and where it stands. */
    private const SIGNS = ['pdf' => ['%PDF-', 0], 'mp4' => ['ftyp', 4], 'webm' => ["\x1A\x45\xDF\xA3", 0], 'vtt' => ['WEBVTT', 0]];

    public function __construct(private KeepFile $keep, private UploadPicture $pictures)
    {
    }

    /** @throws ValidationException when it is of a kind that is not served */
    public function upload(Site $site, ?User $user, string $name, string $bytes, string $folder = ''): File
    {
        return $this->keep->keep($site, $user, $this->take($name, $bytes), $folder);
    }

    /** @throws ValidationException when it is of a kind that is not served */
    public function take(string $name, string $bytes): TakenFile
    {
        $ending = strtolower(pathinfo($name, PATHINFO_EXTENSION));
        $mime = self::DOCUMENTS[$ending] ?? null;
        if ($mime === null) {
            return $this->picture($name, $bytes);
        }
        if (! self::isWhatItSays($ending, $bytes)) {
            throw ValidationException::withMessages([
                'file' => "This file says it is $ending and is not. Save it anew in the program it comes from.",
            ]);
        }

        return new TakenFile($name, 'file', $ending, $mime, $bytes);
    }

    private static function isWhatItSays(string $ending, string $bytes): bool
    {
        $bytes = $ending === 'vtt' ? (string) preg_replace('/^\xEF\xBB\xBF/', '', $bytes) : $bytes;
        foreach (self::SIGNS as $kind => [$sign, $at]) {
            if (($kind === $ending) !== (substr($bytes, $at, strlen($sign)) === $sign)) {
                return false;
            }
        }

        return true;
    }

    private function picture(string $name, string $bytes): TakenFile
    {
        try {
            return $this->pictures->take($name, $bytes);
        } catch (ValidationException $refused) {
            if (str_starts_with((string) (new \finfo(FILEINFO_MIME_TYPE))->buffer($bytes), 'image/')) {
                throw ValidationException::withMessages(['file' => $refused->getMessage()]);
            }
            throw ValidationException::withMessages([
                'file' => 'Files of this kind are not served. Use '.implode(', ', array_keys(self::DOCUMENTS)).', or a picture.',
            ]);
        }
    }
}
