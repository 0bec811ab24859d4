<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** What visitors see in each menu: cleaned up, grouped, reordered, for some people or for a time. */
final class MenusTest extends Errand
{
    #[Test]
    public function a_crowded_menu_is_said_and_cleaned_up_by_a_heading_and_by_keyboard(): void
    {
        $chrome = $this->open('Campaign');
        foreach (['Booking', 'Groups', 'Livestock', 'Vehicles', 'On board'] as $page) {
            $this->addPage($page);
        }
        $this->add('Heading');
        $chrome->type('textbox', 'Label', 'Together');
        $this->entry('Together');
        $chrome->press([WebDriverKeys::ALT, WebDriverKeys::ARROW_UP]);
        $this->entry('On board');
        $chrome->press([WebDriverKeys::ALT, WebDriverKeys::ARROW_RIGHT]);
        $chrome->until(fn (): ?bool => $this->level('On board') === '2' ? true : null, 'On board under the heading');
        $chrome->click('button', 'Show what follows');
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('Together appears in Campaign', 'section[aria-label=Ripple]');
        $chrome->click('button', 'Arrange*');
        $chrome->awaitText('Arranged Campaign');
        $chrome->click('button', 'Change Campaign');
        $chrome->click('menuitem', 'Place at Quick links*');
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Place it');
        $chrome->awaitText('Placed Campaign at quick');
        $chrome->awaitText('it gets crowded', 'main');
        $chrome->awaitText('stands on level 2; this place shows 1', 'main');
        self::assertStringContainsString('Together', $this->fetch($this->ferries('/'))[2]);
        $this->takeBack();
        $chrome->awaitText('shown nowhere', 'main');
        self::assertStringNotContainsString('Together', $this->fetch($this->ferries('/'))[2]);
    }

    #[Test]
    public function an_entry_for_islanders_is_seen_by_them_and_outlined_with_the_reason_for_managers(): void
    {
        $chrome = $this->open('Quick links');
        $chrome->awaitText('islander only', '[aria-label="As it is seen"]');
        $chrome->find('combobox', 'Who looks')->sendKeys('signed in as islander');
        $chrome->awaitNoText('islander only', '[aria-label="As it is seen"]');
        self::assertSame([], $chrome->axe());
        self::assertStringNotContainsString("Islanders' fares", html_entity_decode($this->fetch($this->ferries('/'))[2], ENT_QUOTES));
        $chrome->open($this->ferries('/_account/sign-in'));
        self::assertSame([], $chrome->axe());
        $chrome->type('textbox', 'Mail address', 'eilidh@skerrivane.example');
        $chrome->type('textbox', 'Password', 'gannet-by-evening');
        $chrome->click('button', 'Sign in');
        $chrome->find('link', "Islanders' fares");
        $chrome->find('heading', 'Service news');
        $chrome->click('button', 'Sign out');
        $chrome->find('heading', 'Sail with us*');
    }

    #[Test]
    public function a_scheduled_entry_is_looked_at_on_its_day_and_on_a_phone(): void
    {
        $chrome = $this->open('Footer');
        $chrome->awaitText('from 1 May', '[aria-label="As it is seen"]');
        $chrome->driver->executeScript("const f = document.querySelector('input[aria-label=When]'); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(f, new Date().getFullYear() + 1 + '-06-01T12:00'); f.dispatchEvent(new Event('input', { bubbles: true }))");
        $chrome->awaitNoText('from 1 May', '[aria-label="As it is seen"]');
        $chrome->click('button', 'Phone');
        $chrome->driver->navigate()->refresh();
        $chrome->find('heading', 'Footer');
        $chrome->awaitText('Summer sailings', '[aria-label="As it is seen"]');
        $chrome->awaitNoText('from 1 May', '[aria-label="As it is seen"]');
        self::assertSame('true', $chrome->find('button', 'Phone')->getAttribute('aria-pressed'));
    }

    #[Test]
    public function what_was_arranged_is_not_lost_by_leaving_and_a_list_is_brought_in(): void
    {
        $chrome = $this->open('See also');
        $chrome->click('button', 'Change See also');
        $chrome->click('menuitem', 'Bring entries in…');
        $chrome->find('textbox', 'List of entries')->sendKeys("Press\n/about/history\n");
        $chrome->click('button', 'Take these entries');
        $chrome->find('treeitem', '*Press*');
        $chrome->find('treeitem', '*/about/history*');
        $chrome->click('link', 'Outline');
        $chrome->find('dialog', 'Leave with See also arranged and not applied?');
        $chrome->click('button', 'Stay');
        $chrome->click('button', 'Drop it');
        $chrome->awaitGone('treeitem', '*Press*');
    }

    #[Test]
    public function pages_are_picked_from_the_outline_and_from_their_sheet_and_taken_off_again(): void
    {
        $chrome = $this->signIn();
        $row = $chrome->find('row', '*Freight*');
        $row->findElement(WebDriverBy::cssSelector('[role=gridcell]:nth-child(2)'))->click();
        $chrome->driver->executeScript("document.querySelector('[role=treegrid]').focus()");
        $chrome->press('p');
        $chrome->find('dialog', 'Pick Freight');
        $chrome->click('button', 'Pick for Front page');
        $chrome->awaitText('Put Freight into Front page');
        self::assertMatchesRegularExpression('#<ul class="cards">.*Freight.*</ul>#s', $this->fetch($this->ferries('/'))[2]);
        $chrome->click('button', 'Freight');
        $chrome->find('button', 'Take out of Front page');
        $chrome->click('button', 'Take out of Main');
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('Freight vanishes from Main', 'section[aria-label=Ripple]');
        $chrome->click('button', 'Set aside');
        $chrome->click('button', 'Take out of Front page');
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Take it out');
        $chrome->awaitText('Took Freight out of Front page');
    }

    #[Test]
    public function the_bar_opens_by_mouse_by_keyboard_and_on_a_phone(): void
    {
        $chrome = $this->chrome;
        $chrome->open($this->ferries('/travel/fares'));
        self::assertFalse($chrome->has('link', 'Vanesay'));
        $chrome->driver->executeScript("document.querySelector('[aria-label=\"Show what is in Islands\"]').focus()");
        $chrome->press(' ');
        $chrome->find('link', 'Vanesay');
        self::assertSame([], $chrome->axe());
        self::assertSame('page', $chrome->find('link', 'Fares')->getAttribute('aria-current'));
        $chrome->size(390, 800);
        $chrome->open($this->ferries('/'));
        self::assertFalse($chrome->has('link', 'Freight'));
        $chrome->find('checkbox', 'Show the menu')->click();
        $chrome->find('link', 'Freight');
        $chrome->find('checkbox', 'Show what is in Freight')->click();
        $chrome->find('link', 'Livestock');
        self::assertSame([], $chrome->axe());
    }

    private function open(string $menu): Chrome
    {
        $chrome = $this->signIn();
        $chrome->click('link', 'Menus');
        $chrome->click('button', "$menu*");
        $chrome->find('heading', $menu);
        $chrome->find('treeitem');

        return $chrome;
    }

    private function add(string $kind): void
    {
        $this->chrome->click('button', 'Add an entry');
        $this->chrome->find('dialog', 'Add an entry');
        $this->chrome->click('button', "$kind*");
    }

    private function addPage(string $name): void
    {
        $this->add('Page');
        $this->chrome->type('textbox', 'Choose a page', $name);
        $this->chrome->find('option', "$name*");
        $this->chrome->press(WebDriverKeys::ENTER);
        $this->chrome->find('treeitem', "*$name*");
    }

    private function entry(string $name): void
    {
        $this->chrome->find('treeitem', "*$name*")->click();
        $this->chrome->find('complementary', 'Entry');
    }

    private function level(string $name): ?string
    {
        return $this->chrome->find('treeitem', "*$name*")->getAttribute('aria-level');
    }

    private function takeBack(): void
    {
        $this->chrome->press([WebDriverKeys::CONTROL, 'z']);
        $this->chrome->awaitText('Taken back.');
    }
}
