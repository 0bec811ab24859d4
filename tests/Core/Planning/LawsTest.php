<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\TrailingSlash;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\MenuResolver;
use Heronstem\Core\Menu\ResolvedEntry;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Moment;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Conflict;
use Heronstem\Core\Ripple\WayOut;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Workspace\Authority;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\Invariants;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** Laws of the planner over random sites and batches. */
final class LawsTest extends TestCase
{
    use TestTrait;

    protected function setUp(): void
    {
        // A counterexample that is not yet the smallest beats a run that never ends.
        $this->shrinkingTimeLimit(30);
    }

    #[Test]
    public function batches_of_several_changes_keep_every_invariant_under_any_address_rules_and_undo_exactly(): void
    {
        $rules = Generators::elements([
            new AddressRules(),
            new AddressRules(trailingSlash: TrailingSlash::Always),
            new AddressRules(suffix: '.html'),
            new AddressRules(caseSensitive: true),
        ]);
        $this->limitTo(2000)
            ->forAll($rules, RandomChanges::batches())
            ->then(function (AddressRules $rules, array $batches): void {
                $site = $this->site($rules);
                $known = $this->known($site);
                foreach ($batches as $steps) {
                    $before = $site->snapshot();
                    $ripple = RandomChanges::planned($site, $steps);
                    if ($ripple === null) {
                        self::assertSame($before, $site->snapshot(), 'Planning wrote something.');

                        continue;
                    }
                    $site->carryOut($ripple);
                    $after = $site->snapshot();
                    $back = $site->undo($ripple);
                    self::assertSame($before, $site->snapshot());
                    $site->undo($back);
                    self::assertSame($after, $site->snapshot());
                    $known += $this->known($site);
                    Invariants::hold($site, $known);
                    $this->somebodyWrites($site, $steps[0][1]);
                }
            });
    }

    private function somebodyWrites(MemorySite $site, int $n): void
    {
        $ids = array_keys($site->pages);
        $site->write((string) $ids[$n % count($ids)], $n % 2 === 0 ? new PageTexts("Heading $n") : null);
    }

    #[Test]
    public function planning_twice_gives_one_digest_and_any_other_effect_another(): void
    {
        $this->limitTo(100)
            ->forAll(RandomChanges::batches())
            ->then(function (array $batches): void {
                $site = $this->site();
                foreach ($batches as $steps) {
                    $first = RandomChanges::planned($site, $steps);
                    if ($first === null) {
                        continue;
                    }
                    self::assertSame($first->digest(), RandomChanges::planned($site, $steps)?->digest());
                    $site->carryOut($first);
                    $again = RandomChanges::planned($site, $steps);
                    if ($again !== null && ! $again->changesNothing() && ! $first->changesNothing()) {
                        self::assertNotSame($first->digest(), $again->digest());
                    }
                }
            });
    }

    #[Test]
    public function the_menu_effects_are_the_difference_between_the_menus_before_and_after(): void
    {
        $this->limitTo(400)
            ->forAll(RandomChanges::batches())
            ->then(function (array $batches): void {
                $site = $this->site();
                foreach ($batches as $steps) {
                    $before = $this->shown($site);
                    $ripple = RandomChanges::planned($site, $steps);
                    if ($ripple === null) {
                        continue;
                    }
                    $site->carryOut($ripple);
                    $after = $this->shown($site);
                    $expected = $said = [];
                    foreach ($before + $after as $key => $_) {
                        $kind = match (true) {
                            ! isset($after[$key]) => 'vanishes',
                            ! isset($before[$key]) => 'appears',
                            $before[$key][0] !== $after[$key][0] => 'moves',
                            $before[$key][1] !== $after[$key][1] => 'relabels',
                            default => null,
                        };
                        if ($kind !== null) {
                            $expected[$key] = $kind;
                        }
                    }
                    foreach ($ripple->menusAndLinks->entries as $effect) {
                        $said["{$effect->menu->id} $effect->entry $effect->page"] = $effect->kind->value;
                    }
                    $said = $this->withoutJustifiedMoves($said, $expected, $before, $after);
                    ksort($expected);
                    ksort($said);
                    self::assertSame($expected, $said);
                }
            });
    }

    /**
     * Another order among siblings that visitors see before and after is a move that the entries alone do not tell: of any
     * two that changed sides one is said to move (or, in the order of the alphabet, to have another name), and nothing is
     * said to move that passed nobody.
     *
     * @param  array<string, string>  $said
     * @param  array<string, string>  $expected
     * @param  array<string, array{string, string}>  $before  in the order in which they are seen
     * @param  array<string, array{string, string}>  $after
     * @return array<string, string>
     */
    private function withoutJustifiedMoves(array $said, array $expected, array $before, array $after): array
    {
        $siblings = [];
        foreach ($before as $key => [$under]) {
            if (isset($after[$key]) && $after[$key][0] === $under) {
                $siblings[explode(' ', $key)[0].' '.$under][] = $key;
            }
        }
        $rank = array_flip(array_keys($after));
        $passed = [];
        foreach ($siblings as $keys) {
            foreach ($keys as $i => $first) {
                foreach (array_slice($keys, $i + 1) as $second) {
                    if ($rank[$first] > $rank[$second]) {
                        $passed[$first] = $passed[$second] = true;
                        self::assertTrue(
                            array_intersect([$said[$first] ?? '', $said[$second] ?? ''], ['moves', 'relabels']) !== [],
                            "$first and $second changed sides, and neither is said to have moved.",
                        );
                    }
                }
            }
        }
        foreach ($said as $key => $kind) {
            if ($kind === 'moves' && ($expected[$key] ?? null) !== 'moves' && isset($passed[$key])) {
                $said[$key] = $expected[$key] ?? null;
            }
        }

        return array_filter($said);
    }

    #[Test]
    public function a_page_placed_beside_another_stands_there_whatever_the_order_was(): void
    {
        $this->limitTo(150)
            ->forAll(
                Generators::vector(
                    30,
                    Generators::tuple(Generators::choose(0, 7), Generators::choose(0, 7), Generators::elements(['before', 'after', 'first', 'last'])),
                ),
            )
            ->then(function (array $moves): void {
                $site = new MemorySite();
                $model = [];
                foreach (range(0, 7) as $n) {
                    $model[] = $site->draft("P$n");
                }
                foreach ($moves as [$which, $beside, $how]) {
                    if ($which === $beside) {
                        continue;
                    }
                    $site->apply(
                        new Move(
                            "P$which",
                            match ($how) {
                                'before' => Place::before("P$beside"),
                                'after' => Place::after("P$beside"),
                                'first' => Place::firstIn(null),
                                default => Place::lastIn(null),
                            },
                        ),
                    );
                    $model = array_values(array_diff($model, ["P$which"]));
                    $at = match ($how) {
                        'before' => (int) array_search("P$beside", $model, true),
                        'after' => (int) array_search("P$beside", $model, true) + 1,
                        'first' => 0,
                        default => count($model),
                    };
                    array_splice($model, $at, 0, ["P$which"]);
                    self::assertSame($model, array_keys($site->childOrder(null)));
                }
            });
    }

    #[Test]
    public function every_way_out_that_is_offered_leads_out(): void
    {
        $this->limitTo(300)
            ->forAll(RandomChanges::batches())
            ->then(function (array $batches): void {
                $site = $this->site();
                foreach ($batches as $steps) {
                    $batch = RandomChanges::over($site)->batch($steps);
                    try {
                        $ripple = $site->planBatch($batch);
                    } catch (Refusal) {
                        continue;
                    }
                    if ($ripple->canBeApplied()) {
                        $site->carryOut($ripple);
                    }
                    foreach ($ripple->toDecide->conflicts as $conflict) {
                        foreach ($conflict->waysOut as $way) {
                            if ($way->changes !== [] || $way->decisions !== []) {
                                $this->leadsOut($site, $batch, $conflict, $way);
                            }
                        }
                    }
                }
            });
    }

    private function leadsOut(MemorySite $site, Batch $batch, Conflict $conflict, WayOut $way): void
    {
        $out = $site->planBatch(
            new Batch([...$batch->changes, ...$way->changes], Decisions::elseDefaults(...$batch->decisions->made, ...$way->decisions)),
        );
        $still = array_filter(
            $out->toDecide->conflicts,
            static fn (Conflict $other): bool => $other->page === $conflict->page &&
                $other->rule === $conflict->rule &&
                $other->held->says($conflict->held),
        );
        self::assertCount(
            0,
            $still,
            "The way out “{$way->kind->value}” leads back to the same conflict at {$conflict->address->path}: ".
                json_encode(array_map(static fn (Change $change): array => $change->toArray(), $batch->changes)),
        );
    }

    #[Test]
    public function whatever_is_undone_of_what_was_done_in_whatever_order_every_invariant_holds(): void
    {
        $this->limitTo(300)
            ->forAll(RandomChanges::batches(), Generators::seq(Generators::choose(0, 11)))
            ->then(function (array $batches, array $order): void {
                $site = $this->site();
                $done = [];
                foreach ($batches as $steps) {
                    $ripple = RandomChanges::planned($site, $steps);
                    if ($ripple !== null && ! $ripple->changesNothing()) {
                        $done[] = $site->carryOut($ripple);
                    }
                }
                foreach (array_unique($order) as $which) {
                    if (! isset($done[$which])) {
                        continue;
                    }
                    $before = $this->known($site);
                    $back = $site->planUndoing($done[$which]);
                    if ($back->canBeApplied()) {
                        $site->carryOut($back);
                        $given = array_map(static fn (): bool => true, array_filter(array_column($done[$which]->addresses->claims->toList(), 'after', 'key')));
                        Invariants::hold($site, array_diff_key($before, $given));
                    }
                }
            });
    }

    #[Test]
    public function undoing_several_at_once_is_taking_them_back_one_by_one(): void
    {
        $this->limitTo(200)
            ->forAll(RandomChanges::batches())
            ->then(function (array $batches): void {
                $site = $this->site();
                $start = $site->snapshot();
                $done = [];
                foreach ($batches as $steps) {
                    $ripple = RandomChanges::planned($site, $steps);
                    if ($ripple !== null && ! $ripple->changesNothing()) {
                        array_unshift($done, $site->carryOut($ripple));
                    }
                }
                if ($done !== []) {
                    $site->carryOut($site->planUndoing(...$done));
                    self::assertSame($start, $site->snapshot());
                }
            });
    }

    private function site(AddressRules $rules = new AddressRules()): MemorySite
    {
        $site = new MemorySite($rules);
        $site->authority = Authority::Owner;
        $site->startPage = 'Home';
        $site->live('Home');
        $site->live('Help');
        $site->live('Times', 'Help');
        $site->live('Summer', 'Times');
        $site->live('Travel');
        $site->live('Fares', 'Travel');
        $site->draft('Hidden');
        $site->live('Below', 'Hidden');

        return $site;
    }

    /** @return array<string, array{string, string}> what whoever sees of all menus: what it stands under, and its label, by menu, entry and page */
    private function shown(MemorySite $site): array
    {
        $shown = [];
        $resolver = new MenuResolver($site, Moment::at($site->now), Viewer::anybody());
        foreach ($site->menus as $menu) {
            $this->flatten($resolver->shown($menu), $menu->id, '', $shown);
        }

        return $shown;
    }

    /**
     * @param  list<ResolvedEntry>  $entries
     * @param  array<string, array{string, string}>  $shown
     */
    private function flatten(array $entries, string $menu, string $under, array &$shown): void
    {
        foreach ($entries as $entry) {
            $shown["$menu $entry->entry $entry->page"] = [$under, $entry->label];
            // What stands under an entry made by hand stays there, whatever page that leads to.
            $this->flatten($entry->under, $menu, $entry->kind === EntryKind::Branch ? "$entry->entry $entry->page" : $entry->entry, $shown);
        }
    }

    /** @return array<string, true> keys at which visitors ever got a page */
    private function known(MemorySite $site): array
    {
        return array_map(static fn (): bool => true, array_filter($site->claims, static fn ($claim): bool => $claim->everLive));
    }
}
