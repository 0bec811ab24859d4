<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\NothingToChange;
use Heronstem\Core\Change\StandsAlone;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Question;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\Ledger;
use Heronstem\Core\Linking\LinksInto;
use Heronstem\Core\Menu\Menus;
use Heronstem\Core\Redirect\Rules;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Conflict;
use Heronstem\Core\Ripple\MenuAndLinkEffects;
use Heronstem\Core\Ripple\RawLinkEffect;
use Heronstem\Core\Ripple\RawLinkFate;
use Heronstem\Core\Ripple\RedirectEffects;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Ripple\ToDecide;
use Heronstem\Core\Ripple\WayOut;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\Pages;
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\SiteContext;
use Heronstem\Core\Workspace\Workspace;

/** Batch + what is → ripple. Reads the branches concerned through its ports, writes nothing. */
final readonly class Planner
{
    /** Conflicts times changes up to which every way out is tried before it is offered: each is another plan. */
    private const MAX_TRIED = 40;

    /** Pages of a ripple up to which that is done. */
    private const MAX_PAGES = 500;

    public function __construct(
        private SiteContext $site,
        private Pages $pages,
        private Ledger $ledger,
        private LinksInto $links,
        private Menus $menus,
        private Rules $redirects,
    ) {
    }

    /**
     * @throws Refusal when a guard forbids a change; its field names the change, e.g. `changes.0.place`
     */
    public function plan(Batch $batch): Ripple
    {
        $ripple = $this->planSparing($batch, []);
        if (
            $ripple->toDecide->conflicts === [] ||
            count($ripple->toDecide->conflicts) * count($batch->changes) > self::MAX_TRIED ||
            count($ripple->pages->outcome) > self::MAX_PAGES
        ) {
            return $ripple;
        }

        return $ripple->withConflicts(
            array_map(
                fn (Conflict $conflict): Conflict => $conflict->with(
                    array_values(array_filter($conflict->waysOut, fn (WayOut $way): bool => $this->leadsOut($batch, $conflict, $way))),
                ),
                $ripple->toDecide->conflicts,
            ),
        );
    }

    /** Whether a way out may be taken: what else is in the batch may stand in its way. */
    private function leadsOut(Batch $batch, Conflict $conflict, WayOut $way): bool
    {
        if ($way->changes === [] && $way->decisions === []) {
            return true;
        }
        try {
            $out = $this->planSparing($batch->with($way->changes, $way->decisions), []);
        } catch (Refusal) {
            return false;
        }

        return array_filter(
            $out->toDecide->conflicts,
            static fn (Conflict $still): bool => $still->page === $conflict->page &&
                $still->rule === $conflict->rule &&
                $still->held->says($conflict->held),
        ) === [];
    }

    /** @param  array<string, true>  $spared made pages that are not unmade */
    private function planSparing(Batch $batch, array $spared): Ripple
    {
        $workspace = new Workspace($this->site, $this->pages, $this->ledger, $this->menus, $this->redirects, $batch->decisions, $spared);
        $workspace->pages->expect($batch->pagesNamed());
        $workspace->redirects->expect($batch->redirectsNamed());
        self::makeChanges($batch, $workspace);
        RespelledSite::carryOut($workspace);
        OwnersOnly::guard($workspace);
        $outcome = ComposedAddresses::of($workspace, self::mayCarry($batch));
        $claims = ClaimPlanner::plan($workspace, $batch, $outcome);
        $stuck = array_diff_key(array_fill_keys($claims->unremovable, true), $spared);

        return $stuck === [] ? $this->ripple($batch, $workspace, $outcome, $claims) : $this->planSparing($batch, $spared + $stuck);
    }

    /** Whether pages may be carried along: what several changes that are undone say of one address is put together one by one. */
    private static function mayCarry(Batch $batch): bool
    {
        $undoes = $batch->undoes();

        return $undoes === [] || (count($batch->changes) === 1 && $undoes[0]->addressRules === null);
    }

    /** @throws Refusal when a guard forbids a change, or every page is already as the batch would make it */
    private static function makeChanges(Batch $batch, Workspace $workspace): void
    {
        $passed = [];
        foreach ($batch->changes as $i => $change) {
            if ($change instanceof StandsAlone && count($batch->changes) > 1) {
                throw new InputRefused(
                    "changes.$i",
                    'This is changed by itself: what else is asked for is read by the rules that it changes. Apply one after the other.',
                );
            }
            try {
                $change->on($workspace);
            } catch (NothingToChange $already) {
                $passed[] = $already->within("changes.$i");
            } catch (Refusal $refusal) {
                throw $refusal->within("changes.$i");
            }
        }
        if (count($passed) === count($batch->changes)) {
            throw $passed[0];
        }
    }

    /**
     * The steps in their order: menus are settled before what visitors see of them is compared.
     */
    private function ripple(Batch $batch, Workspace $workspace, PagesAfter $outcome, ClaimPlan $claims): Ripple
    {
        $loops = new RuleLoops($workspace, $claims);
        $chains = $loops->guard($batch);
        $addresses = AddressMoves::of($workspace, $outcome, $claims);
        $asked = MenuConsequences::settle($workspace, $outcome);
        $pages = PageChanges::of($workspace, $outcome);
        $entries = MenuEffects::in($workspace);
        $lines = new AccessLines($workspace);
        $visitors = VisitorChanges::of($workspace, $outcome, $lines);
        $turned = (new RawLinkEffects($outcome, $workspace, $this->ledger, $this->links))->of($claims, $pages->goOfflineInTree());
        $rawLinks = (new MendedLinks($workspace, $this->links, $claims))->among($turned);
        $ways = new WaysOut($workspace, $claims, $loops);

        return new Ripple(
            $pages,
            $addresses,
            new RedirectEffects($workspace->redirects->differences()),
            new MenuAndLinkEffects(
                menus: $workspace->menus->differences(),
                entries: $entries,
                touched: MenusTouched::by($workspace, $outcome),
                linksFollow: $addresses->moved === [] ? 0 : $this->links->countInto($addresses->moved),
                linksBreak: $pages->goOffline === [] ? 0 : $this->links->countInto($pages->goOffline),
                linksClosed: $visitors->closed() === [] ? 0 : $this->links->countInto($visitors->closed()),
                rawLinks: $rawLinks,
            ),
            SearchChanges::of($workspace, $outcome, $visitors, $lines),
            new ToDecide(
                conflicts: array_map($ways->of(...), $claims->clashes),
                questions: [...$workspace->questions(), ...$claims->questions, ...$asked, ...self::offerRewriting($rawLinks, $batch)],
                notes: [...$workspace->notes(), ...$chains, ...$claims->notes, ...(new Notes($outcome, $workspace))->all(NetEffects::of($entries))],
            ),
            TreeDrawing::of($workspace, $outcome)->orElse(MenuDrawing::of($workspace)),
            AccessChanges::of($workspace),
            $visitors,
        );
    }

    /**
     * @param  list<RawLinkEffect>  $effects
     * @return list<Question>
     */
    private static function offerRewriting(array $effects, Batch $batch): array
    {
        $open = array_filter($effects, static fn (RawLinkEffect $effect): bool => $effect->fate !== RawLinkFate::Mended);
        $meant = array_values(array_filter(array_map(static fn (RawLinkEffect $effect): ?Page => $effect->meant, $open)));

        return $meant === []
            ? []
            : [
                Question::of(
                    $batch->decisions,
                    QuestionKind::RawLinks,
                    $meant[0],
                    count($meant),
                    QuestionKind::RawLinks->answers(),
                    Answer::Leave,
                    matters: false,
                ),
            ];
    }
}
