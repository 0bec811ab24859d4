<?php

declare(strict_types=1);

namespace Tests\Core\Interchange\Pages;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Change\BringIn;
use Heronstem\Core\Change\ChangeInput;
use Heronstem\Core\Interchange\Pages\AddressSources;
use Heronstem\Core\Interchange\Pages\BringOptions;
use Heronstem\Core\Interchange\Pages\BroughtAs;
use Heronstem\Core\Interchange\Pages\Gaps;
use Heronstem\Core\Interchange\Pages\GivenPage;
use Heronstem\Core\Interchange\Pages\PageTable;
use Heronstem\Core\Interchange\Pages\PlacedPage;
use Heronstem\Core\Interchange\Pages\PlacedSource;
use Heronstem\Core\Interchange\Pages\Placement;
use Heronstem\Core\Interchange\Pages\TableRows;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageState;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** Pages of a source in a site: where they stand, what they are called, who is recognised, and what stays answering. */
final class PlacementTest extends TestCase
{
    public const IMPORT = '01JBR0VGHT0000000000000001';

    private MemorySite $site;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
    }

    #[Test]
    public function a_list_of_addresses_becomes_a_tree_with_sections_in_between_and_names_from_slugs(): void
    {
        $placed = $this->place(
            AddressSources::list(
                "https://old.example/travel/day-trips/skerra.html\nhttps://old.example/travel/\nhttps://old.example/about_us.php Who we are\n",
            ),
        );

        self::assertSame(['/travel/day-trips', '/travel/day-trips/skerra', '/travel', '/about_us'], $this->addresses($placed));
        self::assertSame(
            ['Day trips', 'Skerra', 'Travel', 'Who we are'],
            array_map(static fn ($page): ?string => $page->after?->name, self::taken($placed)),
        );
        self::assertSame(1, $placed->counts()['between']);
    }

    #[Test]
    public function every_way_in_which_an_address_was_written_leads_to_its_page_afterwards(): void
    {
        $this->bringIn(
            AddressSources::list("/travel/index.html\n/Travel/Fares.HTML\n/travel/fares\n/travel/day%20trips.php"),
            new BringOptions(as: BroughtAs::Live),
        );

        self::assertStringStartsWith('page', $this->site->answer('/travel'));
        foreach (['/travel/index.html', '/Travel/Fares.HTML', '/travel/fares', '/travel/day%20trips.php', '/travel/day%20trips'] as $address) {
            self::assertNotSame('missed', $this->site->answer($address), $address);
        }
    }

    #[Test]
    public function gaps_are_skipped_where_that_is_wished_and_old_addresses_lead_on(): void
    {
        $placed = $this->place(AddressSources::list('/a/b/c'), new BringOptions(gaps: Gaps::Skip));

        self::assertSame(['/c'], $this->addresses($placed));
        self::assertSame(['/a/b/c'], array_map(static fn ($address): string => $address->path, $placed->brought[0]->former));
    }

    #[Test]
    public function pages_that_are_there_are_recognised_by_address_and_changed_not_made_again(): void
    {
        $fares = $this->site->live('fares');
        $placed = $this->place($this->table("address,name,description\n/fares,Fares and tickets,What it costs\n/boats,Boats,Six of them\n"));

        self::assertSame(['new' => 1, 'changed' => 1], array_intersect_key($placed->counts(), ['changed' => 0, 'new' => 0]));
        self::assertSame($fares, $placed->pages[0]->id);
        self::assertSame('Fares and tickets', $placed->pages[0]->after?->name);
    }

    #[Test]
    public function what_changes_on_a_live_page_waits_unless_it_is_to_be_seen_at_once(): void
    {
        $this->site->live('fares');
        $table = "address,description\n/fares,What it costs\n";
        $waiting = $this->place($this->table($table))->pages[0]->after;
        $shown = $this->place($this->table($table), new BringOptions(as: BroughtAs::Live))->pages[0]->after;

        self::assertSame(['', 'What it costs'], [$waiting?->texts->searchDescription, $waiting?->prepared?->searchDescription]);
        self::assertSame(['What it costs', null], [$shown?->texts->searchDescription, $shown?->prepared]);
    }

    #[Test]
    public function a_row_that_says_nothing_new_is_the_same(): void
    {
        $this->site->live('fares');
        $placed = $this->place($this->table("address,name\n/fares,fares\n"));

        self::assertSame(1, $placed->counts()['same']);
        self::assertSame([], $placed->brought);
    }

    #[Test]
    public function an_identity_with_another_address_moves_and_renames_the_page(): void
    {
        $id = '01J00000000000000000000001';
        $this->site->live('travel');
        $this->site->live($id, null, 'fares');
        $placed = $this->place($this->table("id,address\n$id,/travel/prices\n"));

        self::assertSame(
            [['travel', 'prices']],
            array_map(static fn ($brought): array => [$brought->page->parent, $brought->page->slug->text], $placed->brought),
        );
    }

    #[Test]
    public function indented_names_and_levels_in_columns_of_their_own_give_the_same_tree(): void
    {
        $indented = $this->place($this->table("name\nTravel\n  Fares\n    Dogs\n  Routes\nAbout\n"));
        $levels = $this->place($this->table("Level 1,Level 2,Level 3\nTravel,,\n,Fares,\n,,Dogs\n,Routes,\nAbout,,\n"));

        self::assertSame(['/travel', '/travel/fares', '/travel/fares/dogs', '/travel/routes', '/about'], $this->addresses($indented));
        self::assertSame($this->addresses($indented), $this->addresses($levels));
    }

    #[Test]
    public function a_parent_column_names_pages_of_the_table_or_of_the_site_whatever_the_order(): void
    {
        $this->site->live('travel');
        $placed = $this->place($this->table("name,parent\nDogs,Fares\nFares,/travel\nNowhere,Missing\nRound,Trip\nTrip,Round\n"));

        self::assertSame('/travel/fares/dogs', $placed->pages[0]->address?->path);
        self::assertStringContainsString('no page “Missing”', $placed->pages[2]->remarks[0]->reason);
        self::assertStringContainsString('form a loop', $placed->pages[3]->remarks[0]->reason);
        self::assertSame(3, $placed->counts()['refused']);
    }

    #[Test]
    public function siblings_with_one_slug_are_numbered_and_it_is_said(): void
    {
        $placed = $this->place($this->table("name,parent\nContact,\nContact,\n"));

        self::assertSame(['/contact', '/contact-2'], $this->addresses($placed));
        self::assertStringContainsString('line 2', $placed->pages[1]->remarks[0]->reason);
    }

    #[Test]
    public function what_cannot_be_is_refused_by_row_with_field_and_reason_and_the_others_come(): void
    {
        $placed = $this->place(
            $this->table("address,name,kind,until\n/a,A,,\n/b,B,portal,\n/c?id=4,C,,\n/d,D,,yesterdayish\nhttps://else.example/e,E,,\n"),
        );

        $refused = [];
        foreach ($placed->pages as $page) {
            foreach (array_filter($page->remarks, static fn ($remark): bool => $remark->refuses) as $remark) {
                $refused[$page->given->at] = $remark->field;
            }
        }
        self::assertSame(['line 3' => 'kind', 'line 4' => 'address', 'line 5' => 'until'], array_diff_key($refused, ['line 6' => 1]));
        self::assertSame(['/a', '/e'], $this->addresses($placed));
    }

    #[Test]
    public function the_start_page_of_a_source_is_that_of_a_site_without_one(): void
    {
        $this->bringIn($this->table("address,name\n/,Welcome\n/fares,Fares\n"), new BringOptions(as: BroughtAs::Live));

        self::assertSame('Welcome', $this->site->pages[(string) $this->site->startPage]->name);
        self::assertSame('/', $this->site->pages[(string) $this->site->startPage]->address->path);
    }

    #[Test]
    public function pages_come_in_the_state_that_is_wished_or_given(): void
    {
        $table = "address,name,state\n/a,A,live\n/b,B,draft\n/c,C,\n";
        $states = fn (BroughtAs $as): array => array_map(
            static fn (PlacedPage $page): ?PageState => $page->after?->state,
            $this->place($this->table($table), new BringOptions(as: $as))->pages,
        );

        self::assertSame([PageState::Draft, PageState::Draft, PageState::Draft], $states(BroughtAs::Draft));
        self::assertSame([PageState::Live, PageState::Live, PageState::Live], $states(BroughtAs::Live));
        self::assertSame([PageState::Live, PageState::Draft, PageState::Draft], $states(BroughtAs::Given));
    }

    #[Test]
    public function brought_in_below_a_page_a_source_stands_there(): void
    {
        $this->site->live('archive');
        $placed = $this->place(AddressSources::list("/2019/report\n"), new BringOptions(under: 'archive'));

        self::assertSame(['/archive/2019', '/archive/2019/report'], $this->addresses($placed));
    }

    #[Test]
    public function former_addresses_lead_to_the_page_and_those_that_others_hold_are_asked_about(): void
    {
        $this->site->live('summer');
        $ripple = $this->bringIn(
            $this->table("address;name;old addresses\n/season;Season;/2024-season /summer\n"),
            new BringOptions(as: BroughtAs::Live),
            false,
        );

        self::assertSame(['/summer'], array_map(static fn ($conflict): string => $conflict->address->path, $ripple->toDecide->conflicts));
    }

    /** @param  iterable<GivenPage>  $given */
    private function place(iterable $given, BringOptions $options = new BringOptions()): PlacedSource
    {
        return (new Placement($this->site->context(), $this->site, $this->site, $options))->of($given, self::IMPORT);
    }

    /** @param  iterable<GivenPage>  $given */
    private function bringIn(iterable $given, BringOptions $options, bool $carriesOut = true): Ripple
    {
        $placed = $this->place($given, $options);
        $change = BringIn::read(new ChangeInput(['kind' => 'bring-in', 'import' => self::IMPORT], new AddressRules()))->with(
            $placed->brought,
            [],
            $placed->startPage,
        );
        $ripple = $this->site->plan($change);

        return $carriesOut ? $this->site->carryOut($ripple) : $ripple;
    }

    /** @return iterable<GivenPage> */
    private function table(string $csv): iterable
    {
        $rows = iterator_to_array((new TableRows($csv))->all());

        return (new PageTable(array_values($rows)[0]))->pages($rows);
    }

    /** @return list<PlacedPage> */
    private static function taken(PlacedSource $placed): array
    {
        return array_values(array_filter($placed->pages, static fn (PlacedPage $page): bool => ! $page->isRefused()));
    }

    /** @return list<string|null> */
    private function addresses(PlacedSource $placed): array
    {
        return array_map(static fn (PlacedPage $page): ?string => $page->address?->path, self::taken($placed));
    }
}
