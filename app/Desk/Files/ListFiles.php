<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Models\File;
use App\Models\Site;
use App\Store\FileUses;
use App\Store\Renditions;
use Illuminate\Database\ConnectionInterface;

/** Files of a site with what is known of them. */
final readonly class ListFiles
{
    /** Files in one answer to somebody who chooses one. */
    public const SOME = 50;

    public function __construct(private FileUses $uses, private ConnectionInterface $db)
    {
    }

    /** @return list<array<string, mixed>> the newest first, whose name holds the text */
    public function some(Site $site, string $text, bool $pictures): array
    {
        $files = File::query()
            ->where('site_id', $site->id)
            ->whereNull('binned_at')
            ->whereRaw('strpos(lower(name), lower(?)) > 0', [$text])
            ->when($pictures, static fn ($query) => $query->whereNotNull('width'))
            ->orderByDesc('id')
            ->limit(self::SOME)
            ->get();

        return array_values($files->map(static fn (File $file): array => self::view($file, 0))->all());
    }

    /** @return list<array<string, mixed>> all there are, those in the bin too, by folder and name, each with how often it is used */
    public function all(Site $site): array
    {
        $counts = $this->uses->counts($site);
        $files = File::query()->where('site_id', $site->id)->orderBy('folder')->orderBy('name')->orderBy('id')->get();

        return array_values($files->map(static fn (File $file): array => self::view($file, $counts[$file->ulid] ?? 0))->all());
    }

    /** @return array<string, mixed> one with its uses and its earlier versions */
    public function one(File $file): array
    {
        $uses = $this->uses->ofFile($file->site, $file->ulid);

        return [
            ...self::view($file, count($uses)),
            'usedIn' => $uses,
            'versions' => array_map(
                static fn (\stdClass $row): array => [
                    'number' => $row->number,
                    'bytes' => $row->bytes,
                    'width' => $row->width,
                    'height' => $row->height,
                    'by' => $row->by,
                    'kept' => gmdate('Y-m-d\TH:i:s\Z', (int) strtotime((string) $row->kept_at)),
                ],
                $this->db->select(
                    'select v.number, v.bytes, v.width, v.height, v.kept_at, u.name as by from file_versions v left join users u on u.id = v.user_id
                        where v.file_id = ? order by v.number desc',
                    [$file->id],
                ),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function view(File $file, int $uses): array
    {
        $small = Renditions::of($file);

        return [
            'id' => $file->ulid,
            'name' => $file->name,
            'address' => $file->address(),
            'width' => $file->width,
            'height' => $file->height,
            'folder' => $file->folder,
            'kind' => self::kind($file),
            'mime' => $file->mime,
            'bytes' => $file->bytes,
            'alt' => $file->alt,
            'caption' => $file->caption,
            'focus' => $file->focus_x === null ? null : ['x' => $file->focus_x, 'y' => (int) $file->focus_y],
            'number' => $file->number,
            'uses' => $uses,
            'small' => $file->width === null ? null : ($small === [] ? $file->shownAt() : $small[min(array_keys($small))]),
            'changed' => $file->updated_at->toIso8601ZuluString(),
            'binned' => $file->binned_at?->toIso8601ZuluString(),
        ];
    }

    private static function kind(File $file): string
    {
        return match (true) {
            $file->width !== null => 'picture',
            str_starts_with($file->mime, 'video/') => 'film',
            default => 'document',
        };
    }
}
