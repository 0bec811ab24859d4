<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Change\Batch;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\Workspace;

/**
 * What becomes of the ledger when pages change their addresses: a page lets its old address go and takes
 * the new one; an old address that visitors knew goes on as a redirect to the page; where somebody else
 * holds the new one, there is a clash. Only the outcome of the whole batch counts, so pages may trade places.
 */
final class ClaimPlanner
{
    /**
     * The steps in their order: each looks at what those before it have planned.
     *
     *
     * @throws InputRefused when a decision cannot be
     */
    public static function plan(Workspace $workspace, Batch $batch, PagesAfter $outcome): ClaimPlan
    {
        $question = ClaimsInQuestion::read($workspace, $batch, $outcome);
        $restored = RestoredClaims::of($question);
        $released = ReleasedAddresses::of($question);
        RuleClaims::letGo($question);
        RespelledClaims::move($question, $restored);
        $obstacles = new Obstacles($question, $released, $restored);
        $own = OwnAddresses::take($question, $obstacles);
        $released->keepAnswering($question, $restored);
        WaitingAddresses::bringBack($question);
        $retired = RetiredAddresses::retire($question);
        $further = FurtherAddresses::grant($question, $obstacles);
        KnownAddresses::mark($question);
        $inBetween = $restored->restore();
        $unremovable = RemovedPages::settle($question);
        $rules = RuleClaims::settle($question);
        $single = $question->claims->differences();

        return new ClaimPlan(
            $question,
            $question->claims->withCarried($single),
            $single,
            [...array_values(array_replace($own->clashes, $further->clashes)), ...$rules],
            [...$retired, ...$inBetween],
            [...$own->notes, ...$further->notes],
            $unremovable,
        );
    }
}
