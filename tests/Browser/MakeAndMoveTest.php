<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

final class MakeAndMoveTest extends Errand
{
    #[Test]
    public function a_page_is_made_written_put_live_found_and_moved_and_its_old_address_still_answers(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Help');
        $chrome->find('complementary', 'Page sheet');
        $chrome->click('button', 'Make page');
        $chrome->type('textbox', 'Name of the new page', 'Sailing with bicycles');
        $chrome->awaitText('/help/sailing-with-bicycles', '[role=treegrid]');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->awaitText('Made Sailing with bicycles');

        $chrome->click('tab', 'Content');
        $chrome->find('textbox', 'Content of the page')->click();
        $chrome->press('Bicycles are welcome on every boat.', WebDriverKeys::ENTER);
        $chrome->click('button', 'List');
        $chrome->press('Lock it to the rail', WebDriverKeys::ENTER, 'Take your bags');
        $chrome->click('button', 'Save content');
        $chrome->awaitText('version 1');

        $chrome->click('tab', 'Search');
        $chrome->awaitText('From the first sentences');
        $chrome->type('textbox', 'Search title', 'Bicycles on our ferries');
        $chrome->type('textbox', 'Search description', 'How to take a bicycle on board.');
        $chrome->awaitText('How to take a bicycle on board.', 'section[aria-label="As a search result"]');
        $chrome->click('button', 'Save changes');
        $chrome->awaitText('Set for this page.');

        [$status] = $this->fetch($this->ferries('/help/sailing-with-bicycles'));
        self::assertSame(404, $status);
        $this->goLive();

        $chrome->open($this->ferries('/help/sailing-with-bicycles'));
        $chrome->find('heading', 'Sailing with bicycles');
        self::assertSame('Bicycles on our ferries', $chrome->driver->getTitle());
        self::assertStringContainsString('Help', $chrome->text('nav.crumbs'));
        self::assertStringContainsString('Sailing with bicycles', $chrome->text('nav.side'));
        self::assertStringContainsString('/help/sailing-with-bicycles', $this->fetch($this->ferries('/'))[2]);
        self::assertStringContainsString('/help/sailing-with-bicycles</loc>', $this->fetch($this->ferries('/sitemap.xml'))[2]);

        $chrome->open($this->editor('/s/ferries/outline'));
        $row = $chrome->find('row', '*Sailing with bicycles*');
        $chrome->drag($row, $chrome->find('row', '*Travel*'), 0, fn () => $chrome->awaitText('inside Travel: /travel/sailing-with-bicycles'));
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('/help/sailing-with-bicycles', 'section[aria-label=Ripple]');
        $chrome->awaitText('1 address moves, 1 redirect', 'section[aria-label=Ripple]');
        $chrome->click('button', 'Move, write 1 redirect');
        $chrome->awaitText('Moved Sailing with bicycles');

        self::assertSame(
            [301, $this->ferries('/travel/sailing-with-bicycles')],
            array_slice($this->fetch($this->ferries('/help/sailing-with-bicycles')), 0, 2),
        );
        self::assertSame(200, $this->fetch($this->ferries('/travel/sailing-with-bicycles'))[0]);

        $chrome->click('button', 'Undo');
        $chrome->awaitText('Undone:');
        self::assertSame(200, $this->fetch($this->ferries('/help/sailing-with-bicycles'))[0]);
        self::assertSame(404, $this->fetch($this->ferries('/travel/sailing-with-bicycles'))[0]);
    }

    #[Test]
    public function everything_from_sign_in_to_a_live_page_works_by_keyboard_alone(): void
    {
        $chrome = $this->chrome;
        $chrome->open($this->editor('/'));
        $chrome->find('textbox', 'Mail address');
        $chrome->press('mairi@skerrivane.example', WebDriverKeys::TAB, 'curlew-at-dawn', WebDriverKeys::ENTER);
        $chrome->find('row', '*Legal*');
        $this->tabTo('Pages');
        $chrome->press(WebDriverKeys::ARROW_DOWN, WebDriverKeys::ARROW_DOWN, WebDriverKeys::ARROW_RIGHT);
        $chrome->find('row', '*Skerra*');
        $chrome->press('n');
        $chrome->find('textbox', 'Name of the new page');
        $chrome->press('Lighthouses', WebDriverKeys::ENTER);
        $chrome->awaitText('Made Lighthouses');
        $chrome->find('heading', 'Lighthouses');
        $this->tabTo('Details');
        $chrome->press(WebDriverKeys::ARROW_RIGHT);
        $chrome->find('textbox', 'Content of the page');
        $this->tabTo('Content of the page');
        $chrome->press('Three of them, and all still burn.', [WebDriverKeys::CONTROL, 's']);
        $chrome->awaitText('version 1');
        $this->tabTo('Go live', backwards: true);
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('button', 'Take offline');
        self::assertStringContainsString('all still burn', $this->fetch($this->ferries('/islands/lighthouses'))[2]);

        // Among siblings, under the one above, and out again, with Alt and the arrows; then undone.
        $chrome->find('treegrid', 'Pages');
        $chrome->driver->executeScript("document.querySelector('[role=treegrid]').focus()");
        $chrome->awaitText('Put Lighthouses live');
        $chrome->press([WebDriverKeys::ALT, WebDriverKeys::ARROW_UP]);
        $chrome->awaitText('Moved Lighthouses');
        $chrome->press([WebDriverKeys::ALT, WebDriverKeys::ARROW_RIGHT]);
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('/islands/tarransay-holm/lighthouses');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->awaitGone('region', 'Ripple');
        $chrome->driver->executeScript("document.querySelector('[role=treegrid]').focus()");
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->awaitText('Undone:');
        $chrome->press([WebDriverKeys::CONTROL, WebDriverKeys::SHIFT, 'z']);
        $chrome->awaitText('Redone:');
        $chrome->press('?');
        $chrome->find('dialog', 'Keys');
    }

    #[Test]
    public function names_and_slugs_are_changed_in_place_and_a_taken_slug_is_explained_with_its_ways_out(): void
    {
        $chrome = $this->signIn();
        $this->makePage('Refunds', 'Freight');
        self::assertStringContainsString('/freight/refunds', $chrome->text('[role=treegrid]'));
        $chrome->driver->executeScript("document.querySelector('[role=treegrid]').focus()");
        $chrome->press(WebDriverKeys::F2);
        $chrome->type('textbox', 'Name of Refunds', 'Money back');
        $chrome->awaitText('/freight/money-back');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->awaitText('to Money back');
        $chrome->find('row', '*money-back*');

        $chrome->press([WebDriverKeys::SHIFT, WebDriverKeys::F2]);
        $chrome->type('textbox', 'Slug of Money back', 'rates');
        $chrome->awaitText('/freight/rates is held by “Rates”');
        $chrome->click('button', 'Use rates-2');
        $chrome->awaitNoText('is held by');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->awaitText('Set the slug of Money back to “rates-2”');

        $chrome->press([WebDriverKeys::SHIFT, WebDriverKeys::F2]);
        $chrome->type('textbox', 'Slug of Money back', 'rates');
        $chrome->awaitText('is held by “Rates”');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('1 decision to make first');
        self::assertNull($this->enabled('Change slug'));
        $chrome->click('button', 'Swap the two');
        $chrome->awaitNoText('1 decision to make');
        $chrome->click('button', 'Change slug');
        $chrome->awaitText('and 2 more changes');
        self::assertStringContainsString('/freight/rates', $chrome->find('row', '*Money back*')->getText());
        self::assertStringContainsString('/freight/rates-2', $chrome->find('row', '*Rates*')->getText());
    }

    private function enabled(string $name): ?string
    {
        return $this->chrome->has('button', $name) ? $name : null;
    }

    private function tabTo(string $name, bool $backwards = false): void
    {
        $passed = [];
        for ($i = 0; $i < 60; $i++) {
            $focused = (string) $this->chrome->driver->executeScript(
                'const e = document.activeElement; return e?.getAttribute("aria-label") || e?.innerText || ""',
            );
            if (trim($focused) === $name) {
                return;
            }
            $passed[] = mb_substr(trim($focused), 0, 30);
            $this->chrome->press($backwards ? [WebDriverKeys::SHIFT, WebDriverKeys::TAB] : WebDriverKeys::TAB);
        }
        self::fail("“{$name}” is not reached with the tab key, only ".implode(' | ', $passed));
    }
}
