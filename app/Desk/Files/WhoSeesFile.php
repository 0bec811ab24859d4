<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Desk\LookedAt;
use App\Models\File;
use App\Models\HistoryEntry;
use App\Models\Page;
use App\Models\Site;
use App\Store\FileUses;
use Heronstem\Core\Visitors\Gates;
use Heronstem\Core\Visitors\Guest;
use Illuminate\Contracts\Cache\Repository as Cache;

/**
 * Files follow the pages that show them: whoever sees one of these may have the file. What is shown on no page is as open as it ever
 * was; what stands on closed pages alone is closed with them.
 */
final readonly class WhoSeesFile
{
    /** Seconds for which it is remembered where a file is shown. */
    private const GOOD_FOR = 60;

    /** Ways of being used that belong to a page. */
    private const ON_PAGES = ['content', 'fields', 'card', 'page'];

    public function __construct(private FileUses $uses, private Cache $cache, private LookedAt $looked)
    {
    }

    public function admits(File $file, Site $site, Guest $guest, Gates $gates): bool
    {
        $around = $gates->isEmpty() ? [null] : $this->gatesAround($file, $site);
        foreach ($around as $gate) {
            if ($gates->admits($guest, $gate, $this->looked->moment())) {
                return true;
            }
        }

        return $around === [];
    }

    /** @return list<int|null> the gates of the pages that show it, null for what is open; none where nothing shows it */
    private function gatesAround(File $file, Site $site): array
    {
        $change = HistoryEntry::query()->where('site_id', $site->id)->max('id');

        return $this->cache->remember("gates of {$file->ulid} $change", self::GOOD_FOR, fn (): array => $this->readGates($file, $site));
    }

    /** @return list<int|null> */
    private function readGates(File $file, Site $site): array
    {
        $uses = $this->uses->ofFile($site, $file->ulid);
        $shown = array_filter($uses, static fn (array $use): bool => $use['live']);
        $pages = array_column(array_filter($shown ?: $uses, static fn (array $use): bool => in_array($use['way'], self::ON_PAGES, true)), 'by');
        $gates = Page::query()->where('site_id', $site->id)->whereIn('ulid', $pages)->distinct()->pluck('gate_id')->all();
        $isElsewhere = count(array_filter($shown, static fn (array $use): bool => ! in_array($use['way'], self::ON_PAGES, true))) > 0;

        return array_values([...$gates, ...$isElsewhere ? [null] : []]);
    }
}
