<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** The changes to the tree, each as a manager makes it: by mouse, by keyboard, and with somebody else at work. */
final class StructureTest extends Errand
{
    #[Test]
    public function a_branch_is_retired_by_keyboard_answers_from_above_and_comes_back_from_the_bin(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Old piers', 'Legal');
        $this->goLive();
        $this->makePage('Stone pier', 'Old piers');
        $this->goLive();
        $this->row('*Old piers*');
        $chrome->press(WebDriverKeys::DELETE);
        $chrome->find('region', 'Ripple');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->awaitGone('complementary', 'Page sheet');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->awaitGone('region', 'Ripple');
        $chrome->press(WebDriverKeys::DELETE);
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('2 decisions to make first', $this->tray());
        $chrome->awaitText('and 1 page inside it goes along', $this->tray());
        $chrome->press('d');
        $chrome->find('button', 'Put 2 pages in bin, write 2 redirects');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->awaitText('Put Old piers in the bin with 1 page below');
        self::assertSame([301, $this->ferries('/legal')], array_slice($this->fetch($this->ferries('/legal/old-piers/stone-pier')), 0, 2));
        $chrome->click('button', 'Bin*');
        $chrome->awaitText('and 1 page below', '[role=dialog]');
        $chrome->driver->findElement(WebDriverBy::xpath("//li[contains(., 'Old piers')]//button[text()='Bring back']"))->click();
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Bring back');
        $chrome->awaitText('Brought Old piers back');
        self::assertSame(200, $this->fetch($this->ferries('/legal/old-piers/stone-pier'))[0]);
    }

    #[Test]
    public function a_slug_held_by_a_page_in_the_bin_is_explained_and_taken_over(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Service news');
        $chrome->click('button', 'Make page');
        $chrome->type('textbox', 'Name of the new page', 'Easter sailings');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('/news/easter-sailings is kept for “Easter sailings”, in the bin', $this->tray());
        $chrome->click('button', 'Take it over');
        $this->apply();
        $chrome->awaitText('Made Easter sailings under Service news');
        $chrome->find('row', '*/news/easter-sailings*');
    }

    #[Test]
    public function a_branch_is_duplicated_as_drafts_and_marked_pages_go_live_together(): void
    {
        $chrome = $this->signIn();
        $this->menu('Freight', 'Duplicate…*');
        $chrome->find('dialog', 'Duplicate Freight');
        $chrome->type('textbox', 'Name of the copy', 'Freight copy');
        $chrome->awaitText('It will be at /freight-copy', '[role=dialog]');
        $chrome->click('checkbox', 'Duplicate the pages below it too, as drafts');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Duplicate');
        $chrome->awaitText('Duplicated Freight');
        // The copy is chosen, and its sheet is open.
        $chrome->find('heading', 'Freight copy');
        $chrome->click('button', 'Close the sheet');
        $this->row('*Freight copy*');
        $chrome->press(WebDriverKeys::ARROW_RIGHT);
        // The range goes over the rows that are there.
        $chrome->find('row', '*/freight-copy/booking*');
        $chrome->press(WebDriverKeys::SPACE, [WebDriverKeys::SHIFT, WebDriverKeys::ARROW_DOWN], [WebDriverKeys::SHIFT, WebDriverKeys::ARROW_DOWN]);
        $chrome->awaitText('3 pages marked');
        $chrome->driver->navigate()->refresh();
        $chrome->awaitText('3 pages marked');
        $chrome->driver->findElement(WebDriverBy::xpath("//*[@role='toolbar']//button[text()='Go live']"))->click();
        $chrome->awaitText('Put 3 pages live');
        self::assertSame(200, $this->fetch($this->ferries('/freight-copy'))[0]);
        self::assertSame(404, $this->fetch($this->ferries('/freight-copy/rates'))[0]);
    }

    #[Test]
    public function a_page_becomes_a_pointer_is_pinned_scheduled_unlisted_and_answers_elsewhere(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Tides today', 'About');
        $chrome->driver->findElement(WebDriverBy::xpath("//dt[text()='Kind']/following-sibling::dd[1]//button"))->click();
        $chrome->driver->findElement(WebDriverBy::xpath("//*[@role='dialog']//label[contains(., 'Pointer')]"))->click();
        $chrome->find('combobox', 'It leads to*')->sendKeys('a URL');
        $chrome->type('textbox', 'URL', 'https://tides.example/today');
        $chrome->click('button', 'Make it a pointer');
        $chrome->awaitText('Made Tides today a pointer');
        $chrome->awaitText('pointer to https://tides.example/today', 'aside');
        $chrome->click('button', 'Pin…');
        $chrome->type('textbox', 'Address', '/tides');
        $chrome->click('button', 'Pin');
        $chrome->awaitText('pinned by hand', 'aside');
        $chrome->click('button', 'Add an address…');
        $chrome->type('textbox', 'Further address', '/q/tides');
        $chrome->click('button', 'Add the address');
        $chrome->find('button', 'Remove /q/tides');
        $this->expected[] = '422';
        $chrome->click('button', 'Set…');
        $chrome->type('textbox', 'Live from', '1 May 2020, 06:00');
        $chrome->click('button', 'Schedule');
        $chrome->awaitText('This moment has passed', '[role=dialog]');
        $chrome->type('textbox', 'Live from', '2090-05-01 6:00');
        $chrome->click('button', 'Schedule');
        $chrome->awaitText('live from 1 May 2090, 06:00', 'aside');
        $this->goLive();
        self::assertSame([302, 'https://tides.example/today'], array_slice($this->fetch($this->ferries('/q/tides')), 0, 2));
        self::assertStringContainsString('https://tides.example/today', $this->fetch($this->ferries('/about'))[2]);
        $chrome->click('button', 'Unlist');
        $chrome->click('button', 'Unlist');
        $chrome->awaitText('Unlisted Tides today');
    }

    #[Test]
    public function a_section_is_left_out_of_the_addresses_below_and_taken_in_again(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Spare parts', 'About');
        $this->goLive();
        $this->makePage('Ropes', 'Spare parts');
        $this->goLive();
        $chrome->click('button', 'Spare parts');
        $chrome->find('heading', 'Spare parts');
        $this->line('Kind');
        $chrome->driver->findElement(WebDriverBy::xpath("//*[@role='dialog']//label[contains(., 'Section')]"))->click();
        $chrome->click('button', 'Make it a section');
        $this->applyIfShown('Made Spare parts a section');
        self::assertSame([302, $this->ferries('/about/spare-parts/ropes')], array_slice($this->fetch($this->ferries('/about/spare-parts')), 0, 2));
        $this->menu('Spare parts', 'Leave out of addresses below');
        $this->applyIfShown('Left Spare parts out of the addresses below');
        self::assertSame(200, $this->fetch($this->ferries('/about/ropes'))[0]);
        self::assertSame([301, $this->ferries('/about/ropes')], array_slice($this->fetch($this->ferries('/about/spare-parts/ropes')), 0, 2));
        $this->menu('Spare parts', 'Include in addresses below');
        $this->applyIfShown('Included Spare parts in the addresses below');
        self::assertSame(200, $this->fetch($this->ferries('/about/spare-parts/ropes'))[0]);
    }

    #[Test]
    public function what_was_pinned_unlisted_and_added_to_a_page_is_undone_on_its_sheet(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Gangways', 'About');
        $this->goLive();
        $chrome->click('button', 'Pin…');
        $chrome->type('textbox', 'Address', '/gangways');
        $chrome->click('button', 'Pin');
        $this->applyIfShown('Pinned Gangways to /gangways');
        $chrome->click('button', 'Unpin');
        $this->applyIfShown('Unpinned Gangways');
        self::assertSame([301, $this->ferries('/about/gangways')], array_slice($this->fetch($this->ferries('/gangways')), 0, 2));
        $chrome->click('button', 'Remove /gangways');
        $this->applyIfShown('Removed /gangways from Gangways');
        self::assertSame(410, $this->fetch($this->ferries('/gangways'))[0]);
        $chrome->click('button', 'Unlist');
        $this->applyIfShown('Unlisted Gangways');
        $chrome->click('button', 'List');
        $this->applyIfShown('Listed Gangways');
        self::assertStringContainsString('/about/gangways', $this->fetch($this->ferries('/sitemap.xml'))[2]);
    }

    #[Test]
    public function an_owner_keeps_a_page_that_a_manager_cannot_retire_and_lets_it_go_again(): void
    {
        $owner = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $this->makePage('Anchors', 'About');
        $this->menu('Anchors', 'Protect');
        $owner->awaitText('Protected Anchors');
        $manager = $this->signIn(in: $this->browser());
        $manager->open($this->editor('/s/ferries/outline?filter=anchors'));
        $manager->find('row', '*/about/anchors*')->findElement(WebDriverBy::cssSelector('[role=gridcell]:nth-child(2)'))->click();
        $manager->driver->executeScript("document.querySelector('[role=treegrid]').focus()");
        $this->expected[] = '422';
        $manager->press(WebDriverKeys::DELETE);
        $manager->awaitText('only the owner of the site retires it');
        $this->menu('Anchors', 'Remove protection');
        $owner->awaitText('Removed the protection of Anchors');
        $manager->press(WebDriverKeys::DELETE);
        $manager->find('region', 'Ripple');
        $manager->click('button', 'Put in bin');
        $manager->awaitText('Put Anchors in the bin');
        $manager->click('button', 'Bin*');
        $manager->awaitText('/about/anchors', '[role=dialog]');
        $manager->driver->findElement(WebDriverBy::xpath("//li[contains(., 'Anchors')]//button[text()='Delete for good']"))->click();
        $manager->find('region', 'Ripple');
        $manager->click('button', 'Delete for good');
        $manager->awaitText('Deleted Anchors for good');
        $manager->press([WebDriverKeys::CONTROL, 'z']);
        $manager->awaitText('Undone:');
        $manager->click('button', 'Bin*');
        $manager->awaitText('/about/anchors', '[role=dialog]');
    }

    #[Test]
    public function another_page_becomes_the_start_page_and_gives_the_place_back(): void
    {
        $chrome = $this->signIn();
        $this->menu('Freight', 'Make it the start page');
        $chrome->find('region', 'Ripple');
        $this->apply();
        $chrome->awaitText('Made Freight the start page');
        self::assertStringContainsString('<title>Freight', $this->fetch($this->ferries('/'))[2]);
        self::assertSame([301, $this->ferries('/')], array_slice($this->fetch($this->ferries('/freight')), 0, 2));
        self::assertSame(200, $this->fetch($this->ferries('/home'))[0]);
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->awaitText('Undone:');
        self::assertStringContainsString('<title>Sail with us', $this->fetch($this->ferries('/'))[2]);
        self::assertSame(200, $this->fetch($this->ferries('/freight'))[0]);
    }

    #[Test]
    public function a_writer_sends_a_page_for_review_and_a_manager_returns_it_with_a_note(): void
    {
        $writer = $this->signIn('tam@skerrivane.example', 'sandpiper-noon');
        $this->makePage('Late boats', 'Service news');
        $writer->click('button', 'Send for review…');
        $writer->type('textbox', 'What to look at', 'Is the last boat right?');
        $writer->click('button', 'Send for review');
        $writer->awaitText('In review. Read it', 'aside');
        $manager = $this->signIn(in: $this->browser());
        $manager->open($this->editor('/s/ferries/outline?state=review'));
        $manager->click('button', 'Late boats');
        $manager->awaitText('“Is the last boat right?”', 'aside');
        $manager->click('button', 'Return to its writer…');
        $manager->type('textbox', 'What is missing', 'It leaves at eleven');
        $manager->click('button', 'Return to its writer');
        $manager->awaitText('Returned from review.', 'aside');
        $manager->awaitText('“It leaves at eleven”', 'aside');
    }

    #[Test]
    public function the_history_is_narrowed_opened_and_undone_since_a_change(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Ice on the pier', 'Help');
        $chrome->type('textbox', 'Name', 'Ice and snow');
        $chrome->click('button', 'Save changes');
        $chrome->awaitText('Renamed Ice on the pier to Ice and snow');
        $chrome->click('tab', 'History');
        $chrome->click('button', 'Renamed Ice on the pier to Ice and snow');
        $chrome->find('complementary', 'Change');
        $chrome->find('button', 'Ice and snow');
        $chrome->click('link', 'History');
        $chrome->find('heading', 'History');
        $chrome->find('combobox', 'Kind of change')->sendKeys('Made');
        $chrome->click('button', 'Made Ice on the pier under Help');
        $chrome->find('complementary', 'Change');
        $chrome->click('button', 'Undo everything since…');
        $chrome->find('region', 'Ripple');
        $chrome->type('textbox', 'Note*', 'It thawed');
        $chrome->click('button', 'Undo');
        $chrome->awaitText('Undid 2 changes');
        $chrome->find('combobox', 'Kind of change')->sendKeys('Undone');
        $chrome->awaitText('“It thawed”');
        $chrome->open($this->editor('/s/ferries/outline?filter=ice-and-snow'));
        $chrome->awaitText('No page has “ice-and-snow”');
    }

    #[Test]
    public function the_whole_list_of_a_ripple_is_narrowed_and_the_branch_drawn_before_and_after(): void
    {
        $chrome = $this->signIn();
        $this->row('*Islands*');
        $chrome->press([WebDriverKeys::SHIFT, WebDriverKeys::F2]);
        $chrome->find('textbox', 'Slug of Islands');
        $chrome->press([WebDriverKeys::CONTROL, 'a'], 'isles', WebDriverKeys::ENTER);
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Show the whole list');
        $chrome->type('textbox', 'Filter the list', 'ullin');
        $chrome->awaitText('1 to 5 of 5 rows', '[role=dialog]');
        $chrome->awaitText('/isles/ullin/walking', '[role=dialog]');
        $chrome->click('button', 'Close the list');
        $chrome->click('button', 'before and after');
        $chrome->awaitText('After', $this->tray());
        $chrome->click('button', 'Cancel');
    }

    #[Test]
    public function a_link_written_as_an_address_is_found_before_its_page_is_renamed_and_turned_to_the_page(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Seasickness', 'Help');
        $this->goLive();
        $this->makePage('Ginger', 'Help');
        $chrome->click('tab', 'Content');
        $chrome->find('textbox', 'Content of the page')->click();
        $chrome->press('If it rolls');
        $chrome->press([WebDriverKeys::SHIFT, WebDriverKeys::HOME]);
        $chrome->click('button', 'Link');
        $chrome->find('dialog', 'Link');
        $chrome->press('/help/seasickness#worst');
        $chrome->find('option', '*as it is written*')->click();
        $chrome->awaitGone('dialog', 'Link');
        $chrome->click('button', 'Save content');
        $chrome->awaitText('version 1');
        $this->goLive();
        $chrome->click('button', 'Seasickness');
        $chrome->click('tab', 'Details');
        $chrome->type('textbox', 'Slug', 'feeling-sick');
        $chrome->click('button', 'Save changes');
        $chrome->awaitText('1 link in content is written as an address', $this->tray());
        $chrome->click('button', '1 link by address');
        $chrome->awaitText('goes through a redirect', $this->tray());
        $chrome->click('radio', 'Turn it into a link to its page');
        $this->apply();
        $chrome->awaitText('Set the slug of Seasickness');
        $html = $this->fetch($this->ferries('/help/ginger'))[2];
        self::assertSame('/help/feeling-sick#worst', preg_match('/<a href="([^"]*)">If it rolls/', $html, $link) === 1 ? $link[1] : $html);
    }

    #[Test]
    public function two_versions_of_words_are_compared_and_the_older_brought_back(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Lost gloves', 'Help');
        foreach (['Gloves wait at the office.', ' They wait a month.'] as $n => $words) {
            $chrome->click('tab', 'Content');
            $chrome->find('textbox', 'Content of the page')->click();
            $chrome->press([WebDriverKeys::CONTROL, WebDriverKeys::END], $words);
            $chrome->click('button', 'Save content');
            $chrome->awaitText('version '.($n + 1));
        }
        $chrome->click('tab', 'History');
        $chrome->click('button', 'Show: version 2');
        $chrome->awaitText('Version 2 of the content', '[role=dialog]');
        $chrome->awaitText('They wait a month.', '[role=dialog]');
        self::assertStringContainsString(
            'They wait a month.',
            $chrome->driver->findElement(WebDriverBy::cssSelector('[role=dialog] ins'))->getText(),
        );
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Close');
        $chrome->click('button', 'Compare with latest: version 1');
        $chrome->awaitText('Gloves wait at the office.', '[role=dialog]');
        $chrome->click('button', 'Bring version 1 back');
        $chrome->awaitText('Version 1 is back, as version 3.');
        $chrome->click('tab', 'Content');
        $chrome->awaitText('version 3');
        $chrome->awaitNoText('They wait a month.', '.writing');
    }

    #[Test]
    public function the_drawing_is_walked_by_keys_and_leads_to_the_row(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Drawing');
        $chrome->find('tree', 'Pages of the structure')->click();
        $chrome->find('treeitem', 'Travel*');
        self::assertSame([], $chrome->axe());
        $chrome->driver->findElement(WebDriverBy::cssSelector('[role=tree]'))->sendKeys(WebDriverKeys::ARROW_DOWN);
        $chrome->press(WebDriverKeys::ARROW_RIGHT);
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('row', '*/travel/routes*');
    }

    #[Test]
    public function a_ripple_that_somebody_elses_change_has_made_old_is_shown_anew_instead_of_applied(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Pets at sea', 'About');
        $this->goLive();
        $chrome->click('button', 'Close the sheet');
        $this->row('*Pets at sea*');
        $chrome->press('m');
        $chrome->type('textbox', 'Choose a page', 'Refunds');
        $chrome->awaitText('/help/refunds', '[role=dialog]');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->awaitText('/help/refunds/pets-at-sea', '[role=dialog]');
        $chrome->click('button', 'Move');
        $chrome->find('region', 'Ripple');
        $other = $this->signIn('greta@skerrivane.example', 'wagtail-office', $this->browser());
        $other->click('button', 'Open Help');
        $other->click('button', 'Refunds');
        $other->type('textbox', 'Slug', 'money-back');
        $other->click('button', 'Save changes');
        $other->click('button', 'Change slug, write 1 redirect');
        $other->awaitText('Set the slug of Refunds');
        $this->expected[] = '409';
        $chrome->click('button', 'Move, write 1 redirect');
        $chrome->awaitText('Somebody changed the site meanwhile', $this->tray());
        $chrome->awaitText('/help/money-back/pets-at-sea', $this->tray());
        $chrome->click('button', 'Move, write 1 redirect');
        $chrome->awaitText('Moved Pets at sea under Refunds');
    }

    /** Presses the tray's own button, whatever it says. */
    private function apply(): void
    {
        $this->chrome->until(
            fn () => $this->chrome->driver->executeScript(
                "const b = [...document.querySelectorAll('section[aria-label=Ripple] button')].find(b => /(^| )bg-heron( |$)/.test(b.className)); if (!b || b.disabled) return null; b.click(); return true",
            ),
            'the tray ready to apply',
        );
    }

    /** Waits until a change is said to be done, through the tray where visitors notice it. */
    private function applyIfShown(string $done): void
    {
        $this->chrome->until(function () use ($done): ?bool {
            if ($this->chrome->has('region', 'Ripple')) {
                $this->apply();
                $this->chrome->awaitGone('region', 'Ripple');
            }

            return str_contains($this->chrome->text(), $done) ? true : null;
        }, "“{$done}”");
    }

    /** Presses the button in a line of the sheet. */
    private function line(string $name): void
    {
        $this->chrome->driver->findElement(WebDriverBy::xpath("//dt[text()='$name']/following-sibling::dd[1]//button"))->click();
    }

    private function tray(): string
    {
        return 'section[aria-label=Ripple]';
    }

    /** Makes a row the active one, with the keys on the tree. */
    private function row(string $name): void
    {
        $row = $this->chrome->find('row', $name);
        $row->findElement(WebDriverBy::cssSelector('[role=gridcell]:nth-child(2)'))->click();
        $this->chrome->driver->executeScript("document.querySelector('[role=treegrid]').focus()");
    }

    private function menu(string $page, string $act): void
    {
        $this->row("*$page*");
        $this->chrome->click('button', "Change $page");
        $this->chrome->click('menuitem', $act);
    }

    #[Test]
    public function the_outlines_keys_work_wherever_in_the_rows_the_focus_is(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Freight');
        $chrome->find('complementary', 'Page sheet');
        $chrome->press(WebDriverKeys::ARROW_DOWN);
        $chrome->until(
            fn (): ?bool => $chrome->driver->executeScript(
                "return document.querySelector('[role=treegrid]').getAttribute('aria-activedescendant') === document.querySelectorAll('[role=row]')[0].id ? null : true",
            ),
            'the active row to move',
        );
        $chrome->click('button', 'Freight');
        $chrome->press(WebDriverKeys::F2);
        $chrome->find('textbox', 'Name of Freight');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->click('button', 'Freight');
        $chrome->press('n');
        $chrome->find('textbox', 'Name of the new page');
        $chrome->press('Pallets', WebDriverKeys::ENTER);
        $chrome->awaitText('Made Pallets');
        $made = $chrome->until(
            fn (): ?string => $chrome->driver->executeScript("return document.querySelector('[role=row][aria-selected=true]')?.textContent ?? null"),
            'an active row',
        );
        self::assertStringContainsString('Pallets', $made, 'What was made is the active row.');
    }
}
