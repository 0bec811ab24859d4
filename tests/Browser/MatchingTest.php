<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;
use ZipArchive;

/** Addresses of old sites matched to pages: taught by choosing, kept over days, worked on by two. */
final class MatchingTest extends Errand
{
    #[Test]
    public function addresses_of_the_old_company_are_matched_to_pages_and_sent_on_in_one_change(): void
    {
        $chrome = $this->list(
            'Vanesay line',
            "/vanesay-line/timetable.html\n/vanesay-line/refunds\n/vanesay-line/lost-property.php\n/vanesay-line/xyz",
        );
        $chrome->awaitText('Lost property', 'table');
        self::assertSame([], $chrome->axe());
        $this->from(50);
        $chrome->find('checkbox', 'Say that /vanesay-line/xyz is gone')->click();
        $chrome->awaitText('Chosen by Mairi', 'table');
        $this->send('Send 4 addresses on');
        self::assertSame(
            [301, $this->ferries('/help/lost-property')],
            array_slice($this->fetch($this->ferries('/vanesay-line/lost-property.php')), 0, 2),
        );
        self::assertSame(410, $this->fetch($this->ferries('/vanesay-line/xyz'))[0]);
        // What is made is done with, and said so.
        $chrome->awaitText('leads on already', 'table');
        $chrome->awaitText('Every address of the list is answered.');
        $chrome->awaitUnusable('button', 'Send addresses on');
    }

    #[Test]
    public function a_list_in_another_language_is_taught_by_choosing_and_a_threshold_says_how_many_are_probably_wrong(): void
    {
        $chrome = $this->list('Blaat', "/skerra/klompik\n/vanesay/klompik\n/ullin/klompik\n/blaat");
        $chrome->awaitText('4 of 4');
        $chrome->awaitText('0 of 4 rows accepted; probably none wrong');
        $this->from(5);
        $chrome->awaitText('3 of 4 rows accepted; probably 3 wrong');
        $this->from(90);
        $chrome->awaitNoText('/islands/vanesay/walking', 'table');
        $chrome->click('button', '*for /skerra/klompik*');
        $chrome->type('textbox', 'Choose a page', 'Walking');
        $chrome->find('option', '*/islands/skerra/walking*')->click();
        $chrome->awaitText('2 rows changed by what was chosen.');
        $chrome->awaitText('/islands/vanesay/walking', 'table');
        $chrome->awaitText('/islands/ullin/walking', 'table');
        self::assertSame([], $chrome->axe());
        $chrome->awaitText('3 of 4 rows accepted; probably none wrong');
        // A word that no row teaches is written down.
        $chrome->click('button', 'Words of the old site…');
        $chrome->type('textbox', 'One a line', 'blaat');
        $this->expected = ['status of 422'];
        $chrome->click('button', 'Save and match again');
        $chrome->awaitText('Line 1 says no word for a word');
        self::assertSame([], $chrome->axe());
        $chrome->type('textbox', 'One a line', 'blaat = lost property');
        $chrome->click('button', 'Save and match again');
        $chrome->awaitText('/help/lost-property', 'table');
        $this->from(60);
        $this->send('Send 4 addresses on');
        self::assertSame([301, $this->ferries('/islands/vanesay/walking')], array_slice($this->fetch($this->ferries('/vanesay/klompik')), 0, 2));
    }

    #[Test]
    public function a_list_with_titles_is_taken_from_its_file_narrowed_and_what_no_page_became_is_said_to_be_gone(): void
    {
        $chrome = $this->openMatching();
        $this->call('Orm tours');
        $this->file()->sendKeys(dirname(__DIR__, 2).'/database/demo/ferries/lists/orm-tours.csv');
        $chrome->click('button', 'Match them');
        $chrome->awaitText('25 of 25');
        $chrome->find('combobox', 'Which rows')->sendKeys('Not accepted');
        $chrome->find('checkbox', '*/gift-vouchers is gone*')->click();
        $chrome->awaitNoText('/gift-vouchers', 'table');
        $chrome->type('textbox', 'Filter old addresses', 'unsub');
        $chrome->awaitText('1 of 25');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', '*newsletter/unsubscribe*');
        $chrome->type('textbox', 'Choose a page', 'Contact');
        $chrome->find('option', 'Contact*');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->awaitText('0 of 25');
        $this->send('Send*');
        self::assertSame([301, $this->ferries('/about/fleet/sandpiper')], array_slice($this->fetch($this->ferries('/boats/sandpiper')), 0, 2));
        self::assertSame([301, $this->ferries('/help/contact')], array_slice($this->fetch($this->ferries('/newsletter/unsubscribe')), 0, 2));
        self::assertSame(410, $this->fetch($this->ferries('/gift-vouchers'))[0]);
        $this->expected[] = '404';
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->awaitText('Undone:');
    }

    #[Test]
    public function a_folder_of_saved_pages_is_matched_by_what_the_pages_are_called(): void
    {
        $path = sys_get_temp_dir().'/heronstem-saved-'.bin2hex(random_bytes(6)).'.zip';
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::CREATE);
        foreach (['17' => 'Lost property', '18' => 'Travelling with dogs', '19' => 'Our knitting circle'] as $n => $heading) {
            $zip->addFromString("p$n.html", "<title>Vanesay Line</title><h1>$heading</h1><p>Words.</p>");
        }
        $zip->addFromString('index.html', '<title>Vanesay Line</title><p>Welcome.</p>');
        $zip->close();
        $chrome = $this->openMatching();
        $this->call('Saved pages');
        $this->file()->sendKeys($path);
        $chrome->click('button', 'Match them');
        $chrome->awaitText('4 of 4');
        unlink($path);
        $chrome->awaitText('/help/lost-property', 'table');
        $chrome->awaitText('Our knitting circle', 'table');
        self::assertSame([], $chrome->axe());
        $this->send('Send 2 addresses on');
        self::assertSame([301, $this->ferries('/help/lost-property')], array_slice($this->fetch($this->ferries('/p17.html')), 0, 2));
        self::assertSame(404, $this->fetch($this->ferries('/p19.html'))[0]);
    }

    #[Test]
    public function two_people_work_on_a_list_and_neither_overwrites_the_other(): void
    {
        $chrome = $this->list('Of two', "/zzqx/first\n/zzqx/second");
        $address = $chrome->driver->getCurrentURL();
        $other = $this->signIn('greta@skerrivane.example', 'wagtail-office', $this->browser());
        $other->open($address);
        $other->find('checkbox', 'Say that /zzqx/first is gone')->click();
        $other->awaitText('Chosen by Greta', 'table');
        // It comes over without anything being done, and the list is there tomorrow under the same address.
        $chrome->awaitText('Chosen by Greta', 'table');
        $chrome->open($address);
        $chrome->awaitText('Chosen by Greta', 'table');
        $chrome->awaitText('2 addresses · 1 by hand', 'nav[aria-label=Lists]');
        $chrome->click('button', 'Rename…');
        $chrome->type('textbox', 'Name', 'Of two, done');
        $chrome->click('button', 'Rename');
        $chrome->find('heading', 'Of two, done');
        $chrome->click('button', 'Remove…');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Remove the list');
        $chrome->find('heading', 'New list');
        $chrome->awaitNoText('Of two, done', 'nav[aria-label=Lists]');
        // Whoever still has it open is told, once, and keeps what is to be seen.
        $other->awaitText('Somebody removed this list.');
        $other->find('checkbox', 'Say that /zzqx/first is gone');
        $other->awaitNoText('Of two, done', 'nav[aria-label=Lists]');
        $complaints = $other->complaints();
        self::assertCount(1, $complaints);
        self::assertStringContainsString('404', $complaints[0]);
    }

    private function openMatching(): Chrome
    {
        $chrome = $this->signIn();
        $chrome->click('link', 'Addresses');
        $chrome->click('link', 'Match old addresses');
        $chrome->find('heading', 'New list');

        return $chrome;
    }

    private function list(string $name, string $addresses): Chrome
    {
        $chrome = $this->openMatching();
        $this->call($name);
        $chrome->find('textbox', 'Old addresses')->sendKeys($addresses);
        $chrome->click('button', 'Match them');
        $chrome->find('heading', $name);

        return $chrome;
    }

    private function call(string $name): void
    {
        $this->chrome->type('textbox', 'Name of the list', $name);
    }

    private function file(): RemoteWebElement
    {
        return $this->chrome->driver->findElement(WebDriverBy::cssSelector('input[type=file]'));
    }

    /** From which confidence on rows are accepted. */
    private function from(int $perCent): void
    {
        $this->chrome->type('textbox', 'Accept from', (string) $perCent);
    }

    private function send(string $act): void
    {
        $this->chrome->click('button', $act);
        $this->chrome->find('region', 'Ripple');
        $this->chrome->click('button', 'Make them');
        $this->chrome->awaitText('Redirected');
    }
}
