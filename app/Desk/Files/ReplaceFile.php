<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Desk\RecordEntry;
use App\Models\File;
use App\Models\User;
use Illuminate\Database\Connection;
use Illuminate\Validation\ValidationException;

/** Puts other bytes in the place of a file: its address and all its uses stay, what was there is kept and can be brought back. */
final readonly class ReplaceFile
{
    public function __construct(
        private Connection $db,
        private KeepFile $keep,
        private UploadPicture $pictures,
        private UploadFile $files,
        private RecordEntry $record,
    ) {
    }

    /** @throws ValidationException when it is of another kind */
    public function with(File $file, User $user, string $name, string $bytes): File
    {
        $taken = $this->take($file, $name, $bytes);

        return $this->db->transaction(function () use ($file, $user, $taken): File {
            $now = File::query()->whereKey($file->id)->lockForUpdate()->firstOrFail();
            $this->keepVersion($now);
            $now->number = $this->next($now);
            $now->fill([...$this->keep->put($now, $taken), 'user_id' => $user->id])->save();
            $this->record->ofFile($now->site, $user, 'replace-file', "Replaced the file *{$now->name}*", $now);

            return $now;
        });
    }

    /** @throws ValidationException when there is no such version */
    public function bringBack(File $file, User $user, int $number): File
    {
        return $this->db->transaction(function () use ($file, $user, $number): File {
            $now = File::query()->whereKey($file->id)->lockForUpdate()->firstOrFail();
            $row = $this->db->selectOne('select mime, bytes, width, height, path from file_versions where file_id = ? and number = ?', [
                $now->id,
                $number,
            ]);
            if ($row === null) {
                throw ValidationException::withMessages(['number' => "There is no version $number of this file."]);
            }
            $this->keepVersion($now);
            // A number of its own, so that nobody goes on seeing what stood there in between.
            $now->number = $this->next($now);
            $now->fill([...(array) $row, 'user_id' => $user->id])->save();
            $this->record->ofFile($now->site, $user, 'replace-file', "Brought back version $number of the file *{$now->name}*", $now);

            return $now;
        });
    }

    private function take(File $file, string $name, string $bytes): TakenFile
    {
        $ending = strtolower(pathinfo($file->name, PATHINFO_EXTENSION));
        if ($file->width !== null && $file->mime !== 'image/svg+xml') {
            $taken = $this->pictures->take($name, $bytes, $file->mime);
            if ($taken->mime === $file->mime) {
                return $taken;
            }
        }
        $taken = $this->files->take($name, $bytes);
        if ($taken->ending !== $ending) {
            throw ValidationException::withMessages([
                'file' => "“{$file->name}” is replaced by another $ending file. This is $taken->ending: upload it as a new file instead.",
            ]);
        }

        return $taken;
    }

    private function next(File $file): int
    {
        return 1 + max($file->number, (int) $this->db->scalar('select coalesce(max(number), 0) from file_versions where file_id = ?', [$file->id]));
    }

    private function keepVersion(File $file): void
    {
        $this->db->insert(
            'insert into file_versions (file_id, number, mime, bytes, width, height, path, user_id) values (?, ?, ?, ?, ?, ?, ?, ?) on conflict do nothing',
            [$file->id, $file->number, $file->mime, $file->bytes, $file->width, $file->height, $file->path, $file->user_id],
        );
    }
}
