<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** Pages written as they look. */
final class WritingTest extends Errand
{
    private const CONTENT = '.ProseMirror[contenteditable=true]';

    #[Test]
    public function a_writer_opens_a_page_as_visitors_see_it_and_types_into_it(): void
    {
        $chrome = $this->room('High water', 'Help');
        $this->on(
            '[data-room=heading]',
            fn () => $chrome->press(
                [WebDriverKeys::CONTROL, 'a'],
                'When is high water?',
                WebDriverKeys::ENTER,
                'By harbour and day.',
                WebDriverKeys::ENTER,
            ),
        );
        $chrome->press('High water at Port Hallin comes first.');
        $chrome->find('button', 'Save page');
        $chrome->awaitText('Kept as your private draft at');
        $chrome->awaitText('7 words');
        $chrome->press([WebDriverKeys::CONTROL, 's']);
        $chrome->awaitText('version 1');
        $chrome->click('link', 'Back to the outline');
        $this->goLive();
        $html = $this->fetch($this->ferries('/help/high-water'))[2];
        self::assertStringContainsString('<h1>When is high water?</h1>', $html);
        self::assertStringContainsString('<p class="summary">By harbour and day.</p>', $html);
        self::assertStringContainsString('<div class="content"><p>High water at Port Hallin comes first.</p></div>', $html);
    }

    #[Test]
    public function two_blocks_stand_beside_each_other_and_questions_fold(): void
    {
        $chrome = $this->room('Bikes', 'Help');
        $this->on(self::CONTENT, fn () => $chrome->press('Left.', WebDriverKeys::ENTER, 'Right.'));
        $this->act('Put beside the one before');
        $this->await('.columns-2 > div:nth-child(2)', 'Right.');
        // A block of its own below, by the list of blocks.
        $chrome->click('button', 'Block');
        $chrome->type('textbox', 'Block', 'faq');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->awaitGone('dialog', 'Insert a block');
        $this->await('.columns .fold', '');
        $this->awaitWriting();
        $chrome->press('Is it dear?', WebDriverKeys::ENTER, 'Two pounds.');
        $this->await('.fold', 'Two pounds.');
        $this->save();
        self::assertStringContainsString(
            '<div class="columns columns-2"><div><p>Left.</p></div><div><p>Right.</p><details class="fold"><summary>Is it dear?</summary><p>Two pounds.</p></details></div></div>',
            $this->published('/help/bikes'),
        );
    }

    #[Test]
    public function a_list_shows_the_pages_with_a_tag_in_an_order_that_is_chosen(): void
    {
        $chrome = $this->room('Walks', 'Help');
        $this->on(self::CONTENT, fn () => $chrome->press('All our walks.'));
        $chrome->click('button', 'Block');
        $chrome->type('textbox', 'Block', 'list of pages');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('dialog', 'List of pages');
        $this->choose('Which pages', 'the pages with a tag');
        $chrome->click('button', 'Insert list');
        $chrome->awaitText('Say which tag.');
        $chrome->type('textbox', 'Tag', 'walking');
        $this->choose('Order', 'by a field');
        $chrome->click('button', 'Insert list');
        $chrome->awaitText('Say by which field.');
        $this->choose('Order', 'as in the outline');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Insert list');
        $chrome->awaitGone('dialog', 'List of pages');
        $this->save();
        preg_match_all(
            '#<li>(?:<img[^>]*>)?<a href="(/islands/[^"]*)"#',
            (string) strstr($this->published('/help/walks'), '<div class="content">'),
            $found,
        );
        self::assertSame(
            [
                '/islands/skerra/walking',
                '/islands/vanesay/walking',
                '/islands/little-orm/walking',
                '/islands/tarransay-holm/walking',
                '/islands/ullin/walking',
            ],
            $found[1],
        );
    }

    #[Test]
    public function a_table_is_pasted_from_a_spreadsheet_and_its_head_said(): void
    {
        $chrome = $this->room('Rates', 'Help');
        $this->on(
            self::CONTENT,
            fn () => $chrome->driver->executeScript(
                <<<'JS'
                const data = new DataTransfer()
                data.setData('text/html', '<table><tr><td>To</td><td>Price</td></tr><tr><td>Skerra</td><td>9</td></tr></table>')
                data.setData('text/plain', 'To')
                document.querySelector('.ProseMirror').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
                JS
                ,
            ),
        );
        $this->await('table', 'Skerra');
        $chrome->awaitText('The table does not say what its rows and columns hold');
        $this->on('td', fn () => null);
        $this->act('Caption and heads…');
        $chrome->type('textbox', 'Caption', 'Fares to the islands');
        $chrome->click('checkbox', 'The first row says what the columns hold');
        $chrome->click('button', 'Use these');
        $chrome->awaitGone('dialog', 'Table');
        $chrome->awaitText('Nothing noticed.');
        $this->on('tr:last-child td:last-child', fn () => $chrome->press(WebDriverKeys::TAB, 'Ullin', WebDriverKeys::TAB, '12'));
        $this->save();
        self::assertStringContainsString(
            '<caption>Fares to the islands</caption><thead><tr><th scope="col">To</th><th scope="col">Price</th></tr></thead>'.
                '<tbody><tr><td>Skerra</td><td>9</td></tr><tr><td>Ullin</td><td>12</td></tr></tbody>',
            $this->published('/help/rates'),
        );
    }

    #[Test]
    public function blocks_are_moved_by_key_and_by_hand_hidden_and_named(): void
    {
        $chrome = $this->room('Order', 'Help');
        $this->on(self::CONTENT, fn () => $chrome->press('One', WebDriverKeys::ENTER, 'Two', WebDriverKeys::ENTER, 'Three'));
        $chrome->press([WebDriverKeys::ALT, WebDriverKeys::ARROW_UP]);
        $this->await(self::CONTENT, "One\nThree\nTwo");
        $this->on('p:first-of-type', fn () => null, self::CONTENT);
        $chrome->settle();
        $handle = $chrome->find('button', 'This block: drag to move, press for more');
        (new WebDriverActions($chrome->driver))
            ->moveToElement($handle)
            ->clickAndHold()
            ->moveByOffset(4, 30)
            ->moveByOffset(0, 200)
            ->moveByOffset(0, 10)
            ->release()
            ->perform();
        $this->await(self::CONTENT, "Three\nTwo\nOne");
        $this->on('p:first-of-type', fn () => null, self::CONTENT);
        $this->act('Hide from visitors');
        $this->on('p:last-of-type', fn () => null, self::CONTENT);
        $this->act('Name it for links…');
        $chrome->type('textbox', 'Name', 'Last one');
        $chrome->click('button', 'Use name');
        $this->save();
        self::assertStringContainsString('<div class="content"><p>Two</p><p id="last-one">One</p></div>', $this->published('/help/order'));
    }

    #[Test]
    public function a_link_leads_to_a_place_on_a_page_or_to_one_that_is_not_there_yet(): void
    {
        $chrome = $this->room('Links', 'Help');
        $this->on(self::CONTENT, fn () => $chrome->press('winter boats', [WebDriverKeys::SHIFT, WebDriverKeys::HOME]));
        $chrome->find('toolbar', 'Selected text');
        $chrome->click('button', 'Link');
        $chrome->press('Winter boats of next year');
        $chrome->find('option', '*not there yet*')->click();
        $chrome->awaitGone('dialog', 'Link');
        $this->await('a[data-wanted="Winter boats of next year"]', 'winter boats');
        $chrome->click('button', 'Block');
        $chrome->type('textbox', 'Block', 'button');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->type('textbox', 'What it says', 'Where to sit');
        $chrome->click('button', 'Choose…');
        $chrome->press('On board');
        $chrome->find('option', '*/travel/on-board*')->click();
        $chrome->click('button', 'Change…');
        $place = $chrome->find('combobox', 'Place on the page');
        $chrome->until(fn (): ?bool => str_contains($place->getText(), 'Where to sit') ? true : null, 'the headings of the page');
        $place->findElement(WebDriverBy::xpath('./option[contains(., "Where to sit")]'))->click();
        $chrome->click('button', 'Use link');
        $chrome->click('button', 'Insert button');
        $this->await('.button a', 'Where to sit');
        $this->save();
        self::assertStringContainsString(
            '<p>winter boats</p><p class="button button-strong"><a href="/travel/on-board#where-to-sit">Where to sit</a></p>',
            $this->published('/help/links'),
        );
    }

    #[Test]
    public function what_is_typed_on_the_page_is_kept_and_offered_again(): void
    {
        $chrome = $this->room('Kept', 'Help');
        $this->on('[data-room=heading]', fn () => $chrome->press([WebDriverKeys::CONTROL, 'a'], 'Kept for later', WebDriverKeys::ENTER));
        $this->on(self::CONTENT, fn () => $chrome->press('Not finished.'));
        $chrome->awaitText('Kept as your private draft at');
        $chrome->click('link', 'Back to the outline');
        $chrome->click('button', 'Leave, keep my draft');
        $chrome->find('heading', 'Outline');
        $chrome->driver->navigate()->back();
        $chrome->click('button', 'Continue with the draft');
        $this->await('[data-room=heading]', 'Kept for later');
        $this->await(self::CONTENT, 'Not finished.');
        self::assertSame([], $chrome->axe());
    }

    #[Test]
    public function the_same_content_is_edited_as_markdown(): void
    {
        $chrome = $this->room('Marked', 'Help');
        $this->on(self::CONTENT, fn () => $chrome->press('## Plain', [WebDriverKeys::CONTROL, 's']));
        $chrome->awaitText('version 1');
        $chrome->click('button', 'Markdown and HTML');
        $chrome->until(
            fn (): ?bool => $chrome->find('textbox', 'Content as text')->getAttribute('value') === "## Plain\n" ? true : null,
            'the text as Markdown',
        );
        $chrome->type('textbox', 'Content as text', "## Plain\n\n- one\n- **two**\n\n<font>x</font>");
        $chrome->click('button', 'Use it');
        $chrome->awaitText('<font>, of which the text stays');
        $chrome->click('button', 'Use it without these');
        $chrome->awaitGone('dialog', 'Markdown and HTML');
        $this->await('li:last-child strong', 'two');
        $chrome->find('button', 'Plain');
        $chrome->click('button', 'Phone');
        $chrome->until(
            fn (): ?bool => $chrome->driver->executeScript('return document.querySelector("iframe").clientWidth') === 390 ? true : null,
            'the width of a phone',
        );
    }

    #[Test]
    public function a_gallery_is_filled_from_a_folder_or_from_chosen_pictures(): void
    {
        $chrome = $this->room('Our islands', 'Help');
        $this->on(self::CONTENT, fn () => $chrome->press('/'));
        $chrome->type('textbox', 'Block', 'gallery');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('combobox', 'Pictures');
        $chrome
            ->until(
                fn (): ?RemoteWebElement => $chrome->driver->findElements(WebDriverBy::xpath('//option[.="all in the folder Islands"]'))[0] ?? null,
                'the folder Islands',
            )
            ->click();
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Insert gallery');
        $this->await('.gallery', '');
        $chrome->inFrame('.gallery', function (Chrome $in): void {
            self::assertSame(6, count($in->driver->findElements(WebDriverBy::cssSelector('.gallery img'))));
        });
        $this->awaitWriting();
        $chrome->click('button', 'Block');
        $chrome->type('textbox', 'Block', 'gallery');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->click('button', 'Add a picture…');
        $chrome->click('button', 'dog.png');
        $chrome->type('textbox', 'Alternative text', 'A dog on the pier');
        $chrome->click('button', 'Insert gallery');
        $this->save();
        self::assertStringContainsString('alt="A dog on the pier"', $this->published('/help/our-islands'));
    }

    #[Test]
    public function a_film_of_another_site_is_looked_up_and_contacts_nobody_until_it_is_clicked(): void
    {
        $chrome = $this->room('Seal films', 'Help');
        $this->on(self::CONTENT, fn () => $chrome->press('/'));
        $chrome->type('textbox', 'Block', 'film');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->type('textbox', 'Address of a video on another site', 'https://films.example/watch/seals');
        $chrome->click('button', 'Look it up');
        $chrome->find('button', 'Insert video');
        self::assertSame('Seals in Hallin Sound', $chrome->find('textbox', 'Title')->getAttribute('value'));
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Insert video');
        $this->await('.film', 'films.example');
        $this->save();
        $this->goLive();
        $visitor = $this->browser();
        $visitor->open($this->ferries('/help/seal-films'));
        self::assertSame(0, (int) $visitor->driver->executeScript('return document.querySelectorAll("iframe").length'));
        $visitor->driver->findElement(WebDriverBy::cssSelector('a.film'))->click();
        $visitor->driver->switchTo()->frame($visitor->driver->findElement(WebDriverBy::cssSelector('iframe.film-frame')));
        $visitor->awaitText('Seals in Hallin Sound is playing.');
        $visitor->driver->switchTo()->defaultContent();
    }

    #[Test]
    public function a_page_that_is_wanted_is_made_from_the_link_or_from_the_list_and_links_lead_to_it(): void
    {
        $chrome = $this->room('Asked for', 'Help');
        foreach (['Tide calendar', 'Moon calendar'] as $i => $wanted) {
            $this->on(
                $i === 0 ? self::CONTENT : 'p:last-child',
                fn () => $chrome->press(
                    WebDriverKeys::END,
                    ...$i === 0 ? [] : [WebDriverKeys::ENTER],
                    ...["see $i", [WebDriverKeys::SHIFT, WebDriverKeys::HOME]],
                ),
                $i === 0 ? 'body' : self::CONTENT,
            );
            $chrome->click('button', 'Link');
            $chrome->press($wanted);
            $chrome->find('option', '*not there yet*')->click();
            $chrome->awaitGone('dialog', 'Link');
            $this->awaitWriting();
            $chrome->press(WebDriverKeys::END);
            $chrome->awaitGone('toolbar', 'Selected text');
        }
        $this->on(
            'a[data-wanted="Tide calendar"]',
            fn () => $chrome->press(WebDriverKeys::HOME, [WebDriverKeys::SHIFT, WebDriverKeys::END]),
            self::CONTENT,
        );
        $chrome->click('button', 'Link');
        $chrome->click('button', 'Make it inside this page');
        $chrome->awaitText('Made Tide calendar');
        $chrome->click('button', 'Use link');
        $this->await('a[data-page]', 'see 0');
        $this->save();
        $chrome->open($this->editor('/s/ferries/findability?part=links'));
        $row = $chrome->until(
            fn () => $chrome->driver->findElements(WebDriverBy::xpath('//section[@aria-label="Wanted pages"]//li[contains(., "Moon calendar")]'))[0] ??
                null,
            'the wanted page',
        );
        self::assertStringContainsString('1 page: Asked for', $row->getText());
        $row->findElement(WebDriverBy::xpath('.//button[starts-with(., "Make page")]'))->click();
        $chrome->press('Lost property');
        $chrome->find('option', '*/help/lost-property*')->click();
        $chrome->awaitText('Made Moon calendar');
        $chrome->until(fn (): ?bool => str_contains($chrome->text('main'), 'Moon calendar') ? null : true, 'the list without what was made');
        $row = $this->database()
            ->query("select wanted_as from pages where address in ('/help/lost-property/moon-calendar', '/help/asked-for/tide-calendar') order by 1")
            ->fetchAll(\PDO::FETCH_COLUMN);
        self::assertSame(['moon calendar', 'tide calendar'], $row);
        self::assertSame([], $chrome->axe());
    }

    /** Makes a page and opens it to be written on. */
    private function room(string $name, string $inside): Chrome
    {
        $chrome = $this->signIn();
        $this->makePage($name, $inside);
        $chrome->click('tab', 'Content');
        $chrome->click('link', 'Write on the page');
        $chrome->find('complementary', 'About this page');
        $this->await(self::CONTENT, '');

        return $chrome;
    }

    /** Clicks something on the page, and does what is to be done there. */
    private function on(string $css, callable $do, string $within = 'body'): void
    {
        $this->chrome->inFrame("$within $css", function (Chrome $chrome) use ($css, $do, $within): void {
            $chrome->driver->findElement(WebDriverBy::cssSelector("$within $css"))->click();
            $chrome->settle();
            $do();
        });
    }

    /** Does something to the block with the caret, by its menu. */
    private function act(string $act): void
    {
        $this->chrome->click('button', 'This block: drag to move, press for more');
        $this->chrome->click('menuitem', $act);
        $this->chrome->settle();
    }

    private function await(string $css, string $text): void
    {
        $this->chrome->inFrame(
            $css,
            fn (Chrome $chrome) => $chrome->until(
                fn (): ?bool => str_contains((string) preg_replace('/\n+/', "\n", $chrome->text($css)), $text) ? true : null,
                "“{$text}” in $css of the page",
            ),
        );
    }

    /** Until what is typed goes into the content. */
    private function awaitWriting(): void
    {
        $this->chrome->until(
            fn (): ?bool => $this->chrome->driver->executeScript(
                'const f = document.activeElement; return f?.tagName === "IFRAME" && f.contentDocument.activeElement?.matches(".ProseMirror") ? true : null',
            ),
            'the caret in the content',
        );
    }

    private function save(): void
    {
        $this->chrome->click('button', 'Save page');
        $this->chrome->awaitText('Saved by');
    }

    /** The page as visitors get it, once it is live. */
    private function published(string $path): string
    {
        $this->goLive();

        return $this->fetch($this->ferries($path))[2];
    }
}
