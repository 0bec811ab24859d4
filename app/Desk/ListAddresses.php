<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\AddressRows;
use App\Store\HitCounts;
use App\Store\MissedDetails;
use App\Store\RedirectDetails;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\InputRefused;

/** The list of addresses, with what has to be worked out for it: where redirects end up and, among misses alone, what was probably meant. */
final readonly class ListAddresses
{
    /** Most segments below an address. */
    private const MAX_SEGMENTS = 500;

    public function __construct(
        private AddressRows $rows,
        private RedirectFindings $findings,
        private MatchAddresses $match,
        private Resolvers $resolvers,
        private CountHits $count,
        private RedirectDetails $details,
        private MissedDetails $missed,
    ) {
    }

    /**
     * @param  array{text: string, kind: string, status: string, hits: string}  $filter  as AddressRows takes it
     * @param  string  $finding  kinds of findings with commas between, or any; empty for whatever has none too
     * @return array<string, mixed>
     */
    public function find(Site $site, array $filter, string $finding, int $offset): array
    {
        $this->count->count();
        [$total, $counts, $rows] = $this->rows->find(
            $site,
            $filter + ['redirects' => $finding === '' ? null : $this->findings->redirects($site, $finding)],
            $offset,
        );
        // A matcher is built from all pages: too much for a list that only happens to have a miss among its rows.
        $isOfMissed = $filter['kind'] === 'missed';
        $likeliest = $isOfMissed ? $this->match->likeliest($site, array_values(array_column($rows, 'address'))) : [];
        $ends = $this->ends($site, $rows);

        return [
            'total' => $total,
            'counts' => $counts,
            'offset' => $offset,
            'noise' => $isOfMissed ? $this->rows->noise($site) : null,
            'rows' => array_map(
                static fn (array $row, int $n): array => $row + ['ends' => $ends[$n] ?? null, 'likeliest' => $likeliest[$row['address']] ?? null],
                $rows,
                array_keys($rows),
            ),
        ];
    }

    /** @return list<array<string, mixed>> the next segments below an address */
    public function below(Site $site, string $address): array
    {
        return $this->rows->segments($site, $address, self::MAX_SEGMENTS);
    }

    /** @return array<string, mixed> how often, and from where, an address was asked for in vain */
    public function missed(Site $site, string $address, string $span = 'day'): array
    {
        $this->count->count();

        return $this->missed->of($site, $address, self::span($span));
    }

    /** Whether anybody asked for it, so that it can be ignored. */
    public function ignore(Site $site, string $address): bool
    {
        return $this->rows->ignore($site, $address);
    }

    /** @return array<string, mixed> all about one redirect */
    public function redirect(Site $site, string $redirect, string $span = 'day'): array
    {
        return $this->details->of($site, $redirect, self::span($span), $this->resolvers->for($site)->resolve(...));
    }

    /** @throws InputRefused */
    private static function span(string $span): string
    {
        return isset(HitCounts::SPANS[$span])
            ? $span
            : throw new InputRefused('span', 'Hits are told by '.implode(', ', array_keys(HitCounts::SPANS)).'.', 'day');
    }

    /**
     * Where visitors of redirects that lead to an address end up, which may lead on.
     *
     * @param  list<array<string, mixed>>  $rows
     * @return array<int, array{address: string, name: string|null}> by the place of the row
     */
    private function ends(Site $site, array $rows): array
    {
        $leading = array_filter($rows, static fn (array $row): bool => $row['kind'] === 'one' && isset($row['redirect']['leadsTo']['address']));
        if ($leading === []) {
            return [];
        }
        $resolver = $this->resolvers->for($site);
        $ends = [];
        foreach ($leading as $n => $row) {
            $way = $resolver->resolve($row['redirect']['source']);
            if ($way->location !== null && ! $way->isLoop) {
                $ends[$n] = ['address' => NormalForm::readable($way->location), 'name' => $way->pageName];
            }
        }

        return $ends;
    }
}
