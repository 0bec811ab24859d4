<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\NothingToChange;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ledger\Ledger;
use Heronstem\Core\Linking\LinksInto;
use Heronstem\Core\Menu\Menus;
use Heronstem\Core\Redirect\Rules;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\AddressMove;
use Heronstem\Core\Ripple\Conflict;
use Heronstem\Core\Ripple\Drawing;
use Heronstem\Core\Ripple\RawLinkEffect;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Ripple\WayOut;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\Pages;
use Heronstem\Core\Tree\StartPageDifference;
use Heronstem\Core\Workspace\SiteContext;
use Heronstem\Core\Workspace\Workspace;

/** Batch + what is → ripple. Reads the branches concerned through its ports, writes nothing. */
final readonly class Planner
{
    /** Conflicts times changes up to which every way out is tried before it is offered: each is another plan. */
    private const MAX_TRIED = 40;

    /** Pages of a ripple up to which that is done. */
    private const MAX_PAGES = 500;

    public function __construct(private SiteContext $site, private Pages $pages, private Ledger $ledger, private LinksInto $links, private Menus $menus, private Rules $redirects)
    {
    }

    /**
     * @throws Refusal when a guard forbids a change; its field names the change, e.g. `changes.0.place`
     */
    public function plan(Batch $batch): Ripple
    {
        $ripple = $this->planSparing($batch, []);
        if ($ripple->conflicts === [] || count($ripple->conflicts) * count($batch->changes) > self::MAX_TRIED || count($ripple->outcome) > self::MAX_PAGES) {
            return $ripple;
        }

        return $ripple->withConflicts(array_map(fn (Conflict $conflict): Conflict => $conflict->with(array_values(array_filter($conflict->waysOut, fn (WayOut $way): bool => $this->leadsOut($batch, $conflict, $way)))), $ripple->conflicts));
    }

    /** Whether a way out may be taken: what else is in the batch may stand in its way. */
    private function leadsOut(Batch $batch, Conflict $conflict, WayOut $way): bool
    {
        if ($way->changes === [] && $way->decisions === []) {
            return true;
        }
        try {
            $out = $this->planSparing(new Batch([...$batch->changes, ...$way->changes], $batch->decisions->and(...$way->decisions)), []);
        } catch (Refusal) {
            return false;
        }

        return array_filter($out->conflicts, static fn (Conflict $still): bool => $still->page === $conflict->page && $still->rule === $conflict->rule && $still->held->says($conflict->held)) === [];
    }

    /** @param  array<string, true>  $spared made pages that are not unmade */
    private function planSparing(Batch $batch, array $spared): Ripple
    {
        $workspace = new Workspace($this->site, $this->pages, $this->ledger, $this->menus, $this->redirects, $batch->decisions);
        $workspace->spared = $spared;
        $workspace->expect($batch->pagesNamed());
        $workspace->redirects->expect($batch->redirectsNamed());
        $this->change($batch, $workspace);
        $outcome = ComposedAddresses::of($workspace);
        $effects = new LedgerEffects($workspace, $batch, $outcome);
        $stuck = array_diff_key(array_flip($effects->stuck()), $spared);
        if ($stuck !== []) {
            return $this->planSparing($batch, $spared + array_map(static fn (): bool => true, $stuck));
        }

        array_push($workspace->notes, ...(new RuleLoops($workspace, $effects))->guard($batch));

        return $this->ripple($workspace, $outcome, $effects);
    }

    /** @throws Refusal when a guard forbids a change, or every page is already as the batch would make it */
    private function change(Batch $batch, Workspace $workspace): void
    {
        $passed = [];
        foreach ($batch->changes as $i => $change) {
            $workspace->redirects->field = "changes.$i";
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

    /** @param  array<string, Page|null>  $outcome */
    private function ripple(Workspace $workspace, array $outcome, LedgerEffects $effects): Ripple
    {
        $claims = $effects->differences();
        $moves = $this->moves($outcome, $workspace, $claims);
        $ways = new WaysOut($workspace, $effects);
        (new MenuConsequences($workspace, $outcome))->settle();
        $menu = MenuEffects::in($workspace);
        $turned = new VisibilityChanges($outcome, $workspace);
        $rawLinks = (new RawLinkEffects($outcome, $workspace, $this->ledger, $this->links))->of($claims, $turned->offline);
        $this->offerRewriting($rawLinks, $workspace);

        return new Ripple(
            moves: $moves,
            redirectsWritten: $this->redirects($claims, static fn (ClaimDifference $d): bool => $d->after?->kind === ClaimKind::Redirect, static fn (ClaimDifference $d): ?Claim => $d->after),
            redirectsDropped: $this->redirects($claims, static fn (ClaimDifference $d): bool => $d->before?->kind === ClaimKind::Redirect && $d->after?->kind !== ClaimKind::Redirect, static fn (ClaimDifference $d): ?Claim => $d->before),
            gone: $this->redirects($claims, static fn (ClaimDifference $d): bool => $d->after?->kind === ClaimKind::Gone && $d->before?->kind !== ClaimKind::Gone, static fn (ClaimDifference $d): ?Claim => $d->after),
            binned: $turned->binned,
            menu: $menu,
            linksFollow: $moves === [] ? 0 : $this->links->countInto(array_column($moves, 'page')),
            linksBreak: $turned->offline === [] ? 0 : $this->links->countInto($turned->offline),
            rawLinks: $rawLinks,
            sitemapEntries: $turned->sitemapEntries,
            goLive: $turned->live,
            goOffline: $turned->offline,
            copies: $workspace->copies,
            startPage: StartPageDifference::between($this->site->startPage, $workspace->startPage),
            startPageSignedIn: StartPageDifference::between($this->site->startPageSignedIn, $workspace->startPageSignedIn),
            conflicts: [
                ...array_map(static fn (array $refused): Conflict => $ways->of(...$refused), $effects->refused()),
                ...array_map(static fn (array $refused): Conflict => $ways->ofRule(...$refused), $effects->refusedRules()),
            ],
            questions: $workspace->questions,
            notes: [...$workspace->notes, ...$effects->notes(), ...(new Notes($outcome, $workspace))->all(NetEffects::of($menu))],
            pages: $this->differences($outcome, $workspace),
            claims: $claims,
            menus: $workspace->menus->differences(),
            rules: $workspace->redirects->differences(),
            menusTouched: MenusTouched::by($workspace, $outcome),
            outcome: $outcome,
            heirs: $this->heirs($claims, $outcome, $workspace),
            drawing: Drawing::of($workspace, $outcome)->orOf(MenuDrawing::of($workspace)),
        );
    }

    /** @param  list<RawLinkEffect>  $effects */
    private function offerRewriting(array $effects, Workspace $workspace): void
    {
        $meant = array_values(array_filter(array_map(static fn (RawLinkEffect $effect): ?Page => $effect->meant, $effects)));
        if ($meant !== []) {
            $workspace->ask(QuestionKind::RawLinks, $meant[0], count($meant), QuestionKind::RawLinks->answers(), Answer::Leave, matters: false);
        }
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
            if ($page !== null && $before !== null && ! $page->isBinned() && ! $before->isBinned() && $page->address->path !== $before->address->path) {
                $moves[] = new AddressMove($page->id, $page->name, $before->address, $page->address, isset($seen[$before->address->key]));
            }
        }

        return $moves;
    }

    /**
     * @param  list<ClaimDifference>  $claims
     * @param  \Closure(ClaimDifference): bool  $which
     * @param  \Closure(ClaimDifference): ?Claim  $what
     * @return list<Claim>
     */
    private function redirects(array $claims, \Closure $which, \Closure $what): array
    {
        return array_values(array_filter(array_map($what, array_filter($claims, $which))));
    }

    /**
     * @param  list<ClaimDifference>  $claims
     * @param  array<string, Page|null>  $outcome
     * @return array<string, Page>
     */
    private function heirs(array $claims, array $outcome, Workspace $workspace): array
    {
        $heirs = [];
        foreach ($claims as $difference) {
            $id = $difference->after?->page;
            if ($id !== null && ! isset($outcome[$id]) && ! isset($heirs[$id])) {
                $heirs[$id] = $workspace->known($id);
            }
        }

        return $heirs;
    }

    /**
     * @param  array<string, Page|null>  $outcome
     * @return list<PageDifference>
     */
    private function differences(array $outcome, Workspace $workspace): array
    {
        $differences = [];
        foreach ($workspace->touched() as $id) {
            $difference = PageDifference::between($workspace->before($id), $outcome[$id] ?? null);
            if ($difference !== null) {
                $differences[] = $difference;
            }
        }

        return $differences;
    }
}
