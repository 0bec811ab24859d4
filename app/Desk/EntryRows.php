<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\HistoryEntry;
use App\Models\Site;
use App\Store\PgArray;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Tree\PageDifference;
use Illuminate\Database\ConnectionInterface;

/**
 * The complete lists of what an applied batch did, read from what its entry keeps.
 *
 * @phpstan-import-type Row from RippleRows
 */
final readonly class EntryRows
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<Row> */
    public function of(HistoryEntry $entry, Site $site, RippleGroup $group): array
    {
        return match ($group) {
            RippleGroup::Addresses => $this->moves($entry, $site),
            RippleGroup::RedirectsWritten => $this->written($entry, $site, static fn (ClaimDifference $each): ?Claim => $each->redirectWritten()),
            RippleGroup::RedirectsDropped => $this->dropped($entry, $site),
            RippleGroup::Gone => $this->written($entry, $site, static fn (ClaimDifference $each): ?Claim => $each->recordedGone()),
            RippleGroup::Live => $this->pagesOf($entry, static fn (PageDifference $each): bool => $each->goesLive()),
            RippleGroup::Offline => $this->pagesOf($entry, static fn (PageDifference $each): bool => $each->goesOffline() && ! $each->goesIntoBin()),
            RippleGroup::Bin => $this->pagesOf($entry, static fn (PageDifference $each): bool => $each->goesIntoBin()),
            RippleGroup::Menu,
            RippleGroup::Redirects,
            RippleGroup::RawLinks,
            RippleGroup::Copies,
            RippleGroup::Titles,
            RippleGroup::Indexing,
            RippleGroup::Canonicals,
            RippleGroup::Visitors,
            RippleGroup::Access => $this->kept($entry, $group),
        };
    }

    /** @return list<Row> */
    private function kept(HistoryEntry $entry, RippleGroup $group): array
    {
        $rows = [];
        foreach (
            $this->db->select('select rows from history_lists where entry_id = ? and list = ? order by n', [$entry->id, $group->value]) as $part
        ) {
            /** @var list<Row> $piece */
            $piece = json_decode($part->rows, true, flags: JSON_THROW_ON_ERROR);
            array_push($rows, ...$piece);
        }

        return $rows === [] ? $entry->ripple['lists'][$group->value] ?? [] : $rows;
    }

    /** @return iterable<ClaimDifference> */
    private static function claims(HistoryEntry $entry, Site $site): iterable
    {
        return $entry->claimDifferences($site->rules());
    }

    /** @return list<Row> each page that holds one address before and another after */
    private function moves(HistoryEntry $entry, Site $site): array
    {
        $from = $to = [];
        foreach (self::claims($entry, $site) as $difference) {
            if ($difference->before?->kind === ClaimKind::Page) {
                $from[(string) $difference->before->page] = $difference->before;
            }
            if ($difference->after?->kind === ClaimKind::Page) {
                $to[(string) $difference->after->page] = $difference->after;
            }
        }
        $pages = $this->pages(array_map(strval(...), array_keys($to)));
        $rows = [];
        foreach ($to as $page => $after) {
            $before = $from[$page] ?? null;
            if ($before !== null && $before->address->path !== $after->address->path) {
                $rows[] = RippleRows::row(
                    (string) $page,
                    $pages[$page]->name ?? '',
                    $before->address->readable(),
                    $after->address->readable(),
                    RippleRows::moveNote($before->everLive),
                );
            }
        }

        return $rows;
    }

    /**
     * Claims as the entry left them, with where they lead by now.
     *
     * @param  \Closure(ClaimDifference): ?Claim  $which
     * @return list<Row>
     */
    private function written(HistoryEntry $entry, Site $site, \Closure $which): array
    {
        $found = self::claimsThat($which, $entry, $site);
        $pages = $this->pages(array_map(static fn (Claim $claim): string => (string) $claim->page, $found));

        return array_map(static function (Claim $claim) use ($pages): array {
            $page = $pages[(string) $claim->page] ?? null;

            return RippleRows::row(
                $claim->page,
                $page->name ?? '',
                $claim->address->readable(),
                $page === null ? null : NormalForm::readable($page->address),
                '',
            );
        }, $found);
    }

    /**
     * @param  \Closure(ClaimDifference): ?Claim  $which
     * @return list<Claim>
     */
    private static function claimsThat(\Closure $which, HistoryEntry $entry, Site $site): array
    {
        $found = [];
        foreach (self::claims($entry, $site) as $difference) {
            $claim = $which($difference);
            if ($claim !== null) {
                $found[] = $claim;
            }
        }

        return $found;
    }

    /** @return list<Row> */
    private function dropped(HistoryEntry $entry, Site $site): array
    {
        $found = self::claimsThat(static fn (ClaimDifference $each): ?Claim => $each->redirectDropped(), $entry, $site);
        $pages = $this->pages(array_map(static fn (Claim $claim): string => (string) $claim->page, $found));

        return array_map(
            static fn (Claim $claim): array => RippleRows::row(
                $claim->page,
                $pages[(string) $claim->page]->name ?? '',
                $claim->address->readable(),
                null,
                '',
            ),
            $found,
        );
    }

    /**
     * @param  \Closure(PageDifference): bool  $which
     * @return list<Row>
     */
    private function pagesOf(HistoryEntry $entry, \Closure $which): array
    {
        $found = [];
        foreach ($entry->pageDifferences() as $difference) {
            if ($which($difference)) {
                $found[] = $difference;
            }
        }
        $pages = $this->pages(array_map(static fn (PageDifference $each): string => $each->page, $found));

        return array_map(
            static fn (PageDifference $each): array => RippleRows::row(
                $each->page,
                $pages[$each->page]->name ?? (string) ($each->before['name'] ?? ''),
                null,
                null,
                '',
            ),
            $found,
        );
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, \stdClass> name and address by identity
     */
    private function pages(array $ids): array
    {
        return $this->db
            ->table('pages')
            ->whereRaw('ulid = any(?::text[])', [PgArray::of($ids)])
            ->get(['ulid', 'name', 'address'])
            ->keyBy('ulid')
            ->all();
    }
}
