<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\AddAddress;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\DeleteForGood;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\Scope;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Tree\PersonAtPage;
use Heronstem\Core\Tree\PersonRole;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** What visitors, and people who work on the site, got to have between a change and its being undone. */
final class AddressesInBetweenTest extends TestCase
{
    private MemorySite $site;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        $this->site->live('Fares', slug: 'fares');
    }

    #[Test]
    public function an_address_that_stood_in_between_goes_on_as_a_redirect(): void
    {
        $ripple = $this->site->apply(new SetSlug('Fares', Slug::of('prices')));
        $back = $this->site->undoLater($ripple);
        self::assertSame(['page Fares', 'redirect /fares'], [$this->site->answer('/fares'), $this->site->answer('/prices')]);
        self::assertSame(
            [[QuestionKind::InBetween, 'Fares', 1, Answer::Redirect]],
            array_map(
                static fn ($question): array => [$question->kind, $question->page, $question->count, $question->default],
                $back->toDecide->questions,
            ),
        );
    }

    #[Test]
    public function it_is_let_go_where_that_is_decided_or_it_stood_for_a_moment_only(): void
    {
        $before = $this->site->snapshot();
        $this->site->undo($this->site->apply(new SetSlug('Fares', Slug::of('prices'))));
        self::assertSame($before, $this->site->snapshot(), 'A slip leaves no trace.');
        $this->site->undoLater(
            $this->site->apply(new SetSlug('Fares', Slug::of('prices'))),
            Decision::answer(QuestionKind::InBetween, 'Fares', Answer::Free),
        );
        self::assertSame($before, $this->site->snapshot());
    }

    #[Test]
    public function a_branch_that_was_elsewhere_in_between_keeps_all_its_addresses_answering(): void
    {
        $this->site->live('Bicycles', 'Fares', 'bicycles');
        $back = $this->site->undoLater($this->site->apply(new SetSlug('Fares', Slug::of('prices'))));
        self::assertSame('redirect /fares/bicycles', $this->site->answer('/prices/bicycles'));
        self::assertSame(
            [['Fares', 2]],
            array_map(static fn ($question): array => [$question->page, $question->count], $back->toDecide->questions),
            'It is asked once for the whole branch.',
        );
    }

    #[Test]
    public function a_branch_is_let_go_by_one_answer(): void
    {
        $this->site->draft('Tickets', slug: 'tickets');
        $this->site->draft('Bicycles', 'Tickets', 'bicycles');
        $before = $this->site->snapshot();
        $all = Decisions::of(Decision::answer(QuestionKind::DraftsBelow, 'Tickets', Answer::Live));
        $this->site->undoLater(
            $this->site->carryOut($this->site->planBatch(new Batch([new GoLive('Tickets', Scope::Branch)], $all))),
            Decision::answer(QuestionKind::InBetween, 'Tickets', Answer::Free),
        );
        self::assertSame($before, $this->site->snapshot());
    }

    #[Test]
    public function a_further_address_undone_later_sends_on(): void
    {
        $this->site->undoLater($this->site->apply(AddAddress::serving('Fares', \Heronstem\Core\Address\Address::set('/poster', $this->site->rules))));
        self::assertSame('redirect /fares', $this->site->answer('/poster'));
    }

    #[Test]
    public function a_page_that_was_live_in_between_stays_known_unless_it_is_let_go(): void
    {
        $this->site->draft('Dogs', slug: 'dogs');
        $before = $this->site->snapshot();
        $this->site->undoLater($this->site->apply(new GoLive('Dogs')));
        self::assertSame(
            [true, true, false],
            [$this->site->pages['Dogs']->everLive, $this->site->claims['/dogs']->everLive, $this->site->pages['Dogs']->isLive()],
        );
        $this->site->apply(new SetSlug('Dogs', Slug::of('hounds')));
        self::assertSame('hidden Dogs', $this->site->answer('/dogs'), 'The address is kept for the page.');

        $other = new MemorySite();
        $other->live('Fares', slug: 'fares');
        $other->draft('Dogs', slug: 'dogs');
        $other->undoLater($other->apply(new GoLive('Dogs')), Decision::answer(QuestionKind::InBetween, 'Dogs', Answer::Free));
        self::assertSame($before, $other->snapshot());
    }

    #[Test]
    public function emptying_the_bin_says_whose_words_and_whose_branch_go_with_a_page(): void
    {
        $this->site->draft('Dogs');
        $this->site->apply(new PutInBin('Dogs'));
        $this->site->people = [
            new PersonAtPage('Dogs', 'Tam', PersonRole::UnsavedContent),
            new PersonAtPage('Dogs', 'Isla', PersonRole::Branch),
            new PersonAtPage('Fares', 'Tam', PersonRole::UnsavedContent),
        ];
        $notes = $this->site->plan(new DeleteForGood('Dogs'))->toDecide->notes;
        self::assertSame(
            [[NoteKind::UnsavedContentGoes, 'Dogs', 'Tam'], [NoteKind::BranchGoes, 'Dogs', 'Isla']],
            array_map(static fn ($note): array => [$note->kind, $note->name, $note->other], $notes),
        );
    }
}
