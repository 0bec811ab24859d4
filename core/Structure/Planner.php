<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\Claim;
use Heronstem\Core\Address\ClaimKind;
use Heronstem\Core\Address\Ledger;
use Heronstem\Core\Linking\LinksInto;
use Heronstem\Core\Menu\MenuEffects;
use Heronstem\Core\Refusal;

/** Batch + what is → ripple. Reads the branches concerned through its ports, writes nothing. */
final readonly class Planner
{
    public function __construct(private SiteFrame $site, private Pages $pages, private Ledger $ledger, private LinksInto $links)
    {
    }

    /**
     * @throws Refusal when a guard forbids a change; its field names the change, e.g. `changes.0.place`
     */
    public function plan(Batch $batch): Ripple
    {
        $workspace = new Workspace($this->site, $this->pages);
        foreach ($batch->changes as $i => $change) {
            try {
                $change->on($workspace);
            } catch (Refusal $refusal) {
                throw $refusal->within("changes.$i");
            }
        }
        $outcome = Recomposition::of($workspace);
        $effects = new LedgerEffects($workspace, $batch, $this->ledger, $outcome);
        $claims = $effects->differences();
        $moves = $this->moves($outcome, $workspace, $claims);
        $ways = new WaysOut($workspace, $this->ledger, $effects);

        return new Ripple(
            moves: $moves,
            redirectsWritten: $this->written($claims),
            redirectsDropped: $this->dropped($claims),
            menu: MenuEffects::in($workspace),
            linksFollow: $moves === [] ? 0 : $this->links->countInto(array_column($moves, 'page')),
            sitemapEntries: $this->sitemapEntries($outcome, $workspace),
            goLive: $this->turning($outcome, $workspace, State::Live),
            goOffline: $this->turningFrom($outcome, $workspace),
            conflicts: array_map(static fn (array $refused): Conflict => $ways->of(...$refused), $effects->refused()),
            notes: [...$effects->notes(), ...Notes::on($outcome, $workspace)],
            pages: $this->differences($outcome, $workspace),
            claims: $claims,
            outcome: $outcome,
        );
    }

    /**
     * @param  array<string, Page|null>  $outcome
     * @param  list<ClaimDifference>  $claims
     * @return list<AddressMove>
     */
    private function moves(array $outcome, Workspace $workspace, array $claims): array
    {
        $seen = [];
        foreach ($claims as $claim) {
            if ($claim->before?->kind === ClaimKind::Page && $claim->before->everLive) {
                $seen[$claim->key] = true;
            }
        }
        $moves = [];
        foreach ($outcome as $id => $page) {
            $before = $workspace->before((string) $id);
            if ($page !== null && $before !== null && $page->address->path !== $before->address->path) {
                $moves[] = new AddressMove($page->id, $page->name, $before->address, $page->address, isset($seen[$before->address->key]));
            }
        }

        return $moves;
    }

    /**
     * @param  list<ClaimDifference>  $claims
     * @return list<Claim>
     */
    private function written(array $claims): array
    {
        return array_values(array_filter(array_map(static fn (ClaimDifference $d): ?Claim => $d->after?->kind === ClaimKind::Redirect ? $d->after : null, $claims)));
    }

    /**
     * @param  list<ClaimDifference>  $claims
     * @return list<Claim>
     */
    private function dropped(array $claims): array
    {
        return array_values(array_filter(array_map(static fn (ClaimDifference $d): ?Claim => $d->before?->kind === ClaimKind::Redirect && $d->after?->kind !== ClaimKind::Redirect ? $d->before : null, $claims)));
    }

    /** @param  array<string, Page|null>  $outcome */
    private function sitemapEntries(array $outcome, Workspace $workspace): int
    {
        $count = 0;
        foreach ($outcome as $id => $page) {
            $before = $workspace->before((string) $id);
            $was = $before !== null && $before->isLive() && $before->listed ? $before->address->path : null;
            $is = $page !== null && $page->isLive() && $page->listed ? $page->address->path : null;
            $count += $was === $is ? 0 : 1;
        }

        return $count;
    }

    /**
     * @param  array<string, Page|null>  $outcome
     * @return list<string>
     */
    private function turning(array $outcome, Workspace $workspace, State $state): array
    {
        return array_values(array_map(static fn (Page $page): string => $page->id, array_filter(
            $outcome,
            static fn (?Page $page, string|int $id): bool => $page?->state === $state && $workspace->before((string) $id)?->state !== $state,
            ARRAY_FILTER_USE_BOTH,
        )));
    }

    /**
     * @param  array<string, Page|null>  $outcome
     * @return list<string>
     */
    private function turningFrom(array $outcome, Workspace $workspace): array
    {
        return array_map(strval(...), array_keys(array_filter(
            $outcome,
            static fn (?Page $page, string|int $id): bool => $page?->state !== State::Live && $workspace->before((string) $id)?->state === State::Live,
            ARRAY_FILTER_USE_BOTH,
        )));
    }

    /**
     * @param  array<string, Page|null>  $outcome
     * @return list<PageDifference>
     */
    private function differences(array $outcome, Workspace $workspace): array
    {
        $differences = [];
        foreach ($outcome as $id => $page) {
            $difference = PageDifference::between($workspace->before((string) $id), $page);
            if ($difference !== null) {
                $differences[] = $difference;
            }
        }

        return $differences;
    }
}
