<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\HistoryEntry;
use App\Store\PgArray;
use Heronstem\Core\Address\NormalForm;
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
    public function of(HistoryEntry $entry, RippleGroup $group): array
    {
        return match ($group) {
            RippleGroup::Addresses => $this->moves($entry),
            RippleGroup::RedirectsWritten => $this->claims($entry, 'after', static fn (?string $before, ?string $after): bool => $after === 'redirect'),
            RippleGroup::RedirectsDropped => $this->claims($entry, 'before', static fn (?string $before, ?string $after): bool => $before === 'redirect' && $after !== 'redirect'),
            RippleGroup::Gone => $this->claims($entry, 'after', static fn (?string $before, ?string $after): bool => $after === 'gone' && $before !== 'gone'),
            RippleGroup::Live => $this->turned($entry, static fn (?string $before, ?string $after): bool => $after === 'live' && $before !== 'live'),
            RippleGroup::Offline => $this->turned($entry, static fn (?string $before, ?string $after): bool => $before === 'live' && $after !== 'live' && $after !== 'bin'),
            RippleGroup::Bin => $this->turned($entry, static fn (?string $before, ?string $after): bool => $after === 'bin' && $before !== null),
            RippleGroup::Menu, RippleGroup::Redirects, RippleGroup::RawLinks, RippleGroup::Copies => $entry->ripple['lists'][$group->value] ?? [],
        };
    }

    /** @return list<Row> each page that holds one address before and another after */
    private function moves(HistoryEntry $entry): array
    {
        $from = $to = [];
        foreach ($entry->claims as $claim) {
            if (($claim['before'][1] ?? null) === 'page') {
                $from[$claim['before'][2]] = $claim['before'];
            }
            if (($claim['after'][1] ?? null) === 'page') {
                $to[$claim['after'][2]] = $claim['after'];
            }
        }
        $pages = $this->pages(array_map(strval(...), array_keys($to)));
        $rows = [];
        foreach ($to as $page => $after) {
            $before = $from[$page] ?? null;
            if ($before !== null && $before[0] !== $after[0]) {
                $rows[] = RippleRows::row((string) $page, $pages[$page]->name ?? '', NormalForm::readable($before[0]), NormalForm::readable($after[0]), $before[3] ? '' : 'never live, so no redirect');
            }
        }

        return $rows;
    }

    /**
     * Claims as they were or as they are, with where those that were written lead by now.
     *
     * @param  'before'|'after'  $side
     * @param  \Closure(string|null, string|null): bool  $which  told the kinds before and after
     * @return list<Row>
     */
    private function claims(HistoryEntry $entry, string $side, \Closure $which): array
    {
        $found = array_values(array_filter(array_map(static fn (array $claim): ?array => $which($claim['before'][1] ?? null, $claim['after'][1] ?? null) ? $claim[$side] : null, $entry->claims)));
        $pages = $this->pages(array_column($found, 2));

        return array_map(static function (array $claim) use ($side, $pages): array {
            [$address, , $page] = $claim;
            $leadsTo = $side === 'after' ? ($pages[$page]->address ?? null) : null;

            return RippleRows::row($page === '' ? null : $page, $pages[$page]->name ?? '', NormalForm::readable($address), $leadsTo === null ? null : NormalForm::readable($leadsTo), '');
        }, $found);
    }

    /**
     * @param  \Closure(string|null, string|null): bool  $which
     * @return list<Row>
     */
    private function turned(HistoryEntry $entry, \Closure $which): array
    {
        $found = array_values(array_filter($entry->pages, static fn (array $page): bool => (isset($page['before']['state']) || isset($page['after']['state']))
            && $which(isset($page['before']['state']) ? (string) $page['before']['state'] : null, isset($page['after']['state']) ? (string) $page['after']['state'] : null)));
        $pages = $this->pages(array_column($found, 'page'));

        return array_map(static fn (array $page): array => RippleRows::row($page['page'], $pages[$page['page']]->name ?? (string) ($page['before']['name'] ?? ''), null, null, ''), $found);
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, \stdClass> name and address by identity
     */
    private function pages(array $ids): array
    {
        return $this->db->table('pages')->whereRaw('ulid = any(?::text[])', [PgArray::of($ids)])->get(['ulid', 'name', 'address'])->keyBy('ulid')->all();
    }
}
