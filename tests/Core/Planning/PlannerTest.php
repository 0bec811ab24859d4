<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Ripple\MenuEffectKind;
use Heronstem\Core\Ripple\WayOut;
use Heronstem\Core\Ripple\WayOutKind;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RefusesChanges;

final class PlannerTest extends TestCase
{
    use RefusesChanges;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        $this->site->live('Help');
        $this->site->live('Timetables', 'Help');
        $this->site->live('Summer', 'Timetables');
        $this->site->live('Travel');
        $this->site->live('Fares', 'Travel');
    }

    #[Test]
    public function a_page_moved_under_another_keeps_its_old_addresses_answering(): void
    {
        $this->site->links = 9;
        $ripple = $this->site->apply(new Move('Timetables', Place::lastIn('Travel')));

        self::assertSame(['/help/timetables', '/help/timetables/summer'], $ripple->addresses->moves->each(fn ($move) => $move->from->path));
        self::assertCount(2, $ripple->addresses->redirectsWritten);
        self::assertSame(9, $ripple->menusAndLinks->linksFollow);
        self::assertTrue($ripple->matters());
        self::assertSame('page Summer', $this->site->answer('/travel/timetables/summer'));
        self::assertSame('redirect /travel/timetables/summer', $this->site->answer('/Help/Timetables/Summer'));
    }

    #[Test]
    public function moving_twice_still_takes_one_hop(): void
    {
        $this->site->apply(new Move('Timetables', Place::lastIn('Travel')));
        $this->site->apply(new SetSlug('Timetables', Slug::of('times')));

        self::assertSame('redirect /travel/times/summer', $this->site->answer('/help/timetables/summer'));
        self::assertSame('redirect /travel/times/summer', $this->site->answer('/travel/timetables/summer'));
    }

    #[Test]
    public function a_page_that_comes_home_drops_its_redirect(): void
    {
        $this->site->apply(new Move('Timetables', Place::lastIn('Travel')));
        $ripple = $this->site->apply(new Move('Timetables', Place::lastIn('Help')));

        self::assertSame(
            ['/help/timetables', '/help/timetables/summer'],
            $ripple->addresses->redirectsDropped->each(fn ($claim) => $claim->address->path),
        );
        self::assertSame('page Timetables', $this->site->answer('/help/timetables'));
        self::assertSame('redirect /help/timetables', $this->site->answer('/travel/timetables'));
    }

    #[Test]
    public function a_draft_moves_without_leaving_anything_behind(): void
    {
        $this->site->draft('Winter', 'Timetables');
        $ripple = $this->site->apply(new Move('Winter', Place::lastIn('Travel')));

        self::assertCount(0, $ripple->addresses->redirectsWritten);
        self::assertFalse($ripple->matters());
        self::assertSame('missed', $this->site->answer('/help/timetables/winter'));
    }

    #[Test]
    public function the_slug_follows_the_name_until_somebody_sets_it_or_visitors_saw_the_page(): void
    {
        $this->site->draft('Winter');
        $this->site->apply(new Rename('Winter', PageName::of('Winter sailings')));
        self::assertSame('/winter-sailings', $this->site->pages['Winter']->address->path);

        $this->site->apply(new SetSlug('Winter', Slug::of('cold')));
        $this->site->apply(new Rename('Winter', PageName::of('In winter')));
        self::assertSame('/cold', $this->site->pages['Winter']->address->path);

        $this->site->apply(new Rename('Fares', PageName::of('Prices')));
        self::assertSame('/travel/fares', $this->site->pages['Fares']->address->path);
    }

    #[Test]
    public function a_taken_address_is_a_conflict_with_its_holder_and_the_ways_out(): void
    {
        $this->site->draft('Prices', 'Travel');
        $ripple = $this->site->plan(new SetSlug('Prices', Slug::of('Fares')));

        self::assertFalse($ripple->canBeApplied());
        $conflict = $ripple->toDecide->conflicts[0];
        self::assertSame('Fares', $conflict->holder?->name);
        self::assertSame([WayOutKind::FreeSlug, WayOutKind::ChooseAnother], $this->kinds($conflict->waysOut));
        self::assertSame('Fares-2', $conflict->waysOut[0]->slug?->text);
    }

    #[Test]
    public function a_free_slug_steps_over_those_that_are_taken(): void
    {
        $this->site->draft('Fares two', 'Travel', 'fares-2');
        $conflict = $this->site->plan(new Make('New', PageName::of('Fares'), Place::lastIn('Travel')))->toDecide->conflicts[0];
        self::assertSame('fares-3', $conflict->waysOut[0]->slug?->text);
        $this->site->carryOut($this->site->plan(new Make('New', PageName::of('Fares'), Place::lastIn('Travel')), ...$conflict->waysOut[0]->changes));
        self::assertSame('/travel/fares-3', $this->site->pages['New']->address->path);
    }

    #[Test]
    public function two_siblings_can_swap_their_addresses(): void
    {
        $this->site->live('Prices', 'Travel');
        $set = new SetSlug('Prices', Slug::of('fares'));
        $swap = $this->site->plan($set)->toDecide->conflicts[0]->waysOut[1];
        self::assertSame(WayOutKind::Swap, $swap->kind);
        $ripple = $this->site->apply($set, ...$swap->changes);

        self::assertSame('page Prices', $this->site->answer('/travel/fares'));
        self::assertSame('page Fares', $this->site->answer('/travel/prices'));
        self::assertSame([NoteKind::AddressTakenOver, NoteKind::AddressTakenOver], array_map(fn ($note) => $note->kind, $ripple->toDecide->notes));
    }

    #[Test]
    public function another_pages_redirect_gives_way_only_when_that_is_decided(): void
    {
        $this->site->apply(new Move('Timetables', Place::lastIn('Travel')));
        $make = new Make('New', PageName::of('Timetables'), Place::lastIn('Help'));
        $conflict = $this->site->plan($make)->toDecide->conflicts[0];
        self::assertSame(WayOutKind::ReplaceRedirect, $conflict->waysOut[0]->kind);

        $this->site->carryOut($this->site->planBatch(new Batch([$make], Decisions::of(...$conflict->waysOut[0]->decisions))));
        self::assertSame('hidden Timetables', $this->site->answer('/help/timetables'));
    }

    #[Test]
    public function a_reserved_address_is_nobodys(): void
    {
        $conflict = $this->site->plan(new Make('New', PageName::of('Robots'), Place::lastIn(null), Slug::of('robots.txt')))->toDecide->conflicts[0];
        self::assertSame('reserved', $conflict->held->kind->value);
        self::assertSame([WayOutKind::FreeSlug, WayOutKind::ChooseAnother], $this->kinds($conflict->waysOut));
    }

    #[Test]
    public function a_page_can_be_placed_anywhere_among_its_siblings(): void
    {
        foreach (['One', 'Two', 'Three'] as $name) {
            $this->site->draft($name, 'Fares');
        }
        $this->site->apply(new Move('Three', Place::before('One')));
        $this->site->apply(new Move('One', Place::after('Two')));
        self::assertSame(['Three', 'Two', 'One'], array_keys($this->site->childOrder('Fares')));
        $this->site->apply(new Move('One', Place::firstIn('Fares')));
        self::assertSame(['One', 'Three', 'Two'], array_keys($this->site->childOrder('Fares')));
    }

    #[Test]
    public function placing_between_the_same_two_never_runs_out_of_room(): void
    {
        $this->site->draft('A', 'Fares');
        $this->site->draft('Z', 'Fares');
        for ($i = 0; $i < 40; $i++) {
            $this->site->draft("P$i", 'Fares');
            $this->site->apply(new Move("P$i", Place::after('A')));
        }
        $order = array_keys($this->site->childOrder('Fares'));
        self::assertSame(['A', 'P39', 'P38'], array_slice($order, 0, 3));
        self::assertSame('Z', end($order));
    }

    #[Test]
    public function the_menu_from_the_tree_follows(): void
    {
        $ripple = $this->site->plan(new Move('Timetables', Place::lastIn(null)));
        self::assertEquals(
            [[MenuEffectKind::Moves, 'Timetables', null], [MenuEffectKind::Appears, 'Summer', 'Timetables']],
            array_map(fn ($effect) => [$effect->kind, $effect->label, $effect->under], $ripple->menusAndLinks->entries),
        );
        self::assertSame(MenuEffectKind::Vanishes, $this->site->plan(new TakeOffline('Fares'))->menusAndLinks->entries[0]->kind);
        self::assertSame(MenuEffectKind::Relabels, $this->site->plan(new Rename('Fares', PageName::of('Prices')))->menusAndLinks->entries[0]->kind);
        self::assertSame([], $this->site->plan(new Rename('Summer', PageName::of('In summer')))->menusAndLinks->entries);
    }

    #[Test]
    public function going_live_under_a_hidden_parent_is_allowed_and_said(): void
    {
        $this->site->draft('Hidden');
        $this->site->draft('Inside', 'Hidden');
        $ripple = $this->site->apply(new GoLive('Inside'));
        self::assertSame([NoteKind::LiveUnderHidden, 'Hidden'], [$ripple->toDecide->notes[0]->kind, $ripple->toDecide->notes[0]->other]);
        self::assertSame(['Inside'], $ripple->pages->goLive);
    }

    #[Test]
    public function a_page_taken_offline_keeps_its_address(): void
    {
        $ripple = $this->site->apply(new TakeOffline('Fares'));
        self::assertSame(['Fares'], $ripple->pages->goOffline);
        self::assertTrue($ripple->matters());
        self::assertSame('hidden Fares', $this->site->answer('/travel/fares'));
    }

    #[Test]
    public function the_start_page_answers_at_the_root_and_keeps_its_slug(): void
    {
        $site = new MemorySite();
        $site->startPage = 'Home';
        $site->live('Home');
        $site->live('Travel', 'Home');
        self::assertSame(
            ['/', 'home', '/travel'],
            [$site->pages['Home']->address->path, $site->pages['Home']->slug->text, $site->pages['Travel']->address->path],
        );
        self::assertSame(NoteKind::StartPageHidden, $site->plan(new TakeOffline('Home'))->toDecide->notes[0]->kind);
    }

    #[Test]
    public function a_pinned_address_follows_neither_name_nor_parent_and_its_children_follow_it(): void
    {
        $pinned = $this->site->pages['Timetables']->with(['pinned' => Address::set('/times', $this->site->rules)]);
        $this->site->pages['Timetables'] = $pinned;
        $this->site->apply(new Move('Timetables', Place::lastIn('Travel')));
        self::assertSame(['/times', '/times/summer'], [$this->site->pages['Timetables']->address->path, $this->site->pages['Summer']->address->path]);
        $this->site->apply(new SetSlug('Timetables', Slug::of('else')), new Move('Timetables', Place::lastIn(null)));
        self::assertSame('page Timetables', $this->site->answer('/times'));
    }

    #[Test]
    public function what_the_structure_forbids_is_refused_naming_change_and_field(): void
    {
        $this->refused('changes.0.place', 'lies inside', new Move('Help', Place::lastIn('Summer')));
        $this->refused('changes.0.place', 'itself', new Move('Help', Place::after('Help')));
        $this->refused('changes.1.page', 'no page', new GoLive('Fares'), new GoLive('Nobody'));
        $this->refused('changes.0.page', 'already', new Make('Fares', PageName::of('Fares'), Place::lastIn(null)));
        $this->refused('changes.0.place', 'no page', new Make('New', PageName::of('New'), Place::after('Nobody')));
        $this->site->draft('Draft');
        $this->refused('changes.0.page', 'not live', new TakeOffline('Draft'));
    }

    #[Test]
    public function two_moves_that_together_make_a_cycle_are_refused(): void
    {
        $this->refused('changes.1.place', 'lies inside', new Move('Travel', Place::lastIn('Help')), new Move('Help', Place::lastIn('Fares')));
    }

    #[Test]
    public function the_tree_is_at_most_thirty_two_levels_deep(): void
    {
        $parent = null;
        for ($level = 1; $level <= 32; $level++) {
            $parent = $this->site->draft("Level $level", $parent);
        }
        $this->refused('place', '32 levels', new Make('Deep', PageName::of('Deep'), Place::lastIn($parent)));
        $this->refused('place', '32 levels', new Move('Help', Place::lastIn('Level 30')));
    }

    #[Test]
    public function a_site_with_suffix_moves_its_branches_too(): void
    {
        $site = new MemorySite(new AddressRules(suffix: '.html'));
        $site->live('Help');
        $site->live('Times', 'Help');
        $site->live('Travel');
        $site->apply(new Move('Times', Place::lastIn('Travel')));
        self::assertSame('redirect /travel/times.html', $site->answer('/help/times'));
    }

    /**
     * @param  list<WayOut>  $ways
     * @return list<WayOutKind>
     */
    private function kinds(array $ways): array
    {
        return array_map(fn (WayOut $way) => $way->kind, $ways);
    }
}
