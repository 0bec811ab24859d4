<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Change\SetBranchSearch;
use Heronstem\Core\Change\SetRobots;
use Heronstem\Core\Change\SetSearch;
use Heronstem\Core\Change\SetSiteSearch;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Ripple\CanonicalChange;
use Heronstem\Core\Ripple\IndexChange;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Ripple\TitleChange;
use Heronstem\Core\Search\SettingScope;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RefusesChanges;

/** What pages tell search engines: set for one, for a branch, for a layout, for the site, with everything that follows. */
final class SearchSettingsTest extends TestCase
{
    use RefusesChanges;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        $this->site->live('Travel');
        $this->site->live('Fares', 'Travel');
        $this->site->live('Cars', 'Fares');
    }

    #[Test]
    public function what_a_branch_says_holds_below_it_until_something_nearer_says_otherwise(): void
    {
        $this->site->apply(new SetBranchSearch('Travel', ['index' => false, 'priority' => 0.3]), new SetSearch('Cars', ['index' => true]));
        $of = fn (string $page): array => [
            $this->settings($page)->index(),
            $this->settings($page)->priority(),
            $this->settings($page)->source('index')->scope,
            $this->settings($page)->source('index')->name,
        ];
        self::assertSame([false, 3, SettingScope::Branch, 'Travel'], $of('Travel'));
        self::assertSame([false, 3, SettingScope::Branch, 'Travel'], $of('Fares'));
        self::assertSame([true, 3, SettingScope::Own, ''], $of('Cars'));
        $this->site->apply(new SetBranchSearch('Fares', ['priority' => 0.9]));
        self::assertSame(9, $this->settings('Cars')->priority());
        self::assertSame('Fares', $this->settings('Cars')->source('priority')->name);
    }

    #[Test]
    public function a_layout_goes_before_the_site_and_what_is_taken_away_is_inherited_again(): void
    {
        $this->site->apply(new SetSiteSearch(['follow' => false]), new SetSiteSearch(['follow' => true], 'page'));
        self::assertTrue($this->settings('Cars')->follow());
        self::assertSame(SettingScope::Layout, $this->settings('Cars')->source('follow')->scope);
        $this->site->apply(new SetSiteSearch(['follow' => null], 'page'));
        self::assertFalse($this->settings('Cars')->follow());
        self::assertSame([], $this->site->search->layouts);
    }

    #[Test]
    public function the_ripple_of_a_branch_tells_whose_titles_change_and_who_leaves_index_and_sitemap(): void
    {
        $this->site->apply(new Describe('Fares', ['searchTitle' => 'All fares']));
        $ripple = $this->site->apply(new SetBranchSearch('Travel', ['titlePattern' => '{name} | {parent}', 'index' => false]));
        self::assertEquals(
            [new TitleChange('Travel', 'Travel', 'Travel · Ferries', 'Travel'), new TitleChange('Cars', 'Cars', 'Cars · Ferries', 'Cars | Fares')],
            $ripple->search->titles,
            'The one with a title of its own keeps it.',
        );
        self::assertEquals(
            [new IndexChange('Travel', 'Travel', false), new IndexChange('Fares', 'Fares', false), new IndexChange('Cars', 'Cars', false)],
            $ripple->search->indexing,
        );
        self::assertSame(3, $ripple->search->sitemapEntries);
        self::assertTrue($ripple->matters());
        $back = $this->site->undo($ripple);
        self::assertCount(2, $back->search->titles);
        self::assertTrue($this->settings('Cars')->index());
    }

    #[Test]
    public function a_new_name_or_place_changes_the_titles_of_pages_whose_pattern_names_their_parent(): void
    {
        $this->site->apply(new SetSiteSearch(['titlePattern' => '{name}, {section} · {site}']));
        $this->site->live('Boats');
        $titles = static fn (Ripple $ripple): array => array_map(static fn (TitleChange $change): string => $change->after, $ripple->search->titles);
        $renamed = $titles($this->site->apply(new Rename('Travel', PageName::of('Journeys'))));
        self::assertSame(['Fares, Journeys · Ferries', 'Cars, Journeys · Ferries'], array_slice($renamed, 1));
        self::assertStringStartsWith('Journeys', $renamed[0]);
        self::assertSame(['Fares, Boats · Ferries', 'Cars, Boats · Ferries'], $titles($this->site->apply(new Move('Fares', Place::lastIn('Boats')))));
    }

    /** Whatever is set for the page that is renamed, and whether or not addresses below follow its name. */
    #[Test]
    public function a_new_name_is_told_where_a_branch_below_names_its_parent_in_a_pattern_of_its_own(): void
    {
        $this->site->apply(
            new SetBranchSearch('Travel', ['titlePattern' => '{name}']),
            new SetBranchSearch('Cars', ['titlePattern' => '{name} | {parent} | {section}']),
        );
        $titles = static fn (Ripple $ripple): array => array_map(static fn (TitleChange $change): string => $change->after, $ripple->search->titles);
        self::assertContains('Cars | Prices | Travel', $titles($this->site->apply(new Rename('Fares', PageName::of('Prices')))));
        self::assertContains('Cars | Prices | Journeys', $titles($this->site->apply(new Rename('Travel', PageName::of('Journeys')))));
        $this->site->apply(new SetBranchSearch('Cars', ['titlePattern' => null]), new SetBranchSearch('Travel', ['titlePattern' => null]));
        self::assertCount(1, $titles($this->site->apply(new Rename('Travel', PageName::of('Voyages')))));
    }

    #[Test]
    public function a_new_name_is_told_where_the_pattern_of_another_layout_names_the_parent(): void
    {
        $this->site->apply(new Describe('Cars', layout: 'section'), new SetSiteSearch(['titlePattern' => '{name} under {parent}'], 'section'));
        $ripple = $this->site->apply(new Rename('Fares', PageName::of('Prices')));
        self::assertContains('Cars under Prices', array_map(static fn (TitleChange $change): string => $change->after, $ripple->search->titles));
    }

    #[Test]
    public function a_site_wide_pattern_is_told_of_every_page_and_undone_as_one(): void
    {
        $before = $this->site->snapshot();
        $ripple = $this->site->apply(new SetSiteSearch(['titlePattern' => '{site}: {name}']));
        self::assertCount(3, $ripple->search->titles);
        self::assertFalse($ripple->changesNothing());
        $this->site->undo($ripple);
        self::assertSame($before, $this->site->snapshot());
        $again = $this->site->apply(new SetSiteSearch(['titlePattern' => '{site}: {name}']));
        $this->site->apply(new SetSiteSearch(['titlePattern' => '{name}']));
        self::assertSame('search-stays', $this->site->planUndoing($again)->toDecide->notes[0]->kind->value);
    }

    #[Test]
    public function a_canonical_page_that_moves_or_goes_is_told(): void
    {
        $this->site->live('Prices');
        $vans = $this->site->live('01J0000000000000000000VANS', 'Fares', 'vans');
        $ripple = $this->site->apply(new SetSearch('Prices', ['canonical' => $vans]));
        self::assertEquals([new CanonicalChange('Prices', 'Prices', '/prices', '/travel/fares/vans')], $ripple->search->canonicals);
        self::assertSame(1, $ripple->search->sitemapEntries, 'Only what counts for itself is in the sitemap.');
        $moved = $this->site->apply(new Move($vans, Place::lastIn(null)));
        self::assertEquals([new CanonicalChange('Prices', 'Prices', '/travel/fares/vans', '/vans')], $moved->search->canonicals);
        self::assertEquals([new CanonicalChange('Prices', 'Prices', '/vans', null)], $this->site->plan(new TakeOffline($vans))->search->canonicals);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faulty(): iterable
    {
        yield 'a priority above one' => [['priority' => 1.1], 'priority'];
        yield 'an unknown frequency' => [['changeFrequency' => 'often'], 'changeFrequency'];
        yield 'a picture that is no identity' => [['socialPicture' => 'x'], 'socialPicture'];
        yield 'a canonical that is nothing' => [['canonical' => 'home'], 'canonical'];
        yield 'a canonical with a password' => [['canonical' => 'https://a:b@c.example/'], 'canonical'];
        yield 'a page that is not there' => [['canonical' => '01J0000000000000000000000Z'], 'canonical'];
        yield 'a phrase that is a book' => [['targetPhrase' => str_repeat('x', 101)], 'targetPhrase'];
    }

    /** @param  array<string, mixed>  $given */
    #[Test, DataProvider('faulty')]
    public function what_cannot_be_taken_names_its_field(array $given, string $field): void
    {
        $this->refused("changes.0.$field", '', new SetSearch('Cars', $given));
    }

    #[Test]
    public function its_own_identity_is_itself_and_what_stands_already_is_nothing_to_change(): void
    {
        $this->refused('changes.0.page', 'already', new SetSearch('Cars', ['canonical' => 'itself', 'index' => null]));
        $this->refused('changes.0.page', 'already', new SetBranchSearch('Cars', ['index' => null]));
        $this->refused('changes.0.robots', 'vanish', new SetRobots("User-agent: *\nDisallow: /"));
        $this->site->apply(new SetRobots("User-agent: *\nDisallow: /", true));
        self::assertSame("User-agent: *\nDisallow: /", $this->site->search->robots);
    }

    private function settings(string $page): \Heronstem\Core\Search\EffectiveSearch
    {
        $above = [];
        for ($at = $this->site->pages[$page]; $at->parent !== null;) {
            $above[] = $at = $this->site->pages[$at->parent];
        }

        return $this->site->search->for($this->site->pages[$page], $above);
    }
}
