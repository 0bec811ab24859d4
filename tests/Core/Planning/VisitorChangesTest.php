<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\TestTrait;
use Heronstem\Core\Change\ArrangeMenu;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\SetAccess;
use Heronstem\Core\Change\SetStartPage;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\Closed;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\MenuResolver;
use Heronstem\Core\Menu\ResolvedEntry;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Moment;
use Heronstem\Core\Ripple\IndexChange;
use Heronstem\Core\Ripple\ToldAddresses;
use Heronstem\Core\Ripple\VisitorChange;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Visitors\Guest;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** A ripple tells which pages are closed and opened, by what is said of them or by where they go, and what that does elsewhere. */
final class VisitorChangesTest extends TestCase
{
    use TestTrait;

    private MemorySite $site;

    protected function setUp(): void
    {
        $this->shrinkingTimeLimit(30);
        $this->site = new MemorySite();
        $this->site->live('Home');
        $this->site->apply(new SetStartPage('Home'));
        $this->site->live('Crew');
        $this->site->live('Rota', 'Crew');
        $this->site->live('Uniforms', 'Crew');
        $this->site->draft('Plans', 'Crew');
        $this->site->live('Travel');
    }

    #[Test]
    public function closing_a_branch_closes_every_live_page_in_it_and_takes_it_out_of_sitemap_and_index(): void
    {
        $this->site->links = 3;
        $ripple = $this->site->plan(self::close('Crew'));
        self::assertSame(['Crew', 'Rota', 'Uniforms'], $ripple->visitors->closed());
        self::assertSame(3, $ripple->search->sitemapEntries);
        self::assertSame(
            [['Crew', false], ['Rota', false], ['Uniforms', false]],
            array_map(static fn (IndexChange $c): array => [$c->page, $c->isIndexed], $ripple->search->indexing),
        );
        self::assertSame(3, $ripple->menusAndLinks->linksClosed);
        self::assertTrue($ripple->matters());
        self::assertEqualsCanonicalizing(
            ['/crew', '/crew/rota', '/crew/uniforms'],
            ToldAddresses::of($ripple),
            'Engines look again at what they may not have any more.',
        );
        self::assertSame(
            [['Crew', Closed::LeftOut, true], ['Rota', Closed::LeftOut, true], ['Uniforms', Closed::LeftOut, true]],
            array_map(static fn (array $each): array => [$each['page'], $each['how'], $each['closes']], $ripple->visitors->menus),
        );
    }

    #[Test]
    public function what_is_said_below_is_an_exception_and_saying_the_same_again_changes_nothing(): void
    {
        $this->site->apply(new SetAccess('Uniforms', ['to' => 'everyone'], 'UTC'));
        $ripple = $this->site->apply(self::close('Crew'));
        self::assertSame(['Crew', 'Rota'], $ripple->visitors->closed());
        self::assertSame([], $this->site->plan(self::close('Rota'))->visitors->changes, 'It was as much closed by what is above it.');
        $opened = $this->site->plan(new SetAccess('Crew', null, 'UTC'))->visitors->changes;
        self::assertSame(
            ['Crew', 'Rota'],
            array_map(
                static fn (VisitorChange $change): string => $change->page,
                array_filter($opened, static fn (VisitorChange $change): bool => $change->opens()),
            ),
        );
    }

    #[Test]
    public function moving_a_page_out_of_a_closed_branch_opens_it_and_into_it_closes_it(): void
    {
        $this->site->apply(self::close('Crew'));
        [$out] = $this->site->plan(new Move('Rota', Place::lastIn(null)))->visitors->changes;
        self::assertTrue($out->opens());
        self::assertSame('/rota', $out->address);
        self::assertSame(['Travel'], $this->site->plan(new Move('Travel', Place::lastIn('Crew')))->visitors->closed());
        self::assertSame([], $this->site->plan(new Move('Rota', Place::firstIn('Crew')))->visitors->changes);
        self::assertSame(
            [],
            $this->site->plan(new Move('Plans', Place::lastIn(null)))->visitors->changes,
            'A draft is seen by nobody, here as there.',
        );
    }

    #[Test]
    public function what_is_to_come_is_told_before_it_comes(): void
    {
        $ripple = $this->site->apply(new SetAccess('Crew', ['to' => 'nobody', 'from' => '2030-01-01'], 'UTC'));
        self::assertCount(3, $ripple->visitors->changes);
        self::assertSame([], $ripple->visitors->closed(), 'It is open until then.');
        self::assertSame(0, $ripple->search->sitemapEntries);
        $this->site->now = Moment::read('2030-01-01', 'UTC', 't')->seconds;
        self::assertFalse($this->site->sees($this->site->pages['Rota'], Guest::anybody()));
    }

    #[Test]
    public function closed_pages_that_change_are_told_to_no_search_engine(): void
    {
        $this->site->apply(self::close('Crew'));
        self::assertSame([], ToldAddresses::of($this->site->plan(new Move('Rota', Place::firstIn('Crew')), new GoLive('Plans')), ['Rota', 'Plans']));
    }

    #[Test]
    public function a_menu_leaves_out_what_is_closed_or_shows_it_with_a_lock_as_each_entry_says(): void
    {
        $this->site->apply(self::close('Crew'));
        $entries = static fn (Closed $closed): array => [
            new Entry('01J0000000000000000000ENT1', null, 0, EntryKind::Page, Target::page('Crew'), closed: $closed),
            new Entry(
                '01J0000000000000000000ENT2',
                null,
                1,
                EntryKind::Branch,
                Target::page('Crew'),
                contents: new BranchContents(1),
                closed: $closed,
            ),
            new Entry('01J0000000000000000000ENT3', null, 2, EntryKind::Page, Target::page('Travel'), closed: $closed),
        ];
        $seen = [];
        foreach (Closed::cases() as $closed) {
            $this->site->apply(new ArrangeMenu(MemorySite::MAIN, $entries($closed)));
            $seen[$closed->value] = $this->shown(Guest::anybody(), Viewer::visitor());
        }
        self::assertSame([['Travel', '/travel', false]], $seen['left-out']);
        self::assertSame(
            [['Crew', '/crew', true], ['Rota', '/crew/rota', true], ['Uniforms', '/crew/uniforms', true], ['Travel', '/travel', false]],
            $seen['locked'],
        );
        self::assertSame([['Crew', null, true], ['Rota', null, true], ['Uniforms', null, true], ['Travel', '/travel', false]], $seen['shown']);
        self::assertSame(
            [['Crew', '/crew', false], ['Rota', '/crew/rota', false], ['Uniforms', '/crew/uniforms', false], ['Travel', '/travel', false]],
            $this->shown(new Guest(true), Viewer::signedIn()),
        );
    }

    /** What a ripple tells is what looking at every page before and after finds, whatever was done. */
    #[Test]
    public function the_ripple_tells_exactly_the_live_pages_that_somebody_sees_no_longer_or_from_now_on(): void
    {
        $this->forAll(RandomChanges::batches())->then(function (array $batches): void {
            $site = new MemorySite();
            foreach (['Home', 'Crew', 'Travel'] as $name) {
                $site->live($name);
            }
            $site->live('Rota', 'Crew');
            $site->apply(self::close('Crew'));
            foreach ($batches as $steps) {
                $ripple = RandomChanges::planned($site, $steps);
                if ($ripple === null) {
                    continue;
                }
                $before = self::seen($site);
                $site->carryOut($ripple);
                $after = self::seen($site);
                $expected = [];
                foreach (array_intersect_key($before, $after) as $page => $was) {
                    if ($was !== $after[$page]) {
                        $expected[] = (string) $page;
                    }
                }
                $told = array_values(
                    array_filter($ripple->visitors->changes, static fn (VisitorChange $change): bool => $change->closes() || $change->opens()),
                );
                self::assertEqualsCanonicalizing($expected, array_map(static fn (VisitorChange $change): string => $change->page, $told));
                foreach ($told as $change) {
                    self::assertSame($after[$change->page], $change->opens());
                    self::assertSame($site->pages[$change->page]->address->path, $change->address);
                }
            }
        });
    }

    /** @return array<string, bool> whether everybody sees a live page, by page */
    private static function seen(MemorySite $site): array
    {
        return array_map(
            static fn (Page $page): bool => $site->sees($page, Guest::anybody()),
            array_filter($site->pages, static fn (Page $page): bool => $page->isLive()),
        );
    }

    /** @return list<array{string, string|null, bool}> label, where it leads, whether it has a lock */
    private function shown(Guest $guest, Viewer $viewer): array
    {
        $this->site->guest = $guest;
        $shown = (new MenuResolver($this->site, Moment::at($this->site->now), $viewer))->shown($this->site->menus[MemorySite::MAIN]);

        return array_map(static fn (ResolvedEntry $entry): array => [$entry->label, $entry->href, $entry->isLocked], $shown);
    }

    private static function close(string $page): SetAccess
    {
        return new SetAccess($page, ['to' => 'some', 'signedIn' => true], 'UTC');
    }
}
