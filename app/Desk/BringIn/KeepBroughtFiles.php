<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use App\Desk\Files\KeepFile;
use App\Desk\Files\UploadFile;
use App\Models\File;
use App\Models\SharedPiece;
use App\Models\SiteImport;
use App\Models\User;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Identity;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Validation\ValidationException;

/** Keeps the pictures, documents and shared pieces that come along, under the identities by which pages name them already. */
final readonly class KeepBroughtFiles
{
    public function __construct(private ConnectionInterface $db, private GivenLines $lines, private UploadFile $upload, private KeepFile $keep)
    {
    }

    public function keep(SiteImport $import, ?User $user): void
    {
        $understood = $import->understood;
        if (($understood['assets'] ?? 0) === 0 && ($understood['pieces'] ?? 0) === 0) {
            return;
        }
        $files = $this->lines->open($import);
        try {
            $source = new ReadSource($files, SaidOfImport::read($import->said, $import->site->zone), $import->site, $import);
            foreach ($source->assets() as $path) {
                $bytes = $files->bytes($path);
                $bytes === null ?:
                $this->file($import, $user, (string) $source->fileAt($path), basename($path), $bytes, [
                    'folder' => mb_substr(trim(dirname($path), './'), 0, 200),
                ]);
            }
            foreach ($source->records() as $list => $record) {
                match ($list) {
                    'files' => $this->recordedFile($import, $user, $record),
                    'pieces' => $this->piece($import, $user, $record),
                    default => null,
                };
            }
        } finally {
            $this->lines->close($import);
        }
    }

    /** @param  array<mixed>  $record */
    private function recordedFile(SiteImport $import, ?User $user, array $record): void
    {
        $text = static fn (string $field, int $most): string => is_string($record[$field] ?? null) ? mb_substr($record[$field], 0, $most) : '';
        $bytes = base64_decode($text('bytes', 50_000_000), true);
        if (! Identity::names($record['id'] ?? null) || $bytes === false || $bytes === '') {
            return;
        }
        $percent = static fn (string $field): ?int => is_int($record[$field] ?? null) && $record[$field] >= 0 && $record[$field] <= 100
            ? $record[$field]
            : null;
        $this->file($import, $user, $record['id'], $text('name', 200), $bytes, [
            'folder' => $text('folder', 200),
            'alt' => $text('alt', 500),
            'caption' => $text('caption', 500),
            'focus_x' => $percent('focusX'),
            'focus_y' => $percent('focusY'),
        ]);
    }

    /** @param  array<string, mixed>  $said */
    private function file(SiteImport $import, ?User $user, string $id, string $name, string $bytes, array $said): void
    {
        if (File::query()->where('ulid', $id)->exists()) {
            return;
        }
        try {
            $this->keep->keep($import->site, $user, $this->upload->take($name, $bytes), $said['folder'], $id)->fill($said)->save();
        } catch (ValidationException) {
            // One of a kind that is not served stays behind; whoever looks at the import was told.
        }
    }

    /** @param  array<mixed>  $record */
    private function piece(SiteImport $import, ?User $user, array $record): void
    {
        $name = is_string($record['name'] ?? null) ? mb_substr($record['name'], 0, 100) : '';
        if (! Identity::names($record['id'] ?? null) || $name === '' || SharedPiece::query()->where('ulid', $record['id'])->exists()) {
            return;
        }
        try {
            $document = Document::read(is_array($record['content'] ?? null) ? $record['content'] : []);
        } catch (InvalidDocument) {
            return;
        }
        for ($n = 1, $free = $name; SharedPiece::query()->where('site_id', $import->site_id)->where('name', $free)->exists(); $n++) {
            $free = mb_substr($name, 0, 95).' '.($n + 1);
        }
        $piece = new SharedPiece([
            'site_id' => $import->site_id,
            'name' => $free,
            'document' => $document->toArray(),
            'number' => 1,
            'changed_by' => $user?->id,
        ]);
        $piece->ulid = $record['id'];
        $piece->save();
        $this->db->insert('insert into shared_piece_versions (piece_id, number, document, user_id) values (?, 1, ?::jsonb, ?)', [
            $piece->id,
            json_encode($document->toArray(), JSON_THROW_ON_ERROR),
            $user?->id,
        ]);
    }
}
