<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Access\AccessDifference;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\AddressRulesDifference;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Undo;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Menu\MenuDifference;
use Heronstem\Core\Moment;
use Heronstem\Core\Search\SiteSearchDifference;
use Heronstem\Core\Series;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\StartPageDifference;
use Illuminate\Database\Eloquent\Collection;

/** The batch that takes history entries back: one, several, or all since a moment; the newest first. */
final readonly class UndoEntry
{
    /** Most entries undone at once. */
    public const MAX_ENTRIES = 500;

    /**
     * @param  list<Decision>  $decisions
     * @param  list<string>|null  $pages  of which alone it is undone: of what was replaced
     *
     * @throws InputRefused when it has been undone already, or its details have been thinned
     */
    public function batch(Site $site, HistoryEntry $entry, array $decisions = [], ?array $pages = null): Batch
    {
        $whole = $this->several($site, new Collection([$entry]), $decisions);
        if ($pages === null) {
            return $whole;
        }
        $undo = $whole->undoes()[0];
        if (($entry->batch[0]['kind'] ?? null) !== 'replace-text') {
            throw new InputRefused('pages', 'Only what was replaced is undone page by page. Undo the whole change.');
        }
        $on = $undo->pages->where(static fn (PageDifference $difference): bool => in_array($difference->page, $pages, true));
        if ($on === []) {
            throw new InputRefused('pages', 'This change did nothing on these pages.');
        }
        $claims = $undo->claims->where(
            static fn (ClaimDifference $claim): bool => in_array(($claim->after ?? $claim->before)?->page, $pages, true),
        );

        return new Batch([new Undo($undo->entry, Series::of($on), Series::of($claims), at: $undo->at, only: array_column($on, 'page'))], $whole->decisions);
    }

    /**
     * Everything since an entry, itself included. What undid entries of these is left alone together with what
     * it undid; what undid older ones too is undone, and then those of these that it had undone.
     *
     * @param  list<Decision>  $decisions
     *
     * @throws InputRefused when there are too many, or nothing is left
     */
    public function since(Site $site, HistoryEntry $entry, array $decisions = []): Batch
    {
        $since = HistoryEntry::query()
            ->select(['id', 'ulid', 'batch', 'thinned_at'])
            ->where('site_id', $site->id)
            ->where('id', '>=', $entry->id)
            ->orderByDesc('id')
            ->get();
        $known = array_flip($since->pluck('ulid')->all());
        $cancelled = $left = [];
        foreach ($since as $each) {
            $back = $each->undoes();
            if (isset($cancelled[$each->ulid]) || $each->isOfVersion()) {
                continue;
            }
            if ($back !== [] && array_diff_key(array_flip($back), $known) === []) {
                $cancelled += array_flip($back);
            } else {
                $left[] = $each->id;
            }
        }
        $entries = HistoryEntry::query()->whereKey(array_slice($left, 0, self::MAX_ENTRIES + 1))->orderByDesc('id')->get();

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
            if ($entry->undone_by_id !== null) {
                throw new InputRefused('entry', 'This has been undone already.');
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
            throw new InputRefused('entries', 'Nothing is left to undo.');
        }
        if ($entries->count() > self::MAX_ENTRIES) {
            throw new InputRefused('entries', sprintf('At most %d changes are undone at once. Begin with the newest.', self::MAX_ENTRIES));
        }
        $rules = $site->rules();
        $changes = [];
        if ($entries->count() > 1 && $entries->contains(static fn (HistoryEntry $each): bool => $each->address_rules !== null)) {
            // What was done before it is read by the rules there are, which it would change.
            throw new InputRefused('entries', 'Among these is a change of how addresses are written. Undo it by itself, and then the others.');
        }
        foreach ($entries->sortByDesc('id') as $entry) {
            if ($entry->thinned_at !== null) {
                throw new InputRefused('entry', 'The details of this change have been thinned out of the history, so it can no longer be undone.');
            }
            if ($entry->isOfVersion()) {
                throw new InputRefused(
                    'entry',
                    $entry->file() === null
                        ? 'Every saved version of the content is kept: open the one before in the history of the page, and bring it back.'
                        : 'What stood in the place of a file is kept with it: open it in Files, and bring back an earlier version.',
                );
            }
            $changes[] = $this->undo($entry, $rules);
        }

        return new Batch(
            $changes === [] ? throw new InputRefused('entries', 'Nothing is left to undo.') : $changes,
            Decisions::elseDefaults(...$decisions),
        );
    }

    private function undo(HistoryEntry $entry, AddressRules $rules): Undo
    {
        return new Undo(
            $entry->ulid,
            Series::from(static fn (): \Generator => $entry->pageDifferences()),
            Series::from(static fn (): \Generator => $entry->claimDifferences($rules)),
            StartPageDifference::fromArray($entry->start_page),
            array_map(MenuDifference::fromArray(...), $entry->menus),
            StartPageDifference::fromArray($entry->start_page_signed_in),
            $entry->ruleDifferences($rules),
            Moment::at($entry->created_at->getTimestamp()),
            SiteSearchDifference::fromArray($entry->site_search),
            access: AccessDifference::fromArray($entry->access),
            addressRules: AddressRulesDifference::fromArray($entry->address_rules),
        );
    }
}
