<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Menu\MenuDifference;
use Heronstem\Core\Redirect\RuleDifference;
use Heronstem\Core\Structure\Batch;
use Heronstem\Core\Structure\Change\TakeBack;
use Heronstem\Core\Structure\ChangeRefused;
use Heronstem\Core\Structure\ClaimDifference;
use Heronstem\Core\Structure\Decisions;
use Heronstem\Core\Structure\PageDifference;
use Heronstem\Core\Structure\StartPageDifference;
use Illuminate\Support\Collection;

/** The batch that takes history entries back: one, several, or all since a moment; the newest first. */
final readonly class TakeBackEntry
{
    /** Most entries taken back at once. */
    public const MOST = 500;

    /** @throws ChangeRefused when it has been taken back already, or its details have been thinned */
    public function batch(Site $site, HistoryEntry $entry): Batch
    {
        return $this->several($site, new Collection([$entry]));
    }

    /**
     * Everything since an entry, itself included, that has not been taken back already. Taking back is left alone:
     * what it took back is back, and what it itself was is taken back with the entry it belongs to.
     *
     * @throws ChangeRefused when there are too many, or nothing is left
     */
    public function since(Site $site, HistoryEntry $entry): Batch
    {
        $entries = HistoryEntry::query()->where('site_id', $site->id)->where('id', '>=', $entry->id)->whereNull('taken_back_by_id')->orderByDesc('id')->limit(self::MOST + 1)->get();

        return $this->several($site, $entries);
    }

    /**
     * @param  Collection<int, HistoryEntry>  $entries
     *
     * @throws ChangeRefused
     */
    public function several(Site $site, Collection $entries): Batch
    {
        if ($entries->isEmpty()) {
            throw new ChangeRefused('entries', 'Nothing is left to take back.');
        }
        if ($entries->count() > self::MOST) {
            throw new ChangeRefused('entries', sprintf('At most %d changes are taken back at once. Begin with the newest.', self::MOST));
        }
        $rules = $site->rules();
        $changes = [];
        foreach ($entries->sortByDesc('id') as $entry) {
            if ($entry->taken_back_by_id !== null) {
                throw new ChangeRefused('entry', 'This has been taken back already.');
            }
            if ($entry->thinned_at !== null) {
                throw new ChangeRefused('entry', 'The details of this change have been thinned out of the history, so it can no longer be taken back.');
            }
            $changes[] = new TakeBack(
                $entry->ulid,
                array_map(PageDifference::fromArray(...), $entry->pages),
                array_map(static fn (array $row): ClaimDifference => ClaimDifference::fromArray($row, $rules), $entry->claims),
                StartPageDifference::fromArray($entry->start_page),
                array_map(MenuDifference::fromArray(...), $entry->menus),
                StartPageDifference::fromArray($entry->start_page_signed_in),
                array_map(RuleDifference::fromArray(...), $entry->rules),
            );
        }

        return new Batch($changes === [] ? throw new ChangeRefused('entries', 'Nothing is left to take back.') : $changes, Decisions::elseDefaults());
    }
}
