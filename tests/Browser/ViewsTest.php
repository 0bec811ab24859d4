<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** Every view as it stands: findable, accessible, and with words where there is nothing to show. */
final class ViewsTest extends Errand
{
    #[Test]
    public function axe_finds_nothing_on_any_view(): void
    {
        $this->expected = ['404'];
        $chrome = $this->chrome;
        $chrome->open($this->editor('/sign-in'));
        $chrome->find('heading', 'Sign in to Heronstem');
        $this->assertAccessible('sign-in');
        $this->signIn();
        foreach (['light', 'dark'] as $theme) {
            $chrome->driver->executeScript("document.documentElement.dataset.theme = '$theme'");
            $this->assertAccessible("outline, $theme");
        }
        $chrome->driver->executeScript("document.documentElement.dataset.theme = 'light'");
        $chrome->click('button', 'Open Travel');
        $chrome->find('button', 'Open Fares');
        $chrome->click('button', 'Fares');
        foreach (['Details', 'Content', 'Search'] as $tab) {
            $chrome->click('tab', $tab);
            $chrome->awaitText(['Details' => 'Sits in', 'Content' => 'Save content', 'Search' => 'Set for this page.'][$tab]);
            $this->assertAccessible("sheet, $tab");
        }
        $chrome->click('tab', 'Details');
        $chrome->type('textbox', 'Slug', 'timetables');
        $chrome->awaitText('is held by “Timetables”');
        $chrome->click('button', 'Save changes');
        $chrome->find('region', 'Ripple');
        $this->assertAccessible('ripple tray with a decision');
        $chrome->click('button', 'Cancel');
        $chrome->click('button', 'Discard');
        $chrome->click('tab', 'History');
        $chrome->awaitText('Content saved, version 1');
        $this->assertAccessible('sheet, History');
        $chrome->click('button', 'Bin*');
        $chrome->awaitText('Vanesay Line', '[role=dialog]');
        $this->assertAccessible('bin');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->open($this->editor('/s/ferries/history?text=dogs'));
        $chrome->click('button', 'Moved Travelling with dogs*');
        $chrome->awaitText('no longer in Main');
        $this->assertAccessible('history');
        foreach (['light', 'dark'] as $theme) {
            $chrome->open($this->editor('/s/ferries/menus'));
            $chrome->driver->executeScript("document.documentElement.dataset.theme = '$theme'");
            $chrome->click('button', 'Footer*');
            $chrome->find('treeitem', '*Summer sailings*')->click();
            $chrome->find('complementary', 'Entry');
            $this->assertAccessible("menus, $theme");
        }
        $chrome->open($this->editor('/s/ferries/outline?state=draft'));
        $chrome->click('button', 'Mark all*');
        $chrome->find('button', 'Unmark all');
        $this->assertAccessible('marks under a filter');
        $chrome->click('button', 'Unmark all');
        $chrome->press([WebDriverKeys::CONTROL, 'k']);
        $chrome->find('dialog', 'Go to a page, or do something');
        $chrome->press('harb');
        $chrome->find('option', '*Harbours*');
        $this->assertAccessible('go to');
        $chrome->press(WebDriverKeys::ESCAPE);
        foreach (
            [
                '/' => 'home',
                '/travel/fares/car' => 'page',
                '/help/site-map' => 'site map',
                '/_account/sign-in' => 'sign-in',
                '/travel/fare' => 'missed',
            ] as $path => $what
        ) {
            $chrome->open($this->ferries($path));
            $this->assertAccessible("public $what");
        }
    }

    #[Test]
    public function what_can_be_done_is_found_by_its_name_as_pages_are(): void
    {
        $chrome = $this->signIn();
        $ask = function (string $words) use ($chrome): void {
            $chrome->press([WebDriverKeys::CONTROL, 'k']);
            $chrome->find('dialog', 'Go to a page, or do something');
            $chrome->press($words);
        };
        $ask('skerra parking');
        $chrome->find('option', '*/travel/harbours/skerra*');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->find('row', '*Freight*')->click();
        $ask('retire');
        $chrome->find('option', 'Put in bin · Freight*')->click();
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Cancel');
        $ask('move freight');
        $chrome->find('option', 'Move to…*')->click();
        $chrome->find('dialog', 'Move Freight');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->awaitGone('dialog', 'Move Freight');
        $ask('new redirect');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('dialog', 'New redirect');
        self::assertStringContainsString('/addresses', $chrome->driver->getCurrentURL());
    }

    #[Test]
    public function columns_are_chosen_and_what_a_filter_finds_is_sorted_by_one(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Columns');
        $chrome->click('menuitemcheckbox', 'Score');
        $chrome->click('menuitemcheckbox', 'Picks');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->find('columnheader', 'Score');
        $chrome->awaitGone('columnheader', 'Picks');
        $chrome->driver->navigate()->refresh();
        $chrome->find('columnheader', 'Score');
        $chrome->type('textbox', 'Filter by name or address', 'fares');
        $chrome->click('button', 'Name');
        $names = fn (): array => array_values(
            array_filter(
                array_map(
                    static fn ($row): string => (string) strtok($row->getText(), "\n"),
                    $chrome->driver->findElements(WebDriverBy::cssSelector('[role=row][aria-selected]')),
                ),
            ),
        );
        $sorted = function (bool $up) use ($names): ?bool {
            $is = $wants = $names();
            $up ? natcasesort($wants) : rsort($wants, SORT_FLAG_CASE | SORT_STRING);

            return count($is) > 3 && $is === array_values($wants) ?: null;
        };
        $chrome->until(fn (): ?bool => $sorted(true), 'rows by name');
        self::assertSame('ascending', $chrome->find('columnheader', 'Name')->getAttribute('aria-sort'));
        $chrome->click('button', 'Name');
        $chrome->until(fn (): ?bool => $sorted(false), 'rows by name, the last first');
        self::assertSame([], $chrome->axe());
    }

    #[Test]
    public function go_to_finds_pages_and_offers_to_make_one(): void
    {
        $chrome = $this->signIn();
        $chrome->press([WebDriverKeys::CONTROL, 'k']);
        $chrome->find('dialog', 'Go to a page, or do something');
        $chrome->press('/islands/ullin/wal');
        $chrome->find('option', 'Walking*');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('heading', 'Walking');
        $chrome->find('row', '*/islands/ullin/walking*');
        $chrome->press([WebDriverKeys::CONTROL, 'k']);
        $chrome->find('dialog', 'Go to a page, or do something');
        $chrome->press('Freight');
        $chrome->awaitText('one of this name exists: /freight');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->press([WebDriverKeys::CONTROL, 'k']);
        $chrome->find('dialog', 'Go to a page, or do something');
        $chrome->press('Sea shanties');
        $chrome->awaitText('No page has all of “Sea shanties”');
        $chrome->find('option', 'Make a page named Sea shanties*')->click();
        $chrome->find('heading', 'Sea shanties');
        $chrome->find('row', '*/sea-shanties*');
    }

    #[Test]
    public function the_address_of_a_view_brings_it_back_filter_selection_and_sheet(): void
    {
        $chrome = $this->signIn();
        $chrome->type('textbox', 'Filter by name or address', 'bicycle');
        $chrome->find('row', '*/travel/fares/bicycle*');
        self::assertFalse($chrome->has('row', '*Legal*'));
        $chrome->click('button', 'Bicycles');
        $chrome->find('heading', 'Bicycles');
        $chrome->driver->navigate()->refresh();
        $chrome->find('heading', 'Bicycles');
        $chrome->find('row', '*/travel/fares/bicycle*');
        self::assertFalse($chrome->has('row', '*Legal*'));
        $chrome->driver->navigate()->back();
        $chrome->awaitGone('heading', 'Bicycles');
        $chrome->type('textbox', 'Filter by name or address', 'zeppelin');
        $chrome->find('heading', 'No page has “zeppelin” in its name or address');
        $chrome->click('button', 'Show all pages');
        $chrome->find('row', '*Legal*');
    }

    #[Test]
    public function the_outline_opens_where_one_left_it(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Open Freight');
        $chrome->find('row', '*/freight/livestock*');
        $chrome->open($this->editor('/'));
        $chrome->find('row', '*/freight/livestock*');
        $chrome->click('button', 'Close Freight');
        $chrome->awaitGone('row', '*/freight/livestock*');
    }

    #[Test]
    public function an_owner_makes_a_site_from_the_menu_of_sites_and_its_first_page(): void
    {
        $this->expected = ['422'];
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $chrome->click('button', 'Skerrivane Ferries');
        $chrome->click('menuitem', 'New site…');
        $chrome->type('textbox', 'Name', 'Harbour Café');
        $chrome->type('textbox', 'Address', $this->ferries('/cafe'));
        $chrome->click('button', 'Make site');
        $chrome->awaitText('A site has a host of its own');
        self::assertSame([], $chrome->axe());
        $chrome->type('textbox', 'Address', $this->ferries(''));
        $chrome->click('button', 'Make site');
        $chrome->awaitText('“Skerrivane Ferries” is reached there already.');
        $chrome->type('textbox', 'Address', 'https://cafe.skerrivane.example');
        $chrome->click('button', 'Make site');
        $chrome->awaitText('Begin with a first page.');
        self::assertSame('/s/harbour-cafe/outline', $chrome->path());
        $chrome->click('button', 'Make page');
        $chrome->type('textbox', 'Name of the new page', 'Opening hours');
        $chrome->press("\u{E007}");
        $chrome->awaitText('Made Opening hours');
    }

    #[Test]
    public function an_empty_site_says_how_to_begin(): void
    {
        $this->database()->exec(
            "insert into sites (ulid, key, name, origin) values ('01J0000000000000000000EMPT', 'empty', 'Empty site', 'http://empty.test') on conflict do nothing",
        );
        $this->database()->exec(
            "insert into memberships (site_id, user_id) select s.id, u.id from sites s, users u
                where s.key = 'empty' and u.email = 'mairi@skerrivane.example' on conflict do nothing",
        );
        $this->database()->exec(
            "insert into roles (site_id, key, name) select id, 'owner', 'Owner' from sites where key = 'empty' on conflict do nothing",
        );
        $this->database()->exec(
            "insert into membership_roles (membership_id, role_id) select m.id, r.id from memberships m join roles r on r.site_id = m.site_id
                join sites s on s.id = m.site_id where s.key = 'empty' on conflict do nothing",
        );
        $chrome = $this->signIn();
        $chrome->open($this->editor('/s/empty/outline'));
        $chrome->find('heading', 'This site has no page yet');
        $chrome->click('button', 'Make the first page');
        $chrome->find('textbox', 'Name of the new page')->sendKeys('Welcome'.WebDriverKeys::ENTER);
        $chrome->find('row', '*/welcome*');
        // Left before it goes: what its views still ask for would not be found.
        $chrome->open($this->editor('/s/ferries/outline'));
        $chrome->find('row', 'Travel*');
        // Into the bin, as a site goes: what is being looked for on its page in the background holds it.
        $this->database()->exec("update sites set deleted_at = now() where key = 'empty'");
    }

    #[Test]
    public function a_failing_server_is_said_and_tried_again(): void
    {
        $this->expected = ['500', 'outline'];
        $chrome = $this->signIn();
        $database = $this->database();
        $database->exec('alter table page_contents rename to page_contents_away');
        try {
            $chrome->driver->navigate()->refresh();
            $chrome->find('heading', 'The outline could not be read');
            $chrome->awaitText('Nothing was changed. Try again');
        } finally {
            $database->exec('alter table page_contents_away rename to page_contents');
        }
        $chrome->click('button', 'Try again');
        $chrome->find('row', '*Legal*');
    }

    #[Test]
    public function moving_by_choosing_a_place_says_the_address_first(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Puffins', 'About');
        $chrome->click('button', 'Change Puffins');
        $chrome->click('menuitem', 'Move to…*');
        $chrome->find('dialog', 'Move Puffins');
        $chrome->find('option', 'Islands*')->findElement(\Facebook\WebDriver\WebDriverBy::cssSelector('[aria-hidden]'))->click();
        $chrome->find('option', 'Skerra*')->click();
        $chrome->awaitText('It will be at /islands/skerra/puffins');
        $chrome->press('islands');
        $chrome->find('option', 'Islands*')->click();
        $chrome->awaitText('It will be at /islands/puffins');
        $chrome->click('button', 'Move');
        $chrome->awaitText('Moved Puffins');
        $chrome->awaitText('/islands/puffins', 'aside');
    }

    #[Test]
    public function a_branch_of_hundreds_is_scrolled_walked_and_moved_about_in(): void
    {
        $database = $this->database();
        $database->exec(
            "insert into pages (ulid, site_id, parent_id, path, position, name, slug, address)
                select '01J0000000000000000000' || lpad(n::text, 4, '0'), p.site_id, p.id, p.path || (900000 + n)::text, 9000000 + n, 'Leaflet ' || n, 'leaflet-' || n, p.address || '/leaflet-' || n from pages p join sites s on s.id = p.site_id and s.key = 'ferries', generate_series(1, 600) n where p.address = '/about/press'",
        );
        $chrome = $this->signIn();
        $chrome->open($this->editor('/s/ferries/outline?row=01J00000000000000000000480'));
        $chrome->find('row', '*/about/press/leaflet-480*');
        self::assertLessThan(
            80,
            $chrome->driver->executeScript('return document.querySelectorAll("[role=row][id]").length'),
            'Rows out of sight are drawn.',
        );
        $chrome->driver->executeScript("document.querySelector('[role=treegrid]').focus()");
        $chrome->press(WebDriverKeys::HOME);
        $chrome->find('row', '*Home*');
        $chrome->press(WebDriverKeys::END);
        $chrome->find('row', '*Partners*');
        $chrome->driver->executeScript("document.querySelector('[data-scroller]').scrollTop = 32 * 250");
        $chrome->find('row', '*leaflet-2*');
        $row = $chrome->find('row', '*leaflet-2*');
        self::assertSame(['3', '600'], [$row->getAttribute('aria-level'), $row->getAttribute('aria-setsize')]);
        $chrome->driver->executeScript("document.querySelector('[data-scroller]').scrollTo({ top: 9607 })");
        $place = fn (): int => (int) $chrome->driver->executeScript("return document.querySelector('[data-scroller]')?.scrollTop ?? 0");
        $chrome->until(fn (): ?bool => str_contains($chrome->driver->getCurrentURL(), 'top=300.2') ? true : null, 'the place in the address');
        $chrome->driver->navigate()->refresh();
        $chrome->until(fn (): ?bool => abs($place() - 9607) < 2 ? true : null, 'the rows where they were');
        $chrome->until(fn (): ?bool => $chrome->has('row', '*Leaflet*') ? true : null, 'rows there');
        $isReading = 'return document.querySelector("[aria-label=\'being read\']") !== null';
        $chrome->until(fn (): ?bool => $chrome->driver->executeScript($isReading) ? null : true, 'every row read');
        $chrome->awaitFrame();
        self::assertEqualsWithDelta(9607, $place(), 2, 'They stay there.');
        $database->exec("delete from pages where name like 'Leaflet %'");
    }

    #[Test]
    public function colours_follow_the_choice_and_stay_chosen(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Colours: System. Change to Dark');
        $theme = fn (): string => (string) $chrome->driver->executeScript('return document.documentElement.dataset.theme');
        self::assertSame('dark', $theme());
        $chrome->driver->navigate()->refresh();
        $chrome->find('row', '*Legal*');
        self::assertSame('dark', $theme());
        $chrome->click('button', 'Colours: Dark. Change to Light');
        self::assertSame('light', $theme());
    }

    #[Test]
    public function another_site_is_a_choice_away_and_signing_out_closes_both(): void
    {
        $this->expected = ['422'];
        $chrome = $this->signIn();
        $chrome->click('button', 'Skerrivane Ferries');
        $chrome->click('menuitem', 'Skerrivane Boatyard*');
        $chrome->find('row', '*Winter storage*');
        self::assertFalse($chrome->has('row', '*Islands*'));
        $chrome->click('button', 'MO, signed in as Mairi Ordbeck');
        $chrome->click('menuitem', 'Sign out');
        $chrome->find('heading', 'Sign in to Heronstem');
        $chrome->open($this->editor('/s/boatyard/outline'));
        $chrome->type('textbox', 'Mail address', 'mairi@skerrivane.example');
        $chrome->type('textbox', 'Password', 'wrong');
        $chrome->click('button', 'Sign in');
        $chrome->awaitText('Mail address and password do not go together');
        $chrome->type('textbox', 'Password', 'curlew-at-dawn');
        $chrome->click('button', 'Sign in');
        $chrome->find('row', '*Winter storage*');
    }

    #[Test]
    public function a_ripple_that_somebody_overtook_is_shown_anew(): void
    {
        $this->expected = ['409'];
        $chrome = $this->signIn();
        $this->makePage('Gulls', 'Islands');
        $this->goLive();
        $chrome->type('textbox', 'Slug', 'seagulls');
        $chrome->click('button', 'Save changes');
        $chrome->find('region', 'Ripple');
        $other = $this->browser();
        $this->signIn('greta@skerrivane.example', 'wagtail-office', $other);
        $other->click('button', 'Islands');
        $other->find('complementary', 'Page sheet');
        $other->type('textbox', 'Slug', 'isles');
        $other->click('button', 'Save changes');
        $other->find('region', 'Ripple');
        $other->find('button', 'Change slug, write*')->click();
        $other->awaitText('Set the slug of Islands');
        $chrome->find('button', 'Change slug, write*')->click();
        $chrome->awaitText('Somebody changed the site meanwhile');
        $chrome->awaitText('/isles/seagulls');
        $chrome->find('button', 'Change slug, write*')->click();
        $chrome->awaitText('Set the slug of Gulls');
        self::assertSame([301, $this->ferries('/isles/seagulls')], array_slice($this->fetch($this->ferries('/islands/gulls')), 0, 2));
        $other->click('button', 'Undo');
        $other->awaitText('Undone:');
    }

    #[Test]
    public function a_reader_sees_everything_and_is_offered_no_change(): void
    {
        $chrome = $this->signIn('ruaridh@skerrivane.example', 'dunlin-evening');
        self::assertFalse($chrome->has('button', 'Make page'));
        $chrome->click('button', 'Freight');
        $chrome->awaitText('Sits in');
        self::assertFalse($chrome->has('button', 'Take offline'));
        self::assertFalse($chrome->has('button', 'Save changes'));
    }

    #[Test]
    public function a_page_is_read_and_put_live_on_a_telephone(): void
    {
        $phone = $this->browser(390, 780);
        $this->signIn(in: $phone);
        $phone->click('button', 'Open Help');
        $phone->click('button', 'Weather and cancellations');
        $phone->find('heading', 'Weather and cancellations');
        $this->goLive($phone);
        self::assertSame(200, $this->fetch($this->ferries('/help/weather'))[0]);
        self::assertLessThanOrEqual(390, $phone->driver->executeScript('return document.documentElement.scrollWidth'));
        $phone->open($this->ferries('/help/weather'));
        self::assertLessThanOrEqual(390, $phone->driver->executeScript('return document.documentElement.scrollWidth'));
    }

    private function assertAccessible(string $view): void
    {
        self::assertSame([], $this->chrome->axe(), $view);
    }
}
