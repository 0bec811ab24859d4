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
use Heronstem\Core\Change\RestoredState;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\Question;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Ripple\WayOut;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RefusesChanges;

final class BinTest extends TestCase
{
    use RefusesChanges;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        $this->site->startPage = 'Home';
        $this->site->live('Home');
        $this->site->live('Travel');
        $this->site->live('Times', 'Travel');
        $this->site->live('Summer', 'Times');
        $this->site->draft('Winter', 'Times');
    }

    #[Test]
    public function a_page_stays_with_what_it_went_into_the_bin_with_whatever_move_is_undone(): void
    {
        $this->site->draft('Ideas');
        $this->site->draft('Inside', 'Ideas');
        $moved = $this->site->apply(new Move('Winter', Place::lastIn('Inside')));
        $this->site->apply(new PutInBin('Ideas'));
        $ripple = $this->site->planUndoing($moved);
        self::assertSame(['stays'], array_map(static fn (Note $note): string => $note->kind->value, $ripple->toDecide->notes));
        $this->site->carryOut($ripple);
        self::assertSame(['Inside', 'Ideas'], [$this->site->page('Winter')?->parent, $this->site->page('Winter')?->bin]);
        $this->site->apply(new DeleteForGood('Ideas'));
        self::assertNull($this->site->page('Winter'), 'It is deleted with what it lies in.');
    }

    #[Test]
    public function a_retired_branch_asks_what_its_addresses_answer_and_says_how_many_go_along(): void
    {
        $ripple = $this->site->plan(new PutInBin('Times'));
        self::assertFalse($ripple->canBeApplied());
        self::assertSame(
            [['children-of', 2], ['retired', 2]],
            array_map(static fn (Question $question): array => [$question->kind->value, $question->count], $ripple->toDecide->questions),
        );
        self::assertSame('Travel', $ripple->toDecide->questions[1]->heir?->name);
        self::assertSame('2', $ripple->toDecide->notes[0]->other);
        $this->bin('Times');
        self::assertSame(
            ['redirect /travel', 'redirect /travel', 'missed'],
            [$this->site->answer('/travel/times'), $this->site->answer('/travel/times/summer'), $this->site->answer('/travel/times/winter')],
        );
    }

    #[Test]
    public function retired_addresses_can_be_gone_or_led_to_another_page(): void
    {
        $this->bin('Summer', Decision::answer(QuestionKind::Retired, 'Summer', Answer::Gone));
        self::assertSame('gone', $this->site->answer('/travel/times/summer'));
        $this->bin('Times', Decision::answer(QuestionKind::Retired, 'Times', Answer::Page, 'Home'));
        self::assertSame('redirect /', $this->site->answer('/travel/times'));
        $this->expectExceptionMessageMatches('/not live/');
        $this->site->draft('Draft');
        $this->bin('Travel', Decision::answer(QuestionKind::Retired, 'Travel', Answer::Page, 'Draft'));
    }

    #[Test]
    public function former_addresses_of_a_retired_page_answer_like_its_own(): void
    {
        $this->site->apply(new Move('Summer', Place::lastIn('Travel')));
        $this->bin('Summer');
        self::assertSame(
            ['redirect /travel', 'redirect /travel'],
            [$this->site->answer('/travel/times/summer'), $this->site->answer('/travel/summer')],
        );
        $this->site->apply(new BringBack('Summer'));
        self::assertSame(
            ['redirect /travel/summer', 'page Summer'],
            [$this->site->answer('/travel/times/summer'), $this->site->answer('/travel/summer')],
        );
    }

    #[Test]
    public function children_may_move_up_instead_of_going_along(): void
    {
        $this->bin('Times', Decision::answer(QuestionKind::ChildrenOf, 'Times', Answer::Up));
        self::assertSame(['Summer', 'Winter'], array_keys($this->site->childOrder('Travel')));
        self::assertSame(
            ['page Summer', 'redirect /travel/summer'],
            [$this->site->answer('/travel/summer'), $this->site->answer('/travel/times/summer')],
        );
    }

    #[Test]
    public function a_page_comes_back_where_it_was_or_where_one_chooses(): void
    {
        $before = $this->site->snapshot();
        $this->bin('Times');
        $this->refused('changes.0.place', 'in the bin and takes part in nothing', new Make('New', PageName::of('New'), Place::lastIn('Times')));
        $this->refused('changes.0.page', 'went into the bin with “Times”', new BringBack('Summer'));
        $this->site->apply(new BringBack('Times'));
        self::assertSame($before, $this->site->snapshot());
        $this->bin('Summer');
        $this->bin('Times');
        $this->refused('changes.0.place', 'is in the bin too', new BringBack('Summer'));
        $this->site->apply(new BringBack('Summer', Place::lastIn(null), RestoredState::Offline));
        self::assertSame(['hidden Summer', 'hidden Summer'], [$this->site->answer('/summer'), $this->site->answer('/travel/times/summer')]);
    }

    #[Test]
    public function an_address_held_by_a_page_in_the_bin_is_explained_and_given_up_on_demand(): void
    {
        $this->bin('Winter');
        $make = new Make('New', PageName::of('New'), Place::lastIn('Times'), Slug::of('winter'));
        $conflict = $this->site->plan($make)->toDecide->conflicts[0];
        self::assertSame('Winter', $conflict->holder?->name);
        self::assertSame(
            ['take-over', 'delete-for-good', 'free-slug', 'choose-another'],
            array_map(static fn (WayOut $way): string => $way->kind->value, $conflict->waysOut),
        );
        $this->site->carryOut($this->site->planBatch(new Batch([$make], Decisions::of(...$conflict->waysOut[0]->decisions))));
        self::assertSame(['hidden New', true], [$this->site->answer('/travel/times/winter'), $this->site->pages['Winter']->isBinned()]);
        self::assertSame('New', $this->site->plan(new BringBack('Winter'))->toDecide->conflicts[0]->holder?->name);
    }

    #[Test]
    public function a_page_brought_back_gets_its_addresses_even_from_an_heir_that_is_retired_with_the_same_batch(): void
    {
        $this->site->live('Offers');
        $this->bin('Summer', Decision::answer(QuestionKind::Retired, 'Summer', Answer::Page, 'Offers'));
        self::assertSame('redirect /offers', $this->site->answer('/travel/times/summer'));
        $this->site->carryOut(
            $this->site->planBatch(new Batch([new PutInBin('Offers'), new BringBack('Summer', Place::lastIn(null))], Decisions::elseDefaults())),
        );
        self::assertSame(['page Summer', 'redirect /summer'], [$this->site->answer('/summer'), $this->site->answer('/travel/times/summer')]);
    }

    #[Test]
    public function emptying_keeps_what_visitors_know_answering_and_frees_the_rest(): void
    {
        $this->bin('Times');
        $ripple = $this->site->apply(new DeleteForGood('Times'));
        self::assertArrayNotHasKey('Summer', $this->site->pages);
        self::assertSame(
            ['redirect /travel', false],
            [$this->site->answer('/travel/times/summer'), isset($this->site->claims['/travel/times/winter'])],
        );
        $this->site->undo($ripple);
        $this->site->apply(new BringBack('Times'));
        self::assertSame('page Summer', $this->site->answer('/travel/times/summer'));
    }

    #[Test]
    public function emptying_a_page_leaves_what_was_binned_from_inside_it_without_an_old_place(): void
    {
        $this->bin('Summer');
        $this->bin('Times');
        $this->site->apply(new DeleteForGood('Times'));
        self::assertNull($this->site->pages['Summer']->parent);
        $this->site->apply(new BringBack('Summer'));
        self::assertSame('page Summer', $this->site->answer('/summer'));
    }

    #[Test]
    public function the_start_page_is_not_retired_nor_is_anything_it_lies_in(): void
    {
        $this->refused('changes.0.page', 'start page', new PutInBin('Home'));
        $this->site->apply(new Move('Home', Place::lastIn('Times')));
        $this->refused('changes.0.page', '“Home” lies inside “Travel” and is the start page', new PutInBin('Travel'));
        $this->refused('changes.0.page', 'not in the bin', new DeleteForGood('Travel'));
        $this->bin('Winter');
        $this->refused('changes.0.page', 'in the bin already', new PutInBin('Winter'));
    }

    #[Test]
    public function going_live_with_the_branch_asks_about_the_drafts_below(): void
    {
        $ripple = $this->site->plan(new GoLive('Times', \Heronstem\Core\Change\Scope::Branch));
        self::assertSame([QuestionKind::DraftsBelow, 1], [$ripple->toDecide->open()[0]->kind, $ripple->toDecide->open()[0]->count]);
        $all = Decisions::of(Decision::answer(QuestionKind::DraftsBelow, 'Times', Answer::Live));
        $this->site->carryOut($this->site->planBatch(new Batch([new GoLive('Times', \Heronstem\Core\Change\Scope::Branch)], $all)));
        self::assertSame('page Winter', $this->site->answer('/travel/times/winter'));
    }

    private function bin(string $page, Decision ...$decisions): Ripple
    {
        return $this->site->carryOut($this->site->planBatch(new Batch([new PutInBin($page)], Decisions::elseDefaults(...$decisions))));
    }
}
