<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ripple\AddressEffects;
use Heronstem\Core\Ripple\AddressMove;
use Heronstem\Core\Series;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\CarriedPages;
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\Workspace;

/** Which pages have another address from now on, and to whom the former ones lead. */
final class AddressMoves
{
    public static function of(Workspace $workspace, PagesAfter $outcome, ClaimPlan $claims): AddressEffects
    {
        $moved = self::moved($workspace, $outcome);

        return new AddressEffects(
            [...$moved, ...$outcome->carried()->ids()],
            Series::from(static function () use ($moved, $workspace, $outcome, $claims): \Generator {
                yield from self::moves($moved, $workspace, $outcome, $claims);
                yield from self::movesAlong($outcome->carried());
            }, count($moved) + $outcome->carried()->count()),
            $claims->differences,
            self::heirs($workspace, $outcome, $claims->single),
            $workspace->rulesDifference(),
            $claims->single,
            $outcome->carried(),
        );
    }

    /** @return list<string> those that are looked at by themselves */
    private static function moved(Workspace $workspace, PagesAfter $outcome): array
    {
        $moved = [];
        foreach ($outcome->singly() as $id => $page) {
            $before = $workspace->pages->before($id);
            if ($page !== null && $before !== null && ! $page->isBinned() && ! $before->isBinned() && $page->address->path !== $before->address->path) {
                $moved[] = $id;
            }
        }

        return $moved;
    }

    /**
     * @param  list<string>  $moved
     * @return \Generator<int, AddressMove>
     */
    private static function moves(array $moved, Workspace $workspace, PagesAfter $outcome, ClaimPlan $claims): \Generator
    {
        foreach ($moved as $id) {
            [$before, $page] = [$workspace->pages->before($id), $outcome->find($id)];
            if ($before !== null && $page !== null) {
                $was = $claims->differenceAt($before->address)?->before;
                yield new AddressMove($id, $page->name, $before->address, $page->address, $was?->kind === ClaimKind::Page && $was->everLive);
            }
        }
    }

    /** @return \Generator<int, AddressMove> */
    private static function movesAlong(CarriedPages $pages): \Generator
    {
        foreach ($pages->ids() as $id) {
            yield new AddressMove($id, $pages->name($id), $pages->before($id), $pages->after($id), $pages->isKnown($id));
        }
    }

    /**
     * @param  Series<ClaimDifference>  $claims
     * @return array<string, Page>
     */
    private static function heirs(Workspace $workspace, PagesAfter $outcome, Series $claims): array
    {
        $heirs = [];
        foreach ($claims as $difference) {
            $id = $difference->after?->page;
            if ($id !== null && ! $outcome->has($id) && ! isset($heirs[$id])) {
                $heirs[$id] = $workspace->pages->known($id);
            }
        }

        return $heirs;
    }
}
