<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\File;
use App\Models\HistoryEntry;
use App\Models\Page;
use App\Models\SharedPiece;
use App\Models\Site;
use App\Models\User;
use App\Store\PgArray;
use App\Store\Ticks;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Undo;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Ripple\HistorySentence;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageDifference;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\Eloquent\Collection;

/** Writes what was done into the history: in a sentence, as the batch that did it, and as its exact inverse. */
final readonly class RecordEntry
{
    /** Pages and addresses that stand in the entry itself, and in each of the parts that follow where it did more. */
    public const PART = 1000;

    public function __construct(private ConnectionInterface $db, private HistorySentence $sentence, private Ticks $ticks)
    {
    }

    public function of(Site $site, ?User $user, Batch $batch, Ripple $ripple, string $note): HistoryEntry
    {
        $whole = array_filter($batch->undoes(), static fn (Undo $undo): bool => $undo->only === null);
        $entries = array_map(static fn (Undo $undo): string => $undo->entry, array_values($whole));
        $undone = $entries === [] ? null : HistoryEntry::query()->where('site_id', $site->id)->whereIn('ulid', $entries)->orderByDesc('id')->get();
        $account = RippleAccount::of($ripple);
        [$pages, $claims] = [$ripple->pages->differences->inPieces(self::PART), $ripple->addresses->claims->inPieces(self::PART)];
        $entry = HistoryEntry::query()->create([
            'site_id' => $site->id,
            'user_id' => $user?->id,
            'sentence' => $this->partly($batch, $site) ?? $this->sentence($batch, $ripple, $undone, $user),
            'batch' => array_map(static fn ($change): array => $change->toArray(), $batch->changes),
            'counts' => $account['counts'],
            'pages' => self::part($pages),
            'claims' => self::part($claims),
            'menus' => array_map(static fn ($difference): array => $difference->toArray(), $ripple->menusAndLinks->menus),
            'rules' => array_map(static fn ($difference): array => $difference->toArray(), $ripple->redirects->rules),
            'start_page' => $ripple->pages->startPage?->toArray(),
            'start_page_signed_in' => $ripple->pages->startPageSignedIn?->toArray(),
            'site_search' => $ripple->search->settings?->toArray(),
            'address_rules' => $ripple->addresses->rules?->toArray(),
            'access' => $ripple->access->settings?->toArray(),
            'ripple' => $account,
            'touched' => PgArray::of($this->touched($ripple)),
            'kinds' => PgArray::of(array_unique(array_map(static fn ($change): string => $change->kind(), $batch->changes))),
            'note' => $note,
            'undoes_id' => $undone?->first()?->id,
        ]);
        $this->keepParts($entry, $pages, $claims);
        $this->keepLists($entry, $ripple);
        if ($entries !== []) {
            // What an entry had undone is in effect again once that entry is undone itself.
            $again = array_merge(...array_map(static fn (HistoryEntry $each): array => $each->undoes(), array_values($undone?->all() ?? [])));
            $this->db->update('update history set undone_by_id = null where site_id = ? and ulid = any(?::text[])', [$site->id, PgArray::of($again)]);
            $this->db->update('update history set undone_by_id = ? where site_id = ? and ulid = any(?::text[])', [
                $entry->id,
                $site->id,
                PgArray::of($entries),
            ]);
        }

        return $entry;
    }

    /**
     * What does not fit in the entry itself.
     *
     * @param  \Generator<int, non-empty-list<PageDifference>>  $pages
     * @param  \Generator<int, non-empty-list<ClaimDifference>>  $claims
     */
    private function keepParts(HistoryEntry $entry, \Generator $pages, \Generator $claims): void
    {
        for ($n = 1; $pages->valid() || $claims->valid(); $n++) {
            $this->db->insert('insert into history_parts (entry_id, n, pages, claims) values (?, ?, ?, ?)', [
                $entry->id,
                $n,
                self::json(self::part($pages)),
                self::json(self::part($claims)),
            ]);
            $this->ticks->written(2 * self::PART);
        }
    }

    /** Of the lists that are told in no other way, those that do not fit in the entry itself. */
    private function keepLists(HistoryEntry $entry, Ripple $ripple): void
    {
        foreach (RippleGroup::KEPT_WHOLE as $group) {
            if (RippleRows::count($ripple, $group) <= RippleAccount::EXAMPLES) {
                continue;
            }
            foreach (RippleRows::of($ripple, $group)->inPieces(self::PART) as $n => $rows) {
                $this->db->insert('insert into history_lists (entry_id, list, n, rows) values (?, ?, ?, ?)', [
                    $entry->id,
                    $group->value,
                    $n,
                    self::json($rows),
                ]);
            }
        }
    }

    /** @param  list<array<string, mixed>>  $part */
    private static function json(array $part): string
    {
        return json_encode($part, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /**
     * The next piece, if there is one; the one after that is next.
     *
     * @param  \Generator<int, non-empty-list<PageDifference>>|\Generator<int, non-empty-list<ClaimDifference>>  $pieces
     * @return list<array<string, mixed>>
     */
    private static function part(\Generator $pieces): array
    {
        $part = array_map(static fn (PageDifference|ClaimDifference $each): array => $each->toArray(), $pieces->valid() ? $pieces->current() : []);
        $pieces->next();

        return $part;
    }

    /** Of a change that is undone on some of its pages alone. */
    private function partly(Batch $batch, Site $site): ?string
    {
        $undo = $batch->undoes()[0] ?? null;
        if ($undo?->only === null) {
            return null;
        }
        $names = Page::query()->where('site_id', $site->id)->whereIn('ulid', array_slice($undo->only, 0, 1))->pluck('name');
        $of = (string) HistoryEntry::query()->where('site_id', $site->id)->where('ulid', $undo->entry)->value('sentence');

        return sprintf(
            'Undid on %s: %s',
            count($undo->only) === 1 ? '*'.str_replace('*', '∗', (string) $names->first()).'*' : count($undo->only).' pages',
            mb_substr($of, 0, 300),
        );
    }

    /** @param  Collection<int, HistoryEntry>|null  $undone */
    private function sentence(Batch $batch, Ripple $ripple, ?Collection $undone, ?User $user): string
    {
        $sentences = array_values($undone?->pluck('sentence')->all() ?? []);

        return match (true) {
            $sentences !== [] => $this->sentence->undone($sentences),
            $user === null => $this->sentence->scheduled($batch, $ripple),
            default => $this->sentence->of($batch, $ripple),
        };
    }

    /** Content that was saved, as a version of their own: read in one line with everything else that was done to a page. */
    public function ofContent(Site $site, User $user, Page $page, int $version, string $note): void
    {
        $this->ofVersion(
            $site,
            $user,
            "Saved version $version of the content of *".str_replace('*', '∗', $page->name).'*',
            ['kind' => 'save-content', 'page' => $page->ulid, 'version' => $version],
            [$page->ulid],
            $note,
        );
    }

    /** Something done to a file, which its versions take back rather than the history. */
    public function ofFile(Site $site, User $user, string $kind, string $sentence, File $file): void
    {
        $this->ofVersion($site, $user, $sentence, ['kind' => $kind, 'file' => $file->ulid, 'number' => $file->number]);
    }

    /** Something done to a shared piece, whose versions take it back rather than the history. */
    public function ofPiece(Site $site, User $user, string $sentence, SharedPiece $piece): void
    {
        $this->ofVersion($site, $user, $sentence, ['kind' => 'save-piece', 'piece' => $piece->ulid, 'number' => $piece->number]);
    }

    /**
     * @param  array{kind: string, ...}  $done
     * @param  list<string>  $touched  pages of whose history it is part
     */
    private function ofVersion(Site $site, User $user, string $sentence, array $done, array $touched = [], string $note = ''): void
    {
        HistoryEntry::query()->create([
            'site_id' => $site->id,
            'user_id' => $user->id,
            'sentence' => $sentence,
            'batch' => [$done],
            'counts' => [],
            'pages' => [],
            'claims' => [],
            'menus' => [],
            'rules' => [],
            'touched' => PgArray::of($touched),
            'kinds' => PgArray::of([$done['kind']]),
            'note' => $note,
        ]);
    }

    /** @return list<string> pages of which the entry is part of the history: changed themselves, moved along, or led to by redirects */
    private function touched(Ripple $ripple): array
    {
        $ids =
            array_fill_keys($ripple->pages->changed(), true) +
            array_fill_keys($ripple->addresses->moved, true) +
            array_fill_keys(self::ledTo($ripple), true);

        return array_map(strval(...), array_keys($ids));
    }

    /** @return list<string> */
    private static function ledTo(Ripple $ripple): array
    {
        $pages = [];
        foreach ($ripple->redirects->rules as $difference) {
            foreach ([$difference->before?->target, $difference->after?->target] as $target) {
                if ($target?->kind === TargetKind::Page) {
                    $pages[] = $target->value;
                }
            }
        }

        return $pages;
    }
}
