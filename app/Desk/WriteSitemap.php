<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\File;
use App\Models\HistoryEntry;
use App\Models\Site;
use App\Store\SitemapRows;
use Heronstem\Core\Search\SettingScope;
use Heronstem\Core\Search\SettingSource;
use Heronstem\Core\Search\SitemapTerms;
use Heronstem\Core\Search\SitemapWriter;
use Heronstem\Core\Tree\SearchDefaults;
use Heronstem\Core\Tree\SearchSettings;
use Heronstem\Core\Visitors\Guest;
use Illuminate\Contracts\Cache\Repository;

/** The sitemap of a site, piece by piece. */
final readonly class WriteSitemap
{
    /** Seconds that parts are good for, since pages go live and end with time. */
    private const GOOD_FOR = 60;

    public function __construct(private SitemapRows $rows, private SitemapWriter $writer, private Repository $cache, private SeenBy $seen)
    {
    }

    /**
     * @param  int  $part  from 1; 0 for what stands at `/sitemap.xml`
     * @return iterable<string>|null null where there is no such part
     */
    public function pieces(Site $site, int $part): ?iterable
    {
        return $this->seen->during(Guest::anybody(), $site, fn (): ?iterable => $this->ofAnybody($site, $part));
    }

    /** @return iterable<string>|null */
    private function ofAnybody(Site $site, int $part): ?iterable
    {
        $starts = $this->starts($site);
        if ($part > count($starts) || ($part > 0 && count($starts) === 1)) {
            return null;
        }
        if ($part === 0 && count($starts) > 1) {
            $parts = array_map(static fn (int $n): string => "{$site->origin}/sitemap-$n.xml", range(1, count($starts)));

            return [$this->writer->index($parts, $this->rows->lastChanged($site))];
        }
        $branches = array_map(SearchDefaults::stored(...), $this->rows->branches($site));
        $layouts = array_map(strval(...), array_keys($site->searchSettings()->layouts));
        $lines = $this->rows->part($site, $starts[max(0, $part - 1)] ?? 0, $starts[max(1, $part)] ?? null, $branches !== [], $layouts);

        return $this->writer->part($lines, $site->origin, fn (string $told): SitemapTerms => $this->terms($site, $branches, SitemapRows::told($told)));
    }

    /** @return list<int> where the parts begin: crawlers that fetch them one after the other do not have them counted each time */
    private function starts(Site $site): array
    {
        $change = HistoryEntry::query()->where('site_id', $site->id)->max('id');

        return $this->cache->remember(
            "sitemap {$site->ulid} $change",
            self::GOOD_FOR,
            fn (): array => $this->rows->starts($site, SitemapWriter::PART),
        );
    }

    /**
     * @param  array<int, SearchDefaults>  $branches  what they say, by the number of the page at their top
     * @param  array{layout: string, path: list<int>, search: string|null, pictures: list<string>}  $told
     */
    private function terms(Site $site, array $branches, array $told): SitemapTerms
    {
        $above = [];
        foreach (array_reverse($told['path']) as $id) {
            if (isset($branches[$id])) {
                $above[] = [new SettingSource(SettingScope::Branch), $branches[$id]];
            }
        }
        $settings = $site->searchSettings()->effective(SearchSettings::stored($told['search'])->own, $told['layout'], $above);
        $pictures = [];
        foreach ($this->rows->fileNames($site, $told['pictures']) as $file => $name) {
            $pictures[] = $site->origin.File::at($file, $name);
        }

        return new SitemapTerms($settings->changeFrequency(), $settings->priority(), $pictures);
    }
}
