<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Desk\RecordEntry;
use App\Models\File;
use App\Models\User;
use App\Store\FileUses;
use Heronstem\Core\OneLine;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Sets what is kept with a file, moves it between folders, and puts it in the bin while nothing uses it. */
final readonly class DescribeFile
{
    public function __construct(private FileUses $uses, private RecordEntry $record)
    {
    }

    /**
     * @param  array{name?: string, folder?: string, alt?: string, caption?: string, focus?: array{x: int, y: int}|null}  $given
     *
     * @throws ValidationException when nothing of the name can stand in an address
     */
    public function set(File $file, User $user, array $given): File
    {
        $set = array_map(OneLine::of(...), array_intersect_key($given, ['alt' => true, 'caption' => true]));
        if (isset($given['folder'])) {
            $set['folder'] = self::folder($given['folder']);
        }
        if (array_key_exists('focus', $given)) {
            $set += ['focus_x' => $given['focus']['x'] ?? null, 'focus_y' => $given['focus']['y'] ?? null];
        }
        if (isset($given['name'])) {
            $set['name'] = self::name($file, $given['name']);
        }
        $was = $file->name;
        $file->update($set);
        if ($file->name !== $was) {
            $this->record->ofFile($file->site, $user, 'rename-file', "Renamed the file *$was* to *{$file->name}*", $file);
        }

        return $file;
    }

    /** @throws ValidationException while something uses it */
    public function putInBin(File $file, User $user): void
    {
        if ($file->binned_at !== null) {
            return;
        }
        $uses = count($this->uses->ofFile($file->site, $file->ulid));
        if ($uses > 0) {
            throw ValidationException::withMessages([
                'file' => $uses === 1 ? 'It is used in one place. Take it out there first.' : "It is used in $uses places. Take it out there first.",
            ]);
        }
        $file->update(['binned_at' => now()]);
        $this->record->ofFile($file->site, $user, 'bin-file', "Put the file *{$file->name}* in the bin", $file);
    }

    public function bringBack(File $file, User $user): void
    {
        $file->update(['binned_at' => null]);
        $this->record->ofFile($file->site, $user, 'bring-back-file', "Brought the file *{$file->name}* back", $file);
    }

    /** Folders in folders are divided by slashes; white space is folded. */
    public static function folder(string $given): string
    {
        $parts = array_filter(array_map(OneLine::of(...), explode('/', $given)), static fn (string $part): bool => $part !== '');

        return implode('/', $parts);
    }

    private static function name(File $file, string $given): string
    {
        $ending = pathinfo($file->name, PATHINFO_EXTENSION);
        $stem = Str::slug((string) preg_replace('/\.'.preg_quote($ending, '/').'$/i', '', OneLine::of($given)));
        if ($stem === '') {
            throw ValidationException::withMessages(['name' => 'A name has letters or digits.']);
        }

        return mb_substr($stem, 0, 120).".$ending";
    }
}
