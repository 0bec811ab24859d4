<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Undo;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Menu\MenuDifference;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\RuleDifference;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\StartPageDifference;
use Illuminate\Database\Eloquent\Collection;

/** The batch that takes history entries back: one, several, or all since a moment; the newest first. */
final readonly class UndoEntry
{
    /** Most entries taken back at once. */
    public const MOST = 500;

    /**
     * @param  list<Decision>  $decisions
     *
     * @throws InputRefused when it has been taken back already, or its details have been thinned
     */
    public function batch(Site $site, HistoryEntry $entry, array $decisions = []): Batch
    {
        return $this->several($site, new Collection([$entry]), $decisions);
    }

    /**
     * Everything since an entry, itself included. What took back entries of these is left alone together with what
     * it took back; what took back older ones too is taken back, and then those of these that it had taken back.
     *
     * @param  list<Decision>  $decisions
     *
     * @throws InputRefused when there are too many, or nothing is left
     */
    public function since(Site $site, HistoryEntry $entry, array $decisions = []): Batch
    {
        $since = HistoryEntry::query()->select(['id', 'ulid', 'batch', 'thinned_at'])->where('site_id', $site->id)->where('id', '>=', $entry->id)->orderByDesc('id')->get();
        $known = array_flip($since->pluck('ulid')->all());
        $cancelled = $left = [];
        foreach ($since as $each) {
            $back = $each->takesBack();
            if (isset($cancelled[$each->ulid]) || $each->isOfWords()) {
                continue;
            }
            if ($back !== [] && array_diff_key(array_flip($back), $known) === []) {
                $cancelled += array_flip($back);
            } else {
                $left[] = $each->id;
            }
        }
        $entries = HistoryEntry::query()->whereKey(array_slice($left, 0, self::MOST + 1))->orderByDesc('id')->get();

        return $this->built($site, $entries, $decisions);
    }

    /**
     * @param  Collection<int, HistoryEntry>  $entries
     * @param  list<Decision>  $decisions
     *
     * @throws InputRefused
     */
    public function several(Site $site, Collection $entries, array $decisions = []): Batch
    {
        foreach ($entries as $entry) {
            if ($entry->taken_back_by_id !== null) {
                throw new InputRefused('entry', 'This has been taken back already.');
            }
        }

        return $this->built($site, $entries, $decisions);
    }

    /**
     * @param  Collection<int, HistoryEntry>  $entries
     * @param  list<Decision>  $decisions
     */
    private function built(Site $site, Collection $entries, array $decisions): Batch
    {
        if ($entries->isEmpty()) {
            throw new InputRefused('entries', 'Nothing is left to take back.');
        }
        if ($entries->count() > self::MOST) {
            throw new InputRefused('entries', sprintf('At most %d changes are taken back at once. Begin with the newest.', self::MOST));
        }
        $rules = $site->rules();
        $changes = [];
        foreach ($entries->sortByDesc('id') as $entry) {
            if ($entry->thinned_at !== null) {
                throw new InputRefused('entry', 'The details of this change have been thinned out of the history, so it can no longer be taken back.');
            }
            if ($entry->isOfWords()) {
                throw new InputRefused('entry', 'Every saved version of the words is kept: open the one before in the history of the page, and bring it back.');
            }
            $changes[] = $this->takeBack($entry, $rules);
        }

        return new Batch($changes === [] ? throw new InputRefused('entries', 'Nothing is left to take back.') : $changes, Decisions::elseDefaults(...$decisions));
    }

    private function takeBack(HistoryEntry $entry, AddressRules $rules): Undo
    {
        return new Undo(
            $entry->ulid,
            array_map(PageDifference::fromArray(...), $entry->pages),
            array_map(static fn (array $row): ClaimDifference => ClaimDifference::fromArray($row, $rules), $entry->claims),
            StartPageDifference::fromArray($entry->start_page),
            array_map(MenuDifference::fromArray(...), $entry->menus),
            StartPageDifference::fromArray($entry->start_page_signed_in),
            array_map(RuleDifference::fromArray(...), $entry->rules),
            Moment::at($entry->created_at->getTimestamp()),
        );
    }
}
