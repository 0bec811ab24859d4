<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\File;
use App\Models\Site;
use App\Store\SitemapRows;
use Heronstem\Core\Search\SettingScope;
use Heronstem\Core\Search\SettingSource;
use Heronstem\Core\Search\SitemapEntry;
use Heronstem\Core\Search\SitemapWriter;
use Heronstem\Core\Tree\SearchDefaults;
use Heronstem\Core\Tree\SearchSettings;

/** The sitemap of a site, piece by piece. */
final readonly class WriteSitemap
{
    /** Pages whose pictures are named at a time. */
    private const PIECE = 500;

    public function __construct(private SitemapRows $rows, private SitemapWriter $writer)
    {
    }

    /**
     * @param  int  $part  from 1; 0 for what stands at `/sitemap.xml`
     * @return iterable<string>|null null where there is no such part
     */
    public function pieces(Site $site, int $part): ?iterable
    {
        $parts = (int) ceil($this->rows->count($site) / SitemapWriter::PART);
        if ($part > $parts || ($part > 0 && $parts === 1)) {
            return null;
        }

        return $part === 0 && $parts > 1 ? $this->writer->index($this->parts($site, $parts)) : $this->writer->part($this->entries($site, max(0, $part - 1)));
    }

    /** @return \Generator<int, SitemapEntry> */
    private function entries(Site $site, int $part): \Generator
    {
        $search = $site->searchSettings();
        $branches = array_map(SearchDefaults::stored(...), $this->rows->branches($site));
        foreach ($this->withPictures($site, $this->rows->part($site, SitemapWriter::PART, $part * SitemapWriter::PART)) as [$row, $pictures]) {
            $above = array_intersect_key($branches, array_flip(explode('.', $row->path)));
            $settings = $search->effective(
                SearchSettings::stored($row->search)->own,
                $row->layout,
                array_map(
                    static fn (string $id): array => [new SettingSource(SettingScope::Branch), $above[(int) $id]],
                    array_values(array_filter(array_reverse(explode('.', $row->path)), static fn (string $id): bool => isset($above[(int) $id]))),
                ),
            );
            yield new SitemapEntry(
                $site->origin.$row->address,
                new \DateTimeImmutable($row->changed),
                $settings->changeFrequency(),
                $settings->priority(),
                $pictures,
            );
        }
    }

    /**
     * @param  iterable<\stdClass>  $rows
     * @return \Generator<int, array{\stdClass, list<string>}> each with the URLs of its pictures, whose names are read many at a time
     */
    private function withPictures(Site $site, iterable $rows): \Generator
    {
        $piece = [];
        foreach ($rows as $row) {
            $piece[] = $row;
            if (count($piece) === self::PIECE) {
                yield from $this->named($site, $piece);
                $piece = [];
            }
        }
        yield from $this->named($site, $piece);
    }

    /**
     * @param  list<\stdClass>  $rows
     * @return list<array{\stdClass, list<string>}>
     */
    private function named(Site $site, array $rows): array
    {
        $files = array_map(static fn (\stdClass $row): array => $row->pictures === null ? [] : explode(' ', $row->pictures), $rows);
        $names = $this->rows->fileNames($site, array_values(array_unique(array_merge([], ...$files))));

        return array_map(
            static fn (\stdClass $row, array $shown): array => [
                $row,
                array_values(
                    array_map(
                        static fn (string $file): string => $site->origin.File::at($file, $names[$file]),
                        array_filter($shown, static fn (string $file): bool => isset($names[$file])),
                    ),
                ),
            ],
            $rows,
            $files,
        );
    }

    /** @return \Generator<int, SitemapEntry> */
    private function parts(Site $site, int $parts): \Generator
    {
        $changed = new \DateTimeImmutable($this->rows->lastChanged($site));
        for ($part = 1; $part <= $parts; $part++) {
            yield new SitemapEntry("{$site->origin}/sitemap-$part.xml", $changed);
        }
    }
}
