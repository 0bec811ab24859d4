<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Change\AddAddress;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\ChangeKind;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\Duplicate;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\LeaveOutOfAddresses;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\Pin;
use Heronstem\Core\Change\Protect;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\RemoveAddress;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Change\ReturnToWriter;
use Heronstem\Core\Change\Schedule;
use Heronstem\Core\Change\Scope;
use Heronstem\Core\Change\SendForReview;
use Heronstem\Core\Change\SetStartPage;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Change\UnlistPage;
use Heronstem\Core\Change\Unpin;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\Refusal;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Workspace\Authority;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RefusesChanges;

/** What each change does, besides those of place, name and slug. */
final class ChangesTest extends TestCase
{
    use RefusesChanges;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        $this->site->live('Home');
        $this->site->apply(new SetStartPage('Home'));
        $this->site->live('Help');
        $this->site->live('Travel');
        $this->site->live('Times', 'Travel');
        $this->site->live('Summer', 'Times');
    }

    #[Test]
    public function a_pinned_page_is_where_it_is_pinned_and_its_old_address_sends_on(): void
    {
        $this->site->apply(new Pin('Times', $this->address('/boats')));
        self::assertSame(['page Summer', 'redirect /boats'], [$this->site->answer('/boats/summer'), $this->site->answer('/travel/times')]);
        $this->site->apply(new Unpin('Times'));
        self::assertSame(['redirect /travel/times', 'page Times'], [$this->site->answer('/boats'), $this->site->answer('/travel/times')]);
        $this->refused('changes.0.address', 'start page', new Pin('Times', $this->address('/')));
        $this->refused('changes.0.page', 'not pinned', new Unpin('Help'));
    }

    #[Test]
    public function a_further_address_that_is_removed_and_pinned_in_one_batch_is_the_own_address(): void
    {
        $this->site->apply(AddAddress::serving('Times', $this->address('/boats')));
        $ripple = $this->site->apply(new RemoveAddress('Times', $this->address('/boats')), new Pin('Times', $this->address('/boats')));
        self::assertSame(['page Times', 'redirect /boats'], [$this->site->answer('/boats'), $this->site->answer('/travel/times')]);
        $this->site->undo($this->site->undo($ripple));
        self::assertSame('page Times', $this->site->answer('/boats'));
    }

    #[Test]
    public function a_duplicated_branch_is_all_drafts_with_free_slugs_and_knows_what_it_is_a_copy_of(): void
    {
        $ripple = $this->site->apply(new Duplicate('Travel', 'Copy', Scope::Branch));
        $copies = array_flip($ripple->pages->copies);
        $paths = array_map(fn (string $id): string => $this->site->pages[$id]->address->path, $copies);
        self::assertSame(['Travel' => '/travel-copy', 'Times' => '/travel-copy/times', 'Summer' => '/travel-copy/times/summer'], $paths);
        self::assertSame('Travel copy', $this->site->pages['Copy']->name);
        foreach ($copies as $copy) {
            self::assertSame(PageState::Draft, $this->site->pages[$copy]->state);
        }
        self::assertSame(['Home', 'Help', 'Travel', 'Copy'], array_keys($this->site->childOrder(null)));
        $this->site->apply(new Duplicate('Travel', 'Again'));
        self::assertSame('/travel-copy-2', $this->site->pages['Again']->address->path);
        self::assertSame([], $this->site->childOrder('Again'));
    }

    #[Test]
    public function a_duplicate_is_called_as_it_is_said_and_its_slug_follows_that(): void
    {
        $this->site->apply(new Duplicate('Travel', 'Copy', Scope::Branch, name: PageName::of('Journeys 2027')));
        self::assertSame(['Journeys 2027', '/journeys-2027'], [$this->site->pages['Copy']->name, $this->site->pages['Copy']->address->path]);
        $this->site->apply(new Rename('Copy', PageName::of('Trips')));
        self::assertSame('/trips', $this->site->pages['Copy']->address->path);
    }

    #[Test]
    public function copies_inside_a_section_left_out_of_addresses_get_free_slugs_too(): void
    {
        $this->site->apply(new ChangeKind('Travel', PageKind::Section), new LeaveOutOfAddresses('Travel'));
        $ripple = $this->site->apply(new Duplicate('Travel', 'Copy', Scope::Branch));
        self::assertSame(
            ['/times-2', '/times-2/summer'],
            array_map(fn (string $source): string => $this->site->pages[array_flip($ripple->pages->copies)[$source]]->address->path, [
                'Times',
                'Summer',
            ]),
        );
    }

    #[Test]
    public function a_section_left_out_passes_on_the_address_above_it(): void
    {
        $this->refused('changes.0.page', 'no section', new LeaveOutOfAddresses('Times'));
        $this->site->apply(new ChangeKind('Times', PageKind::Section));
        $this->site->apply(new LeaveOutOfAddresses('Times'));
        self::assertSame(
            ['page Summer', 'redirect /travel/summer', 'page Times'],
            [$this->site->answer('/travel/summer'), $this->site->answer('/travel/times/summer'), $this->site->answer('/travel/times')],
        );
        $this->site->apply(new ChangeKind('Times', PageKind::Page));
        self::assertSame('page Summer', $this->site->answer('/travel/times/summer'));
    }

    #[Test]
    public function pointers_lead_somewhere_and_never_back_to_themselves(): void
    {
        $this->refused('changes.0.leadsTo', 'needs a page', new ChangeKind('Help', PageKind::Pointer));
        $this->refused('changes.0.leadsTo', 'needs the file', new ChangeKind('Help', PageKind::Download, Target::page('Times')));
        $this->refused('changes.0.leadsTo', 'leads nowhere else', new ChangeKind('Help', PageKind::Section, Target::page('Times')));
        $this->refused('changes.0.leadsTo', 'back to itself', new ChangeKind('Help', PageKind::Pointer, Target::page('Help')));
        $this->site->apply(new ChangeKind('Help', PageKind::Pointer, Target::page('Times')));
        $this->refused('changes.0.leadsTo', 'back to itself', new ChangeKind('Times', PageKind::Pointer, Target::page('Help')));
        $this->refused('changes.0.to', 'start page', new ChangeKind('Home', PageKind::Section));
        self::assertContains(
            NoteKind::PointerBroken,
            $this->notes(new TakeOffline('Times'), new ChangeKind('Summer', PageKind::Pointer, Target::page('Times'))),
        );
        self::assertContains(NoteKind::SectionEmpty, $this->notes(new TakeOffline('Summer'), new ChangeKind('Times', PageKind::Section)));
    }

    #[Test]
    public function an_unlisted_page_leaves_the_menu_and_one_below_it_is_reached_by_no_menu(): void
    {
        $ripple = $this->site->apply(new UnlistPage('Travel'));
        self::assertSame(['Travel', 'Times'], array_column($ripple->menusAndLinks->entries, 'page'));
        self::assertContains(NoteKind::NoMenuReaches, $this->notes(new Move('Help', Place::lastIn('Travel'))));
        self::assertContains(NoteKind::LeavesMenu, $this->notes(new Move('Help', Place::lastIn('Travel'))));
        $this->refused('changes.0.page', 'unlisted already', new UnlistPage('Travel'));
    }

    #[Test]
    public function a_schedule_must_make_sense_and_is_cleared_by_going_live(): void
    {
        $now = $this->site->now;
        $this->site->draft('Winter', 'Travel');
        $this->refused('changes.0.from', 'live already', new Schedule('Help', Moment::at($now + 60), null));
        $this->refused('changes.0.from', 'passed', new Schedule('Winter', Moment::at($now), null));
        $this->refused('changes.0.until', 'passed', new Schedule('Help', null, Moment::at($now - 1)));
        $this->refused('changes.0.until', 'before the beginning', new Schedule('Winter', Moment::at($now + 60), Moment::at($now + 60)));
        $this->refused('changes.0.from', 'end alone', new Schedule('Winter', null, Moment::at($now + 60)));
        $this->site->apply(new Schedule('Winter', Moment::at($now + 60), Moment::at($now + 120)));
        $this->site->apply(new GoLive('Winter'));
        self::assertEquals([null, Moment::at($now + 120)], [$this->site->pages['Winter']->from, $this->site->pages['Winter']->until]);
        $this->site->now += 120;
        $this->site->apply(new TakeOffline('Winter'));
        self::assertEquals([PageState::Offline, Moment::at($now + 120)], [$this->site->pages['Winter']->state, $this->site->pages['Winter']->until]);
    }

    #[Test]
    public function times_are_read_in_the_zone_of_the_site(): void
    {
        self::assertSame('2027-05-03T05:00:00Z', Moment::read('2027-05-03T06:00', 'Europe/London', 'from')->iso());
        self::assertSame('2027-05-03T04:00:00Z', Moment::read('2027-05-03T06:00:00+02:00', 'Europe/London', 'from')->iso());
        self::assertSame('2027-01-03T00:00:00Z', Moment::read('2027-01-03', 'Europe/London', 'from')->iso());
        $this->expectException(Refusal::class);
        Moment::read('2027-02-30T06:00', 'UTC', 'from');
    }

    #[Test]
    public function a_page_in_review_is_returned_to_what_it_was(): void
    {
        $draft = $this->site->draft('Winter', 'Travel');
        $this->site->apply(new SendForReview($draft, 'Are the fares right?'));
        self::assertSame([PageState::InReview, 'Are the fares right?'], [$this->site->pages[$draft]->state, $this->site->pages[$draft]->reviewNote]);
        $this->site->apply(new ReturnToWriter($draft, 'Children are missing.'));
        self::assertSame([PageState::Draft, 'Children are missing.'], [$this->site->pages[$draft]->state, $this->site->pages[$draft]->reviewNote]);
        $this->refused('changes.0.page', 'live already', new SendForReview('Help'));
        $this->refused('changes.0.page', 'not in review', new ReturnToWriter($draft));
    }

    #[Test]
    public function only_the_owner_retires_what_is_protected(): void
    {
        $this->refused('changes.0.page', 'Only the owner', new Protect('Summer'));
        $this->site->authority = Authority::Owner;
        $this->site->apply(new Protect('Summer'));
        $this->site->authority = Authority::Manager;
        $this->refused('changes.0.page', '“Summer” lies inside “Travel” and is protected', new PutInBin('Travel'));
    }

    #[Test]
    public function a_start_page_that_showed_cards_of_what_is_inside_says_that_it_shows_those_of_the_front_page(): void
    {
        $notes = fn (Change ...$changes): array => array_values(
            array_filter($this->site->plan(...$changes)->toDecide->notes, static fn (Note $note): bool => $note->kind === NoteKind::StartShowsOthers),
        );
        $this->site->live('Shop');
        $start = new SetStartPage('Shop');
        self::assertSame([], $notes($start), 'It shows words.');
        $this->site->apply(new Describe('Shop', layout: 'section'));
        self::assertSame([], $notes($start), 'Nothing is inside.');
        $this->site->live('Mugs', 'Shop');
        self::assertSame([['Shop', 'Shop']], array_map(static fn (Note $note): array => [$note->page, $note->name], $notes($start)));
        self::assertSame([], $notes(new Rename('Mugs', PageName::of('Cups'))));
        $this->site->apply($start);
        self::assertSame([], $notes(new Rename('Mugs', PageName::of('Cups'))), 'Only where the start page changes.');
    }

    #[Test]
    public function another_start_page_gives_the_former_its_slug_back(): void
    {
        $ripple = $this->site->apply(new SetStartPage('Help'));
        self::assertSame(
            ['page Help', 'page Home', 'redirect /'],
            [$this->site->answer('/'), $this->site->answer('/home'), $this->site->answer('/help')],
        );
        self::assertContains(NoteKind::AddressTakenOver, array_column($ripple->toDecide->notes, 'kind'));
        $this->site->undo($ripple);
        self::assertSame(['Home', 'page Home'], [$this->site->startPage, $this->site->answer('/')]);
        $this->site->draft('Draft');
        $this->refused('changes.0.page', 'not live', new SetStartPage('Draft'));
    }

    #[Test]
    public function a_page_also_answers_at_further_addresses_until_they_are_taken_away(): void
    {
        $this->site->apply(AddAddress::serving('Times', $this->address('/t')), AddAddress::sendingOn('Times', $this->address('/boats')));
        self::assertSame(['page Times', 'redirect /travel/times'], [$this->site->answer('/t'), $this->site->answer('/boats')]);
        $this->site->apply(new Move('Times', Place::lastIn('Help')));
        self::assertSame(['page Times', 'redirect /help/times'], [$this->site->answer('/t'), $this->site->answer('/boats')]);
        $this->site->apply(new RemoveAddress('Times', $this->address('/t')));
        self::assertSame('gone', $this->site->answer('/t'));
        $this->refused('changes.0.address', 'own address', new RemoveAddress('Times', $this->address('/help/times')));
        self::assertSame(
            'Summer',
            $this->site->plan(AddAddress::serving('Times', $this->address('/help/times/summer')))->toDecide->conflicts[0]->holder?->name,
        );
        $this->site->draft('New');
        $this->site->apply(AddAddress::serving('New', $this->address('/new-2')));
        $this->site->apply(new RemoveAddress('New', $this->address('/new-2')));
        self::assertSame('missed', $this->site->answer('/new-2'));
    }

    #[Test]
    public function a_change_to_several_pages_passes_over_those_that_are_so_already_and_takes_branches_whole(): void
    {
        $reader = new ChangeReader(new AddressRules());
        [$a, $b, $c] = array_map(static fn (int $n): string => "01J0000000000000000000000$n", [1, 2, 3]);
        $this->site->apply(
            new Make($a, PageName::of('A'), Place::lastIn(null)),
            new Make($b, PageName::of('B'), Place::lastIn($a)),
            new Make($c, PageName::of('C'), Place::lastIn(null)),
        );
        $this->site->apply(new GoLive($a));
        $this->site->apply(...$reader->batch([['kind' => 'go-live', 'pages' => [$a, $b, $c]]])->changes);
        self::assertTrue($this->site->pages[$c]->isLive());
        $help = '01J00000000000000000000004';
        $this->site->apply(new Make($help, PageName::of('Inside'), Place::lastIn('Help')));
        $this->site->apply(...$reader->batch([['kind' => 'move', 'pages' => [$c, $a, $b], 'place' => ['first' => $help]]])->changes);
        self::assertSame([[$c, $a], [$b]], [array_keys($this->site->childOrder($help)), array_keys($this->site->childOrder($a))]);
        $this->expectExceptionMessageMatches('/one page/');
        $reader->batch([['kind' => 'rename', 'pages' => [$a, $b], 'name' => 'Same']]);
    }

    private function address(string $path): Address
    {
        return Address::set($path, $this->site->rules);
    }

    /** @return list<NoteKind> */
    private function notes(Change ...$changes): array
    {
        return array_column($this->site->plan(...$changes)->toDecide->notes, 'kind');
    }
}
