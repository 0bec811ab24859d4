<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\BringBack;
use Heronstem\Core\Change\DeleteForGood;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Change\SetStartPage;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

final class UndoTest extends TestCase
{
    #[Test]
    public function a_page_brought_back_into_what_goes_to_the_bin_in_the_same_batch_lies_on_its_own_again(): void
    {
        $site = new MemorySite();
        $site->live('Help');
        $site->live('Travel');
        $site->carryOut($site->planBatch(new Batch([new PutInBin('Travel')], Decisions::elseDefaults())));
        $before = $site->snapshot();
        $ripple = $site->planBatch(new Batch([new BringBack('Travel', Place::lastIn('Help')), new PutInBin('Help')], Decisions::elseDefaults()));
        $site->carryOut($ripple);
        self::assertSame(['Help', 'Help'], [$site->pages['Travel']->parent, $site->pages['Travel']->bin]);
        $after = $site->snapshot();
        $back = $site->undo($ripple);
        self::assertSame($before, $site->snapshot());
        $site->undo($back);
        self::assertSame($after, $site->snapshot());
    }

    #[Test]
    public function a_page_that_has_moved_on_since_it_was_brought_back_keeps_the_address_of_its_place(): void
    {
        $site = new MemorySite();
        $site->live('Travel', slug: 'travel');
        $site->live('Times', 'Travel', slug: 'times');
        $site->carryOut($site->planBatch(new Batch([new PutInBin('Travel')], Decisions::elseDefaults())));
        $brought = $site->apply(new BringBack('Travel'));
        $site->apply(new Move('Times', Place::lastIn(null)));
        $site->apply(new TakeOffline('Times'));
        $taken = $site->undo($brought);
        self::assertContains(NoteKind::Stays, array_map(static fn (Note $note): NoteKind => $note->kind, $taken->toDecide->notes));
        self::assertTrue($site->pages['Travel']->isBinned());
        self::assertSame('/times', $site->pages['Times']->address->path);
        self::assertSame('Times', $site->claims['/times']->page);
    }

    #[Test]
    public function a_move_undone_and_redone_leaves_no_trace(): void
    {
        $site = $this->site();
        $before = $site->snapshot();
        $moved = $site->apply(new Move('Timetables', Place::firstIn('Travel')));
        $after = $site->snapshot();
        $back = $site->undo($moved);
        self::assertSame($before, $site->snapshot());
        $site->undo($back);
        self::assertSame($after, $site->snapshot());
    }

    #[Test]
    public function a_page_made_since_in_the_moved_branch_keeps_its_address_answering(): void
    {
        $site = $this->site();
        $moved = $site->apply(new Move('Timetables', Place::lastIn('Travel')));
        $site->live('Winter', 'Timetables');
        $site->undo($moved);
        self::assertSame('page Winter', $site->answer('/help/timetables/winter'));
        self::assertSame('redirect /help/timetables/winter', $site->answer('/travel/timetables/winter'));
    }

    #[Test]
    public function what_has_changed_again_since_stays_and_is_said(): void
    {
        $site = $this->site();
        $moved = $site->apply(new Move('Timetables', Place::lastIn('Travel')));
        $site->apply(new Move('Timetables', Place::lastIn(null)));
        $back = $site->planUndoing($moved);
        self::assertTrue($back->changesNothing());
        self::assertEquals([new Note(NoteKind::Stays, 'Timetables', 'Timetables', 'place')], $back->toDecide->notes);
    }

    #[Test]
    public function a_page_that_has_pages_inside_by_now_cannot_be_unmade(): void
    {
        $site = $this->site();
        $made = $site->apply(new Make('New', PageName::of('New'), Place::lastIn(null)));
        $site->draft('Inside', 'New');
        $back = $site->planUndoing($made);
        self::assertTrue($back->changesNothing());
        self::assertEquals([new Note(NoteKind::StaysMade, 'New', 'New', '1')], $back->toDecide->notes);
    }

    #[Test]
    public function what_was_moved_into_a_made_page_and_has_no_place_to_go_back_to_stays_in_it(): void
    {
        $site = $this->site();
        $made = $site->apply(
            new Make('Outer', PageName::of('Outer'), Place::lastIn(null)),
            new Make('New', PageName::of('New'), Place::lastIn('Outer')),
            new Move('Summer', Place::lastIn('New')),
            new Move('Fares', Place::lastIn('New')),
        );
        $site->draft('Loose', 'New');
        foreach (['Loose', 'Timetables', 'Travel'] as $page) {
            $site->carryOut($site->planBatch(new Batch([new PutInBin($page)], Decisions::elseDefaults())));
        }
        $back = $site->undo($made);
        self::assertSame(['New', 'New', 'New'], [$site->pages['Summer']->parent, $site->pages['Fares']->parent, $site->pages['Loose']->parent]);
        self::assertSame('Outer', $site->pages['New']->parent);
        self::assertContainsEquals(new Note(NoteKind::StaysMade, 'Outer', 'Outer', '1'), $back->toDecide->notes);
        self::assertContainsEquals(new Note(NoteKind::StaysMade, 'New', 'New', '2'), $back->toDecide->notes);
    }

    #[Test]
    public function what_lies_in_the_bin_with_a_page_that_is_taken_out_of_it_lies_there_on_its_own(): void
    {
        $site = $this->site();
        $bin = new Batch([new PutInBin('Fares')], Decisions::elseDefaults());
        $binned = $site->carryOut($site->planBatch($bin));
        $site->apply(new Make('Inside', PageName::of('Inside'), Place::lastIn('Travel')));
        $site->undo($binned);
        $site->apply(new Move('Inside', Place::lastIn('Fares')));
        $site->carryOut($site->planBatch($bin));
        self::assertSame('Fares', $site->pages['Inside']->bin);
        $site->undo($binned);
        self::assertSame(['Fares', 'Inside'], [$site->pages['Inside']->parent, $site->pages['Inside']->bin]);
        self::assertFalse($site->pages['Fares']->isBinned());
    }

    #[Test]
    public function a_page_made_in_the_bin_again_stays_while_others_lie_there_with_it(): void
    {
        $site = $this->site();
        $site->draft('Outer');
        $site->draft('Inner', 'Outer');
        $gone = $site->apply(new PutInBin('Outer'));
        $deleted = $site->apply(new DeleteForGood('Outer'));
        $made = $site->undo($deleted);
        $site->undo($gone);
        $site->apply(new Move('Summer', Place::lastIn('Inner')));
        $site->carryOut($site->planBatch(new Batch([new PutInBin('Outer')], Decisions::elseDefaults())));
        $back = $site->planUndoing($made);
        self::assertCount(0, $back->pages->differences);
        self::assertContainsEquals(new Note(NoteKind::StaysMade, 'Inner', 'Inner', '1'), $back->toDecide->notes);
    }

    #[Test]
    public function a_made_page_goes_whenever_in_its_batch_something_was_put_into_it(): void
    {
        $site = $this->site();
        $before = $site->snapshot();
        $made = $site->apply(
            new Move('Summer', Place::lastIn('Travel')),
            new Make('Inner', PageName::of('Inner'), Place::lastIn(null)),
            new Make('Outer', PageName::of('Outer'), Place::lastIn(null)),
            new Move('Inner', Place::lastIn('Outer')),
            new Move('Summer', Place::lastIn('Inner')),
        );
        $site->undo($made);
        self::assertSame($before, $site->snapshot());
    }

    #[Test]
    public function a_page_whose_old_parent_now_lies_inside_it_cannot_go_back(): void
    {
        $site = $this->site();
        $moved = $site->apply(new Move('Timetables', Place::lastIn('Travel')));
        $site->apply(new Move('Help', Place::lastIn('Summer')));
        $back = $site->planUndoing($moved);
        self::assertTrue($back->changesNothing());
        self::assertEquals([new Note(NoteKind::Stays, 'Timetables', 'Timetables', 'place')], $back->toDecide->notes);
    }

    #[Test]
    public function an_address_given_to_somebody_else_since_is_not_taken_from_them(): void
    {
        $site = $this->site();
        $renamed = $site->apply(new SetSlug('Fares', Slug::of('prices')));
        $site->draft('New', 'Travel', 'free');
        $conflict = $site->plan(new SetSlug('New', Slug::of('fares')))->toDecide->conflicts[0];
        $site->carryOut($site->planBatch(new Batch([new SetSlug('New', Slug::of('fares'))], Decisions::of(...$conflict->waysOut[0]->decisions))));
        $ripple = $site->planUndoing($renamed);
        self::assertSame('New', $ripple->toDecide->conflicts[0]->holder?->name);
    }

    #[Test]
    public function what_is_still_as_it_was_left_goes_back_and_the_rest_is_said(): void
    {
        $site = $this->site();
        $moved = $site->apply(
            new Move('Timetables', Place::lastIn('Travel')),
            new Rename('Fares', PageName::of('Prices')),
            new Rename('Travel', PageName::of('Voyages')),
        );
        $site->apply(new Rename('Fares', PageName::of('Rates')));
        $back = $site->planUndoing($moved);
        self::assertEquals([new Note(NoteKind::Stays, 'Fares', 'Rates', 'name')], $back->toDecide->notes);
        $site->carryOut($back);
        self::assertSame(
            ['Help', 'Rates', 'Travel'],
            [$site->pages['Timetables']->parent, $site->pages['Fares']->name, $site->pages['Travel']->name],
        );
    }

    #[Test]
    public function a_page_given_room_among_its_new_siblings_still_goes_back(): void
    {
        $site = $this->site();
        $moved = $site->apply(new Move('Timetables', Place::lastIn('Travel')));
        for ($n = 0; $n < 20; $n++) {
            $site->apply(new Make("N$n", PageName::of("N$n"), Place::before('Timetables')));
        }
        $site->carryOut($site->planUndoing($moved));
        self::assertSame('Help', $site->pages['Timetables']->parent);
    }

    #[Test]
    public function a_page_put_back_into_the_bin_leaves_no_child_behind_in_the_tree(): void
    {
        $site = $this->site();
        $site->carryOut($site->planBatch(new Batch([new PutInBin('Timetables')], Decisions::elseDefaults())));
        $brought = $site->apply(new BringBack('Timetables'));
        $site->draft('Made since', 'Summer');
        $back = $site->planUndoing($brought);
        self::assertTrue($back->changesNothing());
        self::assertContains(NoteKind::Stays, array_column($back->toDecide->notes, 'kind'));
    }

    #[Test]
    public function making_a_page_cannot_be_undone_once_visitors_know_it_or_it_is_the_start_page(): void
    {
        $site = $this->site();
        $made = $site->apply(new Make('New', PageName::of('New'), Place::lastIn(null)), new GoLive('New'));
        $site->apply(new Move('New', Place::lastIn('Travel')));
        self::assertSame(NoteKind::StaysMade, $site->planUndoing($made)->toDecide->notes[0]->kind);
        $other = $site->apply(new Make('Other', PageName::of('Other'), Place::lastIn(null)), new GoLive('Other'));
        $site->apply(new SetStartPage('Other'));
        self::assertSame(NoteKind::StaysMade, $site->planUndoing($other)->toDecide->notes[0]->kind);
    }

    #[Test]
    public function the_start_page_goes_back_unless_it_has_changed_again(): void
    {
        $site = $this->site();
        $first = $site->apply(new SetStartPage('Help'));
        $second = $site->apply(new SetStartPage('Travel'));
        self::assertTrue($site->planUndoing($first)->changesNothing());
        $site->carryOut($site->planUndoing($second, $first));
        self::assertSame(['Home', 'page Home', 'page Help'], [$site->startPage, $site->answer('/'), $site->answer('/help')]);
    }

    #[Test]
    public function an_emptied_page_whose_old_parent_is_gone_too_comes_back_to_the_bin_on_its_own(): void
    {
        $site = $this->site();
        $site->carryOut($site->planBatch(new Batch([new PutInBin('Summer')], Decisions::elseDefaults())));
        $emptied = $site->apply(new DeleteForGood('Summer'));
        $site->carryOut($site->planBatch(new Batch([new PutInBin('Timetables')], Decisions::elseDefaults())));
        $site->apply(new DeleteForGood('Timetables'));
        $site->carryOut($site->planUndoing($emptied));
        self::assertSame([true, null], [$site->pages['Summer']->isBinned(), $site->pages['Summer']->parent]);
    }

    #[Test]
    public function an_entry_of_a_page_that_is_gone_says_so(): void
    {
        $site = $this->site();
        $renamed = $site->apply(new Rename('Summer', PageName::of('Warm months')));
        $site->carryOut($site->planBatch(new Batch([new PutInBin('Summer')], Decisions::elseDefaults())));
        $site->apply(new DeleteForGood('Summer'));
        self::assertSame(NoteKind::IsGone, $site->planUndoing($renamed)->toDecide->notes[0]->kind);
    }

    private function site(): MemorySite
    {
        $site = new MemorySite();
        $site->startPage = 'Home';
        $site->live('Home');
        $site->live('Help');
        $site->live('Timetables', 'Help');
        $site->live('Summer', 'Timetables');
        $site->live('Travel');
        $site->live('Fares', 'Travel');

        return $site;
    }
}
