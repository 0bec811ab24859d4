<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ripple\AddressEffects;
use Heronstem\Core\Ripple\AddressMove;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\Workspace;

/** Which pages have another address from now on, and to whom the former ones lead. */
final class AddressMoves
{
    /**
     * @param  array<string, Page|null>  $outcome
     * @param  list<ClaimDifference>  $claims
     */
    public static function of(Workspace $workspace, array $outcome, array $claims): AddressEffects
    {
        return new AddressEffects(
            self::moves($workspace, $outcome, $claims),
            $claims,
            self::heirs($workspace, $outcome, $claims),
            $workspace->rulesDifference(),
        );
    }

    /**
     * @param  array<string, Page|null>  $outcome
     * @param  list<ClaimDifference>  $claims
     * @return list<AddressMove>
     */
    private static function moves(Workspace $workspace, array $outcome, array $claims): array
    {
        $seen = [];
        foreach ($claims as $claim) {
            if ($claim->before?->kind === ClaimKind::Page && $claim->before->everLive) {
                $seen[$claim->key] = true;
            }
        }
        $moves = [];
        foreach ($outcome as $id => $page) {
            $before = $workspace->pages->before((string) $id);
            if ($page !== null && $before !== null && ! $page->isBinned() && ! $before->isBinned() && $page->address->path !== $before->address->path) {
                $moves[] = new AddressMove($page->id, $page->name, $before->address, $page->address, isset($seen[$before->address->key]));
            }
        }

        return $moves;
    }

    /**
     * @param  array<string, Page|null>  $outcome
     * @param  list<ClaimDifference>  $claims
     * @return array<string, Page>
     */
    private static function heirs(Workspace $workspace, array $outcome, array $claims): array
    {
        $heirs = [];
        foreach ($claims as $difference) {
            $id = $difference->after?->page;
            if ($id !== null && ! isset($outcome[$id]) && ! isset($heirs[$id])) {
                $heirs[$id] = $workspace->pages->known($id);
            }
        }

        return $heirs;
    }
}
