<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** What answers at each address: found, tried, sent on, paused, compared and mended. */
final class AddressesTest extends Errand
{
    #[Test]
    public function how_addresses_are_written_is_seen_before_it_is_changed_and_undone(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Skerrivane Ferries');
        $chrome->click('menuitem', 'Settings of this site');
        $chrome->find('heading', 'Settings of this site');
        $chrome->click('button', 'Change…');
        $chrome->click('radio', 'A slash*');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Review the change');
        $chrome->awaitText('addresses move');
        $chrome->awaitText('/travel/fares/', 'section[aria-label=Ripple]');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Change the addresses');
        $chrome->awaitText('Changed how addresses are written: with a slash at the end');
        self::assertSame([301, $this->ferries('/travel/fares/')], array_slice($this->fetch($this->ferries('/travel/fares')), 0, 2));
        self::assertSame(200, $this->fetch($this->ferries('/travel/fares/'))[0]);
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->awaitText('Undone:');
        self::assertSame([301, $this->ferries('/travel/fares')], array_slice($this->fetch($this->ferries('/travel/fares/')), 0, 2));
    }

    #[Test]
    public function every_address_is_found_by_a_part_of_it_and_tried_step_by_step(): void
    {
        $chrome = $this->openAddresses();
        self::assertSame([], $chrome->axe());
        $chrome->type('textbox', 'Filter addresses', 'boats-t');
        $chrome->awaitGone('row', '*/about/history*');
        $chrome->find('row', '*/boats-today*');
        $chrome->click('button', 'Test addresses');
        $chrome->type('textbox', 'Addresses to test', "/Sailings?from=radio\n/nobody-there");
        $chrome->click('button', 'Try');
        $chrome->awaitText('Visitors are sent there at once, with 301', '[role=dialog]');
        $chrome->awaitText('→ /news?from=radio', '[role=dialog]');
        $chrome->awaitText('Nobody holds this address', '[role=dialog]');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Close');
        self::assertSame([301, $this->ferries('/news?from=radio')], array_slice($this->fetch($this->ferries('/sailings?from=radio')), 0, 2));
        $chrome->type('textbox', 'Filter addresses', '');
        $chrome->click('button', 'Tree');
        $chrome->click('button', 'Open /travel');
        $chrome->find('button', 'Open /travel/fares');
        self::assertSame([], $chrome->axe());
    }

    #[Test]
    public function a_poster_gets_a_short_address_with_a_code_and_is_compared_with_another(): void
    {
        $chrome = $this->openAddresses();
        $chrome->click('button', 'New redirect');
        $chrome->type('textbox', 'Address', '/q/harbour-c');
        $chrome->click('button', 'Choose…');
        $chrome->type('textbox', 'Choose a page', 'Timetables');
        $chrome->find('option', 'Timetables*');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->type('textbox', 'Note', 'Poster C, the café');
        $chrome->click('button', 'QR code for a poster');
        self::assertCount(1, $chrome->driver->findElements(WebDriverBy::cssSelector('[role=dialog] svg[role=img]')));
        $this->expected[] = '422'; // what is typed is looked at while the redirect is being made
        $chrome->click('button', 'Make the redirect');
        $chrome->awaitText('Redirected /q/harbour-c');
        self::assertSame([301, $this->ferries('/travel/timetables')], array_slice($this->fetch($this->ferries('/q/harbour-c')), 0, 2));
        $chrome->find('complementary', 'Redirect');
        $chrome->click('button', 'Compare');
        $chrome->awaitText('/q/harbour-a', '[aria-label=Compared]');
        self::assertSame([], $chrome->axe());
        $this->expected[] = '404';
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->awaitText('Undone:');
        self::assertSame(404, $this->fetch($this->ferries('/q/harbour-c'))[0]);
    }

    #[Test]
    public function last_winters_offer_ends_in_a_friendly_pause_page(): void
    {
        $chrome = $this->openAddresses();
        $chrome->click('button', 'New redirect');
        $chrome->type('textbox', 'Address', '/spring-deal');
        $chrome->find('combobox', 'Answer')->sendKeys('Pause page');
        $chrome->find('textbox', 'Message')->click();
        $chrome->press('The spring deal is over.');
        $chrome->find('combobox', 'Kind of target')->sendKeys('an address');
        $this->expected[] = '422';
        $chrome->type('textbox', 'Target', '/travel/fares');
        $chrome->click('button', 'Make the redirect');
        $chrome->awaitText('Redirected /spring-deal to /travel/fares');
        $chrome->open($this->ferries('/spring-deal'));
        $chrome->awaitText('The spring deal is over.');
        self::assertSame([], $chrome->axe());
        $chrome->click('link', 'Go on now');
        $chrome->find('heading', 'Fares');
    }

    #[Test]
    public function a_taken_address_is_said_as_it_is_typed_and_the_redirect_may_stand_in_front(): void
    {
        $chrome = $this->openAddresses();
        $chrome->click('button', 'New redirect');
        $chrome->type('textbox', 'Address', '/freight');
        $chrome->find('combobox', 'Kind of target')->sendKeys('elsewhere');
        $this->expected[] = '422';
        $chrome->type('textbox', 'Target', 'freight.example');
        $chrome->awaitText('A URL elsewhere begins with https://', '[role=dialog]');
        $chrome->type('textbox', 'Target', 'https://freight.example/');
        $chrome->awaitText('/freight is held by “Freight”', '[role=dialog]');
        $this->expected[] = '409';
        $chrome->click('button', 'Make the redirect');
        $chrome->click('button', 'Let the redirect answer before it');
        $chrome->awaitText('visitors no longer get that page there', 'section[aria-label=Ripple]');
        $chrome->click('button', 'Make the redirect');
        $chrome->awaitText('Redirected /freight to');
        $this->expected[] = '404';
        self::assertSame([301, 'https://freight.example/'], array_slice($this->fetch($this->ferries('/freight')), 0, 2));
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->awaitText('Undone:');
        self::assertSame(200, $this->fetch($this->ferries('/freight'))[0]);
    }

    #[Test]
    public function what_was_asked_for_in_vain_is_mended_in_one_step_or_ignored(): void
    {
        $this->fetch($this->ferries('/contact-us'));
        $chrome = $this->openAddresses();
        $chrome->click('button', 'Missed*');
        $chrome->find('row', '*/contact-us*')->click();
        $chrome->awaitText('requests in six weeks');
        $chrome->click('button', 'Send on to Contact');
        $chrome->awaitText('Redirected /contact-us');
        self::assertSame([301, $this->ferries('/help/contact')], array_slice($this->fetch($this->ferries('/contact-us')), 0, 2));
        $chrome->find('complementary', 'Redirect');
        $chrome->find('row', '*/winter-timetable.pdf*')->click();
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Ignore it');
        $chrome->awaitGone('row', '*/winter-timetable.pdf*');
    }

    #[Test]
    public function a_table_is_looked_over_and_only_its_good_rows_are_made(): void
    {
        $chrome = $this->openAddresses();
        $chrome->click('button', 'Import and export');
        $chrome->click('menuitem', 'Import redirects…');
        $chrome
            ->find('textbox', 'Table of redirects')
            ->sendKeys("old;new;note\n/spring-a;/travel/fares;Bus\n/about;/help;\n/spring-b;ftp://x.example/;\n/spring-c;/nowhere-yet;");
        $chrome->click('button', 'Check it');
        $chrome->awaitText('2 rows can be made, 2 rows cannot', '[role=dialog]');
        $chrome->awaitText('A page is at this address', '[role=dialog]');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Make 2 redirects');
        $chrome->awaitText('Made 2 redirects');
        self::assertSame([301, $this->ferries('/travel/fares')], array_slice($this->fetch($this->ferries('/spring-a')), 0, 2));
    }

    #[Test]
    public function patterns_are_put_into_another_order_by_keys_and_by_dragging(): void
    {
        $chrome = $this->openAddresses();
        $chrome->click('button', 'Patterns*');
        $chrome->click('button', 'Order of patterns');
        $chrome->awaitText('/timetable/:season', '[role=dialog] li');
        $chrome->find('button', '*/timetable/:which(winter)*')->sendKeys([WebDriverKeys::ALT, WebDriverKeys::ARROW_UP]);
        self::assertSame([], $chrome->axe());
        $chrome->drag($chrome->find('button', '*/timetable/:which(winter)*'), $chrome->find('button', '*/timetable/:season*'), 0);
        $chrome->awaitText(':which', '[role=dialog] li');
        $chrome->click('button', 'Set the order');
        $chrome->awaitText('Put the patterns in order');
        $chrome->awaitGone('dialog', 'Order of patterns');
        $rows = $chrome->text('[role=rowgroup]');
        self::assertLessThan(strpos($rows, ':season'), strpos($rows, ':which'), $rows);
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->awaitText('Undone:');
    }

    #[Test]
    public function a_removed_redirect_is_found_and_brought_back(): void
    {
        $chrome = $this->openAddresses();
        $chrome->type('textbox', 'Filter addresses', 'souvenirs');
        $chrome->find('row', '/souvenirs*')->click();
        $chrome->click('button', 'Remove');
        $chrome->awaitText('Removed the redirect of /souvenirs');
        $this->expected[] = '404';
        self::assertSame(404, $this->fetch($this->ferries('/souvenirs'))[0]);
        $chrome->awaitText('redirect, removed', '[role=rowgroup]');
        $chrome->find('row', '/souvenirs*')->click();
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Bring it back');
        $chrome->find('complementary', 'Redirect');
        self::assertSame(410, $this->fetch($this->ferries('/souvenirs'))[0]);
        self::assertSame('The shop on the pier closed', $chrome->find('textbox', 'Note')->getAttribute('value'));
    }

    #[Test]
    public function files_for_a_web_server_say_what_they_cannot_carry_and_the_list_is_narrowed_to_findings(): void
    {
        $chrome = $this->openAddresses();
        $chrome->click('button', 'Import and export');
        $chrome->click('menuitem', 'Export for a web server…');
        $chrome->awaitText('The pause page of /winter-deal', '[role=dialog]');
        $chrome->find('radio', 'Apache')->click();
        $chrome->awaitText('They need mod_rewrite', '[role=dialog]');
        self::assertSame([], $chrome->axe());
        self::assertStringContainsString('format=apache-rules', (string) $chrome->find('link', 'Save rules')->getAttribute('href'));
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->click('button', 'Filter');
        $chrome->click('menuitemcheckbox', 'Expired*');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->awaitGone('row', '*/about/history*');
        $chrome->awaitText(', has expired', '[role=rowgroup]');
        $chrome->find('row', '/easter-special*');
    }

    #[Test]
    public function a_redirect_that_was_being_written_is_there_again_when_its_dialog_was_closed(): void
    {
        $chrome = $this->openAddresses();
        $chrome->click('button', 'New redirect');
        $chrome->type('textbox', 'Address', '/half-written');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->awaitGone('dialog', 'New redirect');
        $chrome->click('button', 'New redirect');
        self::assertSame('/half-written', $chrome->find('textbox', 'Address')->getAttribute('value'));
        $chrome->click('button', 'Cancel');
        $chrome->click('button', 'New redirect');
        self::assertSame('', $chrome->find('textbox', 'Address')->getAttribute('value'));
    }

    #[Test]
    public function chains_are_found_with_other_faults_and_straightened_in_one_step(): void
    {
        $chrome = $this->openAddresses();
        $chrome->click('button', '*findings*');
        $chrome->awaitText('Take more than one step 2', '[role=dialog]');
        $chrome->awaitText('Never apply 1', '[role=dialog]');
        $chrome->awaitText('/easter-special', '[role=dialog]');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Straighten all 2');
        $chrome->awaitText('/sailings', 'section[aria-label=Ripple]');
        $chrome->click('button', 'Straighten them');
        $chrome->awaitText('Changed the redirect of /sailings and 1 more change');
        self::assertSame([301, $this->ferries('/news')], array_slice($this->fetch($this->ferries('/sailings')), 0, 2));
        $chrome->click('button', '*findings*');
        $chrome->awaitText('Never apply', '[role=dialog]');
        $chrome->awaitNoText('Take more than one step', '[role=dialog]');
        $chrome->click('button', '/easter-special');
        $chrome->find('complementary', 'Redirect');
    }

    #[Test]
    public function a_redirect_is_switched_off_and_on_and_its_address_becomes_the_pages_own(): void
    {
        $chrome = $this->openAddresses();
        $chrome->click('button', 'Redirects*');
        $chrome->find('row', '/today*')->click();
        $chrome->click('button', 'Switch it off');
        $chrome->awaitText('Switched the redirect of /today off');
        self::assertSame(404, $this->fetch($this->ferries('/today'))[0]);
        $chrome->click('button', 'Switch it on');
        $chrome->awaitText('Switched the redirect of /today on');
        $chrome->click('button', 'Show the page here instead');
        $chrome->awaitGone('complementary', 'Redirect');
        self::assertSame(200, $this->fetch($this->ferries('/today'))[0]);
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->awaitText('Undone:');
        self::assertSame(301, $this->fetch($this->ferries('/today'))[0]);
    }

    private function openAddresses(): Chrome
    {
        $chrome = $this->signIn();
        $chrome->click('link', 'Addresses');
        $chrome->find('row', '*/about/history*');

        return $chrome;
    }

    #[Test]
    public function a_whole_url_of_the_site_is_understood_and_a_young_redirect_says_nothing_of_six_weeks(): void
    {
        $chrome = $this->openAddresses();
        $chrome->click('button', 'New redirect');
        $chrome->type('textbox', 'Address', $this->ferries('/sailing-today'));
        $chrome->find('combobox', 'Kind of target')->sendKeys('an address');
        $this->expected[] = '422'; // what is typed is looked at while the redirect is being made
        $chrome->type('textbox', 'Target', '/freight');
        $chrome->click('button', 'Make the redirect');
        $chrome->awaitText('Redirected /sailing-today');
        $panel = '[aria-label=Redirect]';
        $chrome->awaitText('Nobody has come this way since it was made', $panel);
        self::assertStringNotContainsString('*', $chrome->text($panel));
    }
}
