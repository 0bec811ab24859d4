<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

final class ContentTest extends Errand
{
    #[Test]
    public function leaving_with_unsaved_words_asks_and_the_words_are_offered_again(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Night boats', 'Service news');
        $this->write('There are none, and here is why.');
        $chrome->click('button', 'Freight');
        $chrome->find('dialog', 'Leave with unsaved content?');
        $chrome->click('button', 'Stay');
        $chrome->awaitText('There are none', '.writing');
        $chrome->awaitText('Kept as your private draft at');
        $chrome->click('button', 'Freight');
        $chrome->click('button', 'Leave, keep my draft');
        $chrome->find('heading', 'Freight');
        $chrome->click('button', 'Night boats');
        $chrome->click('tab', 'Content');
        $chrome->awaitText('You have an unsaved draft from');
        $chrome->click('button', 'Continue with the draft');
        $chrome->awaitText('There are none, and here is why.', '.writing');
        $chrome->click('button', 'Save content');
        $chrome->awaitText('version 1');
    }

    #[Test]
    public function words_survive_a_crash_of_the_browser(): void
    {
        $this->continued('Storm plans', 'Kept through a crash.');
    }

    #[Test]
    public function a_session_that_ends_while_writing_loses_nothing(): void
    {
        $this->expected = ['401', '419'];
        $chrome = $this->signIn();
        $this->makePage('Lost and found', 'Service news');
        $chrome->click('tab', 'Content');
        $chrome->find('textbox', 'Content of the page');
        $this->database()->exec('delete from sessions');
        $this->write('Still here after signing in again.');
        $chrome->find('dialog', 'You have been signed out');
        $chrome->type('textbox', 'Password', 'curlew-at-dawn');
        $chrome->click('button', 'Sign in');
        $chrome->awaitGone('dialog', 'You have been signed out');
        $chrome->click('button', 'Save content');
        $chrome->awaitText('version 1');
        $chrome->awaitText('Still here after signing in again.', '.writing');
    }

    #[Test]
    public function two_people_on_one_page_are_told_and_neither_loses_a_word(): void
    {
        $this->expected = ['412'];
        $mairi = $this->signIn();
        $this->makePage('Ice on the pier', 'Service news');
        $address = $mairi->driver->getCurrentURL();
        $tam = $this->browser();
        $this->signIn('tam@skerrivane.example', 'sandpiper-noon', $tam);
        $tam->open($address);
        $tam->click('tab', 'Content');

        $this->write('Mairi writes about ice.');
        $mairi->awaitText('Kept as your private draft at');
        $tam->awaitText('Mairi Ordbeck has this page open too');
        $this->write('Tam writes about salt.', $tam);
        $tam->click('button', 'Save content');
        $tam->awaitText('version 1');

        $mairi->click('button', 'Save content');
        $mairi->find('dialog', 'Tam Hollister saved this page meanwhile');
        $mairi->awaitText('Tam writes about salt.', '[role=dialog]');
        $mairi->awaitText('Mairi writes about ice.', '[role=dialog]');
        $mairi->click('button', 'Put mine below theirs');
        $mairi->awaitText('version 2');
        $mairi->awaitText('Tam writes about salt.', '.writing');
        $mairi->awaitText('Mairi writes about ice.', '.writing');
    }

    #[Test]
    public function whoever_saves_second_may_decide_later_or_save_over_the_first_whose_version_is_kept(): void
    {
        $this->expected = ['412'];
        $mairi = $this->signIn();
        $this->makePage('Salt', 'Service news');
        $address = $mairi->driver->getCurrentURL();
        $this->write('Grit first.');
        $tam = $this->browser();
        $this->signIn('tam@skerrivane.example', 'sandpiper-noon', $tam);
        $tam->open($address);
        $this->write('Salt first.', $tam);
        $tam->click('button', 'Save content');
        $tam->awaitText('version 1');
        $mairi->awaitText('Tam Hollister has saved this page since you opened it.');
        $mairi->click('button', 'Save content');
        $mairi->click('button', 'Decide later');
        $mairi->awaitText('Grit first.', '.writing');
        $mairi->click('button', 'Save content');
        $mairi->click('button', 'Save mine, keep theirs as earlier version');
        $mairi->awaitText('version 2');
        $kept = $this->database()
            ->query("select document::text from content_versions r join pages p on p.id = r.page_id where p.address = '/news/salt' order by number")
            ->fetchAll(\PDO::FETCH_COLUMN);
        self::assertStringContainsString('Salt first.', $kept[0]);
        self::assertStringContainsString('Grit first.', $kept[1]);
    }

    #[Test]
    public function pasted_words_keep_their_structure_and_lose_their_looks(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Pasted', 'Service news');
        $this->write(' ');
        $chrome->driver->executeScript(
            <<<'JS'
            const data = new DataTransfer()
            data.setData('text/html', '<h1 style="color:red">Tides</h1><p class="x">High at <b>noon</b>, see <a href="/help/contact">us</a>.</p><script>alert(1)</scr' + 'ipt>')
            data.setData('text/plain', 'Tides')
            document.querySelector('.writing').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
            JS
            ,
        );
        $chrome->awaitText('High at noon, see us.', '.writing');
        $html = (string) $chrome->driver->executeScript('return document.querySelector(".writing").innerHTML');
        self::assertMatchesRegularExpression('#<h2[^>]*>Tides</h2>#', $html);
        self::assertStringContainsString('<strong>noon</strong>', $html);
        self::assertMatchesRegularExpression('/<a [^>]*data-page="[0-9A-Z]{26}"/', $html);
        self::assertStringNotContainsString('color', $html);
    }

    #[Test]
    public function words_carry_headings_links_quotes_and_pictures_to_the_site(): void
    {
        $chrome = $this->signIn();
        $this->makePage('How to read the sky', 'Help');
        $this->write('Look west.');
        $chrome->driver->executeScript(
            "const s = document.querySelector('select[aria-label=\"Kind of block\"]'); s.value = '2'; s.dispatchEvent(new Event('change', { bubbles: true }))",
        );
        $chrome->press(WebDriverKeys::ENTER, 'See the timetables');
        $chrome->press([WebDriverKeys::SHIFT, WebDriverKeys::HOME]);
        $chrome->click('button', 'Link');
        $chrome->find('dialog', 'Link');
        $chrome->press('Timetables');
        $chrome->find('option', '*/travel/timetables*')->click();
        $chrome->awaitGone('dialog', 'Link');
        $chrome->settle();
        // The writing takes note of where the caret went a moment after the key; no hand is that fast.
        $chrome->press(WebDriverKeys::END);
        $chrome->settle();
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->click('button', 'Picture');
        $chrome->find('file', 'File')->sendKeys(realpath(__DIR__.'/../../database/demo/ferries/pictures/dog.png'));
        $chrome->click('button', 'Use picture');
        $chrome->awaitText('Say what the picture shows');
        $chrome->type('textbox', 'Alternative text', 'A dog that looks west');
        $chrome->type('textbox', 'Caption', 'She knows.');
        $chrome->click('button', 'Use picture');
        $chrome->awaitText('She knows.', '.writing');
        $chrome->click('button', 'Save content');
        $chrome->awaitText('version 1');

        $chrome->click('button', 'Preview');
        $chrome->find('dialog', 'Preview of How to read the sky');
        $chrome->type('textbox', 'When', '3 May 2090, 06:00');
        // Nothing can be run in the frame, which is shut off; what it shows is looked at in PageTest.
        $frame = fn (): string => (string) $chrome->driver->findElement(WebDriverBy::cssSelector('[role=dialog] iframe'))->getAttribute('src');
        $chrome->until(fn (): ?bool => str_contains($frame(), 'on=2090-05-03T06') ?: null, 'the preview of that date');
        $chrome->click('button', 'Now');
        $chrome->click('button', 'Close preview');
        $this->goLive();
        $chrome->open($this->ferries('/help/how-to-read-the-sky'));
        $chrome->find('heading', 'Look west.');
        $chrome->find('link', 'See the timetables');
        $alt = $chrome->until(
            fn (): ?string => $chrome->driver->executeScript(
                'const i = document.querySelector("figure img"); i.scrollIntoView(); return i.complete && i.naturalWidth > 0 ? i.alt : null',
            ),
            'the picture',
        );
        self::assertSame('A dog that looks west', $alt);
        $chrome->click('link', 'See the timetables');
        $chrome->find('heading', 'Ferry timetables');
    }

    #[Test]
    public function edits_to_a_live_page_wait_until_they_are_published(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Fog', 'Service news');
        $this->goLive();
        $this->write('We wait.');
        $chrome->click('button', 'Save content');
        $chrome->awaitText('Live, edited');
        self::assertStringNotContainsString('We wait.', $this->fetch($this->ferries('/news/fog'))[2]);
        $chrome->click('button', 'Publish edits');
        $chrome->awaitText('Published the edits of Fog');
        $chrome->awaitGone('button', 'Publish edits');
        self::assertStringContainsString('We wait.', $this->fetch($this->ferries('/news/fog'))[2]);
        $chrome->click('tab', 'History');
        $chrome->click('button', 'Show: version 1');
        $chrome->awaitText('We wait.', '[role=dialog]');
        $chrome->click('button', 'Close');
        $chrome->driver
            ->findElement(\Facebook\WebDriver\WebDriverBy::xpath('//li[contains(., "Published the edits")]//button[starts-with(., "Undo")]'))
            ->click();
        $chrome->find('region', 'Ripple')->findElement(\Facebook\WebDriver\WebDriverBy::xpath('.//button[starts-with(., "Undo")]'))->click();
        $chrome->find('button', 'Publish edits');
        self::assertStringNotContainsString('We wait.', $this->fetch($this->ferries('/news/fog'))[2]);
        $chrome->click('button', 'Take offline');
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('menu entry');
        $chrome->find('region', 'Ripple')->findElement(\Facebook\WebDriver\WebDriverBy::xpath('.//button[.="Take offline"]'))->click();
        $chrome->awaitText('Took Fog offline');
        self::assertSame(404, $this->fetch($this->ferries('/news/fog'))[0]);
    }

    #[Test]
    public function words_that_were_never_saved_come_back_with_nothing_selected_and_a_picture_replaces_none_of_them(): void
    {
        $again = $this->continued('Whale watch', 'Seen off the pier.');
        self::assertSame('', $again->driver->executeScript('return String(getSelection())'));
        $again->click('button', 'Picture');
        $again->find('file', 'File')->sendKeys(realpath(__DIR__.'/../../database/demo/ferries/pictures/dog.png'));
        $again->type('textbox', 'Alternative text', 'A whale');
        $again->click('button', 'Use picture');
        $again->awaitText('A whale', '.writing');
        $again->awaitText('Seen off the pier.', '.writing');
        $again->click('button', 'Save content');
        $again->awaitText('version 1');
    }

    #[Test]
    public function what_is_typed_and_not_saved_does_not_stay_behind_when_the_page_goes_live(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Basking sharks', 'Service news');
        $chrome->click('tab', 'Details');
        $chrome->type('textbox', 'Heading', 'Sharks in the sound');
        $chrome->awaitUnusable('button', 'Go live');
        $chrome->click('button', 'Save changes');
        $this->goLive();
        self::assertStringContainsString('<h1>Sharks in the sound</h1>', $this->fetch($this->ferries('/news/basking-sharks'))[2]);
        $chrome->type('textbox', 'Heading', 'Sharks again');
        $chrome->click('button', 'Save changes');
        $chrome->find('button', 'Publish edits');
        self::assertStringContainsString('<h1>Sharks in the sound</h1>', $this->fetch($this->ferries('/news/basking-sharks'))[2], 'It waits.');
        $chrome->click('button', 'Publish edits');
        $chrome->awaitText('Published the edits of Basking sharks');
        self::assertStringContainsString('<h1>Sharks again</h1>', $this->fetch($this->ferries('/news/basking-sharks'))[2]);
    }

    /** Words written on a new page and never saved, continued in another browser. */
    private function continued(string $page, string $words): Chrome
    {
        $this->signIn();
        $this->makePage($page, 'Service news');
        $this->write($words);
        $this->chrome->awaitText('Kept as your private draft at');
        $again = $this->browser();
        $this->signIn(in: $again);
        $again->open($this->chrome->driver->getCurrentURL());
        $again->click('tab', 'Content');
        $again->click('button', 'Continue with the draft');
        $again->awaitText($words, '.writing');

        return $again;
    }

    private function write(string $text, ?Chrome $in = null): void
    {
        $chrome = $in ?? $this->chrome;
        $chrome->click('tab', 'Content');
        $chrome->find('textbox', 'Content of the page')->click();
        $chrome->press($text);
    }
}
