<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\TestTrait;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Planning\ComparedPlans;
use Heronstem\Core\Planning\Contradiction;
use Heronstem\Core\Planning\PlanBase;
use Heronstem\Core\Planning\PlanStep;
use Heronstem\Core\Planning\RebasedPlan;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Authority;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\Invariants;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** Plans: changes prepared together, laid over a site that goes on meanwhile. */
final class PlanLawsTest extends TestCase
{
    use TestTrait;

    protected function setUp(): void
    {
        $this->shrinkingTimeLimit(30);
    }

    #[Test]
    public function switched_on_a_plan_leaves_the_pages_that_its_batches_leave_made_one_after_the_other(): void
    {
        $this->limitTo(300)
            ->forAll(RandomChanges::batches())
            ->then(function (array $batches): void {
                $site = $this->site();
                $before = $site->snapshot();
                [$steps, $done] = [[], []];
                foreach ($batches as $n => $made) {
                    $batch = RandomChanges::over($site)->batch($made);
                    try {
                        $ripple = $site->planBatch(new Batch($batch->changes, Decisions::elseDefaults()));
                    } catch (Refusal) {
                        continue;
                    }
                    if ($ripple->canBeApplied() && ! $ripple->changesNothing()) {
                        $steps[] = new PlanStep("S$n", $batch->changes);
                        $done[] = $site->carryOut($ripple);
                    }
                }
                $oneByOne = self::pages($site);
                foreach (array_reverse($done) as $ripple) {
                    $site->undo($ripple);
                }
                self::assertSame($before, $site->snapshot());
                $rebased = $this->rebased($site, $steps);
                if ($rebased?->ripple === null || $rebased->refused !== [] || ! $rebased->ripple->canBeApplied()) {
                    // A step may hold to what the site itself had at that moment: then it is named, and nothing is switched on without it.
                    return;
                }
                $site->carryOut($rebased->ripple);
                self::assertSame($oneByOne, self::pages($site));
            });
    }

    #[Test]
    public function laid_over_a_site_that_went_on_a_plan_names_what_cannot_be_made_keeps_every_invariant_and_is_undone_exactly(): void
    {
        $this->limitTo(500)
            ->forAll(RandomChanges::batches(), RandomChanges::batches())
            ->then(function (array $prepared, array $meanwhile): void {
                $site = $this->site();
                $steps = [];
                foreach (RandomChanges::over($site)->changes(array_merge(...$prepared)) as $n => $change) {
                    $steps[] = new PlanStep("S$n", [$change]);
                }
                $known = self::known($site);
                foreach ($meanwhile as $made) {
                    $ripple = RandomChanges::planned($site, $made);
                    if ($ripple !== null) {
                        $site->carryOut($ripple);
                        $known += self::known($site);
                    }
                }
                $before = $site->snapshot();
                $rebased = $this->rebased($site, $steps);
                self::assertSame($before, $site->snapshot(), 'Laying a plan over a site wrote something.');
                if ($rebased?->ripple === null || $rebased->batch === null) {
                    return;
                }
                $left = array_filter($steps, static fn (PlanStep $step): bool => ! isset($rebased->refused[$step->id]));
                self::assertEquals(
                    array_merge(...array_map(static fn (PlanStep $step): array => $step->changes, array_values($left))),
                    $rebased->batch->changes,
                );
                foreach ($rebased->refused as $refusal) {
                    self::assertNotSame('', $refusal->reason);
                }
                if ($rebased->ripple->canBeApplied()) {
                    $applied = $site->carryOut($rebased->ripple);
                    Invariants::hold($site, $known + self::known($site));
                    $site->undo($applied);
                    self::assertSame($before, $site->snapshot());
                }
            });
    }

    #[Test]
    public function a_field_contradicts_exactly_where_the_site_changed_what_the_plan_changes(): void
    {
        $this->limitTo(500)
            ->forAll(RandomChanges::batches(), RandomChanges::batches())
            ->then(function (array $prepared, array $meanwhile): void {
                $site = $this->site();
                $first = RandomChanges::planned($site, array_merge(...array_slice($prepared, 0, 2)));
                if ($first === null) {
                    return;
                }
                $base = (new PlanBase())->with($first);
                self::assertSame([], $base->contradictions($first), 'Nothing happened, and something contradicts.');
                $then = self::fields($site);
                foreach ($meanwhile as $made) {
                    $ripple = RandomChanges::planned($site, $made);
                    $ripple === null ?: $site->carryOut($ripple);
                }
                $now = RandomChanges::planned($site, array_merge(...array_slice($prepared, 0, 2)));
                if ($now === null) {
                    return;
                }
                foreach ($base->contradictions($now) as $found) {
                    self::assertSame($then[$found->page][$found->field], $found->was);
                    self::assertSame(self::fields($site)[$found->page][$found->field], $found->is);
                    self::assertNotSame($found->was, $found->is);
                }
                $pages = array_unique(array_map(static fn (Contradiction $of): string => $of->page, $base->contradictions($now)));
                foreach ($pages as $page) {
                    $base = $base->accepting($now, $page);
                }
                self::assertSame([], $base->contradictions($now), 'What was accepted contradicts all the same.');
            });
    }

    #[Test]
    public function a_step_whose_page_is_gone_is_left_out_and_the_others_are_made(): void
    {
        $site = $this->site();
        $steps = [
            new PlanStep('first', [self::rename('Travel', 'Crossings')]),
            new PlanStep('second', [self::rename('Nowhere', 'Else')]),
            new PlanStep('third', [self::rename('Help', 'Answers')]),
        ];
        $rebased = RebasedPlan::of($steps, Decisions::elseDefaults(), $site->planBatch(...));

        self::assertSame(['second'], array_keys($rebased->refused));
        self::assertNotNull($rebased->ripple);
        $site->carryOut($rebased->ripple);
        self::assertSame(['Crossings', 'Answers'], [$site->pages['Travel']->name, $site->pages['Help']->name]);
    }

    #[Test]
    public function a_plan_of_which_no_step_can_be_made_is_no_batch(): void
    {
        $rebased = RebasedPlan::of(
            [new PlanStep('only', [self::rename('Nowhere', 'Else')])],
            Decisions::elseDefaults(),
            $this->site()->planBatch(...),
        );

        self::assertNull($rebased->batch);
        self::assertNull($rebased->ripple);
        self::assertArrayHasKey('only', $rebased->refused);
    }

    #[Test]
    public function two_plans_are_compared_by_what_they_leave(): void
    {
        $site = $this->site();
        $first = $site->plan(self::rename('Travel', 'Crossings'), self::rename('Help', 'Answers'), self::rename('Times', 'Timetables'));
        $second = $site->plan(self::rename('Travel', 'Crossings'), self::rename('Help', 'Questions'), self::rename('Fares', 'Prices'));
        $compared = ComparedPlans::of($first, $second);

        self::assertContains('Times', $compared->onlyFirst);
        self::assertSame(['Travel'], $compared->alike);
        self::assertContains('Help', array_keys($compared->otherwise));
        self::assertSame(
            [[], [], []],
            [
                ComparedPlans::of($first, $first)->onlyFirst,
                ComparedPlans::of($first, $first)->onlySecond,
                ComparedPlans::of($first, $first)->otherwise,
            ],
        );
        self::assertSame([], ComparedPlans::of(null, null)->alike);
    }

    private static function rename(string $page, string $name): Rename
    {
        return new Rename($page, PageName::of($name));
    }

    /** @param  list<PlanStep>  $steps */
    private function rebased(MemorySite $site, array $steps): ?RebasedPlan
    {
        try {
            return RebasedPlan::of($steps, Decisions::elseDefaults(), static fn (Batch $batch): Ripple => $site->planBatch($batch));
        } catch (Refusal) {
            return null;
        }
    }

    /** @return array<string, list<string|null>> what people made of the pages; addresses that were let go in between may differ */
    private static function pages(MemorySite $site): array
    {
        $pages = array_map(static fn (Page $page): array => [$page->parent, $page->name, $page->state->value], $site->pages);
        ksort($pages);

        return $pages;
    }

    /** @return array<string, array<string, scalar|null>> */
    private static function fields(MemorySite $site): array
    {
        return array_map(static fn (Page $page): array => $page->toFields(), $site->pages);
    }

    /** @return array<string, true> */
    private static function known(MemorySite $site): array
    {
        return array_map(static fn (): bool => true, array_filter($site->claims, static fn ($claim): bool => $claim->everLive));
    }

    private function site(): MemorySite
    {
        $site = new MemorySite();
        $site->authority = Authority::Owner;
        $site->startPage = 'Home';
        $site->live('Home');
        $site->live('Help');
        $site->live('Times', 'Help');
        $site->live('Summer', 'Times');
        $site->live('Travel');
        $site->live('Fares', 'Travel');
        $site->draft('Hidden');

        return $site;
    }
}
