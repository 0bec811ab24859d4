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
        $chrome->click('button', 'Review and save');
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('Together appears in Campaign', 'section[aria-label=Ripple]');
        $chrome->click('button', 'Save menu');
        $chrome->awaitText('Changed the menu Campaign');
        $chrome->click('button', 'Change Campaign');
        $chrome->click('menuitem', 'Place at Quick links*');
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Place it');
        $chrome->awaitText('Placed Campaign at quick');
        $chrome->awaitText('it gets crowded', 'main');
        $chrome->awaitText('stands on level 2; this place shows 1', 'main');
        self::assertStringContainsString('Together', $this->fetch($this->ferries('/'))[2]);
        $this->undo();
        $chrome->awaitText('shown nowhere', 'main');
        self::assertStringNotContainsString('Together', $this->fetch($this->ferries('/'))[2]);
    }

    #[Test]
    public function an_entry_for_islanders_is_seen_by_them_and_outlined_with_the_reason_for_managers(): void
    {
        $chrome = $this->open('Quick links');
        $chrome->awaitText('islander only', '[aria-label="As visitors see it"]');
        $chrome->find('combobox', 'Who looks')->sendKeys('signed in as islander');
        $chrome->awaitNoText('islander only', '[aria-label="As visitors see it"]');
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
        $chrome->awaitText('from 1 May', '[aria-label="As visitors see it"]');
        $chrome->type('textbox', 'When', '1 June '.(1 + (int) date('Y')).', 12:00');
        $chrome->awaitNoText('from 1 May', '[aria-label="As visitors see it"]');
        $chrome->click('button', 'Phone');
        $chrome->driver->navigate()->refresh();
        $chrome->find('heading', 'Footer');
        $chrome->click('button', 'Unfold Before you sail');
        $chrome->awaitText('Summer sailings', '[aria-label="As visitors see it"]');
        $chrome->awaitNoText('from 1 May', '[aria-label="As visitors see it"]');
        self::assertSame('true', $chrome->find('button', 'Phone')->getAttribute('aria-pressed'));
    }

    #[Test]
    public function what_was_arranged_is_not_lost_by_leaving_and_a_list_is_brought_in(): void
    {
        $chrome = $this->open('See also');
        $chrome->click('button', 'Change See also');
        $chrome->click('menuitem', 'Import entries…');
        $chrome->find('textbox', 'List of entries')->sendKeys("Press\n/about/history\n");
        $chrome->click('button', 'Add these entries');
        $chrome->find('treeitem', '*Press*');
        $chrome->find('treeitem', '*/about/history*');
        $chrome->click('link', 'Outline');
        $chrome->find('dialog', 'Leave with unsaved changes to See also?');
        $chrome->click('button', 'Stay');
        $chrome->click('button', 'Discard');
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
        $chrome->find('dialog', 'Add Freight to picks');
        $chrome->click('button', 'Add to Front page');
        $chrome->awaitText('Added Freight to Front page');
        self::assertMatchesRegularExpression('#<ul class="cards">.*Freight.*</ul>#s', $this->fetch($this->ferries('/'))[2]);
        $chrome->find('button', 'Freight is picked: Front page');
        $chrome->click('button', 'Freight');
        $chrome->find('button', 'Remove from Front page');
        $chrome->click('button', 'Remove from Main');
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('Freight vanishes from Main', 'section[aria-label=Ripple]');
        $chrome->click('button', 'Cancel');
        $chrome->click('button', 'Remove from Front page');
        $chrome->find('region', 'Ripple');
        $chrome->find('region', 'Ripple')->findElement(WebDriverBy::xpath('.//button[.="Remove"]'))->click();
        $chrome->awaitText('Removed Freight from Front page');
    }

    #[Test]
    public function a_page_in_no_menu_is_added_from_the_list_which_gives_way_to_what_follows(): void
    {
        $chrome = $this->open('Main');
        $chrome->click('button', '*in no menu*');
        $chrome->find('dialog', 'In no menu');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Add to… Open day on board');
        $chrome->click('menuitem', 'Quick links');
        $chrome->awaitText('will now appear in Quick links', 'section[aria-label=Ripple]');
        $chrome->awaitGone('dialog', 'In no menu');
        $chrome->find('region', 'Ripple')->findElement(WebDriverBy::xpath('.//button[.="Add"]'))->click();
        $chrome->awaitText('Added Open day on board to Quick links');
        self::assertStringContainsString('/crew-rota/open-day', $this->fetch($this->ferries('/'))[2]);
        $this->undo();
    }

    #[Test]
    public function pages_are_dragged_in_from_beside_and_several_entries_go_to_another_menu_at_once(): void
    {
        $chrome = $this->open('Campaign');
        $chrome->click('button', 'Show pages');
        $chrome->type('textbox', 'Find a page', 'lost');
        $chrome->find('button', 'Add Lost property');
        $chrome->drag(
            $chrome->driver->findElement(WebDriverBy::xpath("//aside[@aria-label='Pages']//li[contains(., 'Lost property')]")),
            $chrome->find('treeitem', '*fiddle weekend*'),
            10,
        );
        $chrome->find('treeitem', '*Lost property*');
        $chrome->click('button', 'Add Lost property');
        $chrome->awaitText('leads where another entry here leads too', 'main');
        $chrome->click('button', 'Undo this step');
        $chrome->type('textbox', 'Find a page', '');
        $chrome->click('button', 'Open Freight');
        $chrome->find('button', 'Add Livestock');
        $chrome->click('button', 'Close the pages');
        $this->entry('Summer timetable');
        $chrome->press([WebDriverKeys::SHIFT, WebDriverKeys::ARROW_DOWN]);
        $chrome->find('region', 'Marked');
        $chrome->awaitText('2 entries marked');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'To another menu…');
        $chrome->click('menuitem', 'Quick links');
        $chrome->find('region', 'Ripple');
        $chrome->awaitText('Summer timetable appears in Quick links', 'section[aria-label=Ripple]');
        $chrome->awaitText('Lost property appears in Campaign', 'section[aria-label=Ripple]');
        $chrome->click('button', 'Move them*');
        $chrome->awaitText('Changed the menu Campaign');
        $chrome->awaitGone('treeitem', '*Summer timetable*');
        self::assertStringContainsString('Summer timetable', $this->fetch($this->ferries('/'))[2]);
        $this->undo();
        $chrome->find('treeitem', '*Summer timetable*');
        self::assertStringNotContainsString('Summer timetable', $this->fetch($this->ferries('/'))[2]);
    }

    #[Test]
    public function a_page_that_gets_pages_inside_becomes_a_drop_down(): void
    {
        self::assertStringNotContainsString('Show what is in Legal', $this->fetch($this->ferries('/'))[2]);
        $chrome = $this->open('Main');
        $chrome->find('treeitem', '*top of the tree*')->click();
        $chrome->click('button', 'Show again');
        $chrome->click('button', 'Review and save');
        $chrome->awaitText('Legal appears in Main', 'section[aria-label=Ripple]');
        $chrome->click('button', 'Save menu');
        $chrome->awaitText('Changed the menu Main');
        $bar = $this->fetch($this->ferries('/'))[2];
        self::assertMatchesRegularExpression('#Show what is in Legal.*?<ul class="drop">.*?Privacy.*?</ul>#s', $bar);
        $this->undo();
    }

    #[Test]
    public function what_comes_from_the_tree_is_left_out_renamed_and_dragged_where_it_is_seen(): void
    {
        $chrome = $this->open('Main');
        $this->actOn('Groups', 'Leave out of this menu');
        $chrome->awaitText('left out', '[aria-label="As visitors see it"]');
        $this->actOn('Timetables', 'Rename here…');
        $chrome->find('dialog', 'Rename Timetables in this menu');
        $chrome->type('textbox', 'Name', 'When boats sail');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Rename here');
        $chrome->awaitText('stands as single entries now');
        $chrome->awaitText('When boats sail', '[aria-label="As visitors see it"]');
        // What is below the others goes on coming from the tree.
        $chrome->find('treeitem', '*Islands*');
        $seen = fn (string $name): mixed => $this->seen($name);
        $chrome->driver
            ->action()
            ->clickAndHold($seen('Help'))
            ->moveByOffset(-20, 0)
            ->moveToElement($seen('Islands'), 4 - (int) ($seen('Islands')->getSize()->getWidth() / 2), 0)
            ->perform();
        $chrome->driver->action()->moveByOffset(1, 0)->release()->perform();
        $chrome->until(fn (): ?bool => $seen('Help')->getLocation()->getX() < $seen('Islands')->getLocation()->getX() ?: null, 'Help before Islands');
        $chrome->click('button', 'Phone');
        $chrome->click('button', 'Unfold Travel');
        $chrome->awaitText('When boats sail', '[aria-label="As visitors see it"]');
        $chrome->click('button', 'Review and save');
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Save menu');
        $chrome->awaitText('Changed the menu Main');
        $bar = $this->fetch($this->ferries('/'))[2];
        self::assertStringContainsString('When boats sail', $bar);
        self::assertMatchesRegularExpression('#aria-label="Main".*?/travel.*?/help.*?/islands#s', $bar);
        self::assertDoesNotMatchRegularExpression('#<nav class="bar".*?/travel/groups.*?</nav>#s', $bar);
        $this->undo();
    }

    /** An item of the menu as it is seen. */
    private function seen(string $name): \Facebook\WebDriver\Remote\RemoteWebElement
    {
        $path = sprintf("//section[@aria-label='As visitors see it']//button[.//span[text()='%s']]", $name);

        return $this->chrome->until(fn () => $this->chrome->driver->findElements(WebDriverBy::xpath($path))[0] ?? null, "$name in the menu");
    }

    private function actOn(string $name, string $act): void
    {
        $this->chrome->driver->action()->contextClick($this->seen($name))->perform();
        $this->chrome->click('menuitem', $act);
    }

    #[Test]
    public function a_card_gets_a_picture_of_its_own_and_a_menu_leads_to_a_file(): void
    {
        $chrome = $this->open('Front page');
        $this->entry('Islands');
        $chrome->driver
            ->findElement(
                WebDriverBy::xpath("//*[@aria-label='Entry']//*[contains(text(), 'Picture on the card')]/following::button[text()='Choose…'][1]"),
            )
            ->click();
        $chrome->find('dialog', 'Picture on the card');
        $chrome->type('textbox', 'Find a file', 'skerra');
        $chrome->click('button', 'island-skerra.png');
        $chrome->find('button', 'Follow the page');
        $chrome->click('button', 'Review and save');
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Save menu');
        $chrome->awaitText('Changed the menu Front page');
        self::assertMatchesRegularExpression(
            '#<img src="/_files/\w+/island-skerra.png" alt=""[^>]*><a href="/islands">#',
            $this->fetch($this->ferries('/'))[2],
        );
        $chrome->click('button', 'Quick links*');
        $chrome->find('heading', 'Quick links');
        $this->add('File');
        $chrome->type('textbox', 'Find a file', 'fares');
        $chrome->click('button', 'fares.csv');
        $chrome->type('textbox', 'Label', 'All fares');
        $chrome->awaitText('fares.csv', '[role=tree]');
        $chrome->click('button', 'Review and save');
        $chrome->click('button', 'Save menu');
        $chrome->awaitText('Changed the menu Quick links');
        self::assertMatchesRegularExpression('#href="/_files/\w+/fares.csv"[^>]*>All fares#', $this->fetch($this->ferries('/'))[2]);
    }

    #[Test]
    public function signed_in_people_get_a_start_page_of_their_own_that_is_looked_at_first(): void
    {
        $chrome = $this->open('Main');
        $chrome->click('button', 'Change the start page of signed-in people');
        $chrome->type('textbox', 'Choose a page', 'Islands');
        $chrome->find('option', 'Islands*');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Make it the start page');
        $chrome->awaitText('Islands', '[aria-label="Start pages"]');
        $chrome->click('button', 'Preview the start page of signed-in people');
        $chrome->find('dialog', 'Preview of Islands');
        self::assertSame('signed-in', $chrome->driver->findElement(WebDriverBy::cssSelector('[role=dialog] select'))->getAttribute('value'));
        $chrome->click('button', 'Close preview');
        $chrome->click('button', 'The same for both');
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Make it the start page');
        $chrome->awaitText('the same', '[aria-label="Start pages"]');
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

    private function undo(): void
    {
        $this->chrome->press([WebDriverKeys::CONTROL, 'z']);
        $this->chrome->awaitText('Undone:');
    }
}
