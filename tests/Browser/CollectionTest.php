<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** Collections of items with fields of their own, tags, and pages made from starting points. */
final class CollectionTest extends Errand
{
    #[Test]
    public function a_group_gives_its_items_a_field_that_is_filled_in_and_seen_by_visitors(): void
    {
        $this->expected = ['status of 422'];
        $chrome = $this->signIn();
        $chrome->open($this->editor('/s/boatyard/layouts?layout=collection'));
        $chrome->click('link', 'Motor boats');
        $chrome->click('tab', 'Fields');
        $chrome->awaitText('Items below this page have these fields');
        $chrome->click('button', 'Add a row');
        $chrome->type('textbox', 'Name, row 3', 'Draught');
        $this->choose('Kind, row 3', 'Money');
        $chrome->click('button', 'Save fields');
        $chrome->awaitText('Money needs its currency');
        $this->choose('Kind, row 3', 'Number');
        $chrome->type('textbox', 'Unit, row 3', 'm');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Save fields');
        $chrome->awaitGone('button', 'Discard changes');
        self::assertSame('draught', $chrome->find('textbox', 'Key, row 3')->getAttribute('value'));

        // The items of the group have it in their grid, by keys from row to row.
        $chrome->click('link', 'Layouts');
        $chrome->click('button', 'Item*');
        $chrome->click('button', 'Motor boats*');
        $chrome->type('textbox', 'Draught of Eider', '1.4');
        $chrome->press(WebDriverKeys::ENTER);
        self::assertSame('Draught of Skua', $chrome->driver->switchTo()->activeElement()->getAttribute('aria-label'));
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Save 1 page');
        $chrome->awaitGone('button', 'Discard changes');

        // Visitors see it once the group is published; they sort and filter without scripts.
        $site = $this->boatyard('');
        self::assertStringNotContainsString('1.4', $this->fetch("$site/boats-for-sale/motor/eider")[2]);
        $chrome->open($this->editor('/s/boatyard/layouts?layout=collection'));
        $chrome->click('link', 'Motor boats');
        $chrome->click('button', 'Publish edits');
        $chrome->awaitGone('button', 'Publish edits');
        self::assertMatchesRegularExpression('#<dt>Draught</dt><dd>1.4\s+m</dd>#u', $this->fetch("$site/boats-for-sale/motor/eider")[2]);
        $chrome->open("$site/boats-for-sale");
        self::assertSame([], $chrome->axe());
        $chrome->click('link', 'Length');
        $chrome->find('link', 'Wagtail');
        $chrome->click('link', 'Length*');
        self::assertStringContainsString('sort=-length', $chrome->driver->getCurrentURL());
        $chrome->click('button', 'Filter');
        $this->choose('Lies*', 'Afloat');
        $chrome->driver->findElement(WebDriverBy::cssSelector('.narrow form button'))->click();
        $chrome->awaitText('Showing 3 of 7');
        self::assertSame(
            ['Eider', 'Guillemot', 'Petrel'],
            array_map(static fn ($row): string => $row->getText(), $chrome->driver->findElements(WebDriverBy::cssSelector('tbody th'))),
        );
        // In two groups at one address.
        $chrome->open("$site/boats-for-sale/motor");
        $chrome->click('link', 'Guillemot');
        self::assertSame('/boats-for-sale/sailing/guillemot', $chrome->path());
        self::assertSame([], $chrome->axe());
    }

    #[Test]
    public function pages_are_tagged_found_by_tag_and_a_tag_is_renamed_everywhere(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Legal');
        $chrome->type('textbox', 'Add a tag', 'small print');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('button', 'Remove the tag small print');
        $chrome->type('textbox', 'Add a tag', 'a, b');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->awaitText('A comma stands between tags');
        self::assertSame([], $chrome->axe());
        $this->expected = ['status of 422'];
        $chrome->click('button', 'Close the sheet');
        $chrome->click('button', 'Tag');
        $chrome->click('menuitemcheckbox', 'walking*');
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->click('button', 'Mark all 5 pages that match');
        $chrome->click('button', 'Tag…');
        $chrome->type('textbox', 'Add a tag', 'small print');
        $chrome->press(WebDriverKeys::ENTER);
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Save tags');
        $chrome->awaitGone('dialog', 'Tags of 5 pages');
        $chrome->click('button', 'walking');
        $chrome->click('menuitem', 'All tags…');
        $chrome->awaitText('6 pages');
        $chrome->click('button', 'Rename the tag small print');
        $chrome->type('textbox', 'New name of small print', 'festival');
        $chrome->awaitText('the two become one');
        self::assertSame([], $chrome->axe());
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->awaitText('10 pages');
        $chrome->click('button', 'festival');
        $chrome->awaitText('Mark all 10 pages that match');
        $chrome->press([WebDriverKeys::CONTROL, 'z']);
        $chrome->awaitText('Mark all 4 pages that match');
    }

    #[Test]
    public function a_branch_is_kept_as_a_starting_point_and_a_new_one_made_from_it(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Legal');
        $chrome->find('complementary', 'Page sheet');
        $chrome->click('button', 'Change Legal');
        $chrome->click('menuitem', 'Keep as a starting point…');
        $chrome->awaitText('with the 2 pages below');
        $chrome->type('textbox', 'Name of the starting point', 'Small print');
        $chrome->type('textbox', 'Description', 'Conditions and privacy.');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Keep it');
        $chrome->awaitText('Kept as the starting point Small print.');
        $chrome->click('button', 'Freight');
        $chrome->find('heading', 'Freight');
        $chrome->click('button', 'Change Freight');
        $chrome->click('menuitem', 'New page from a starting point…');
        $chrome->awaitText('Legal, Conditions of carriage, Privacy');
        $chrome->type('textbox', 'Name of the new page', 'Freight terms');
        $chrome->awaitText('It will be at /freight/freight-terms');
        self::assertSame([], $chrome->axe());
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('heading', 'Freight terms');
        $chrome->awaitText('Draft', '[aria-label="Page sheet"]');
        $chrome->click('tab', 'Content');
        $chrome->awaitText('The two documents that we have to show you', '.writing');
    }

    #[Test]
    public function a_page_gets_a_small_picture_and_is_loaded_anew_and_e_opens_the_room(): void
    {
        $chrome = $this->signIn();
        $chrome->click('button', 'Freight');
        $chrome->click('button', 'Choose…');
        $chrome->type('textbox', 'Find a file', 'harbour');
        $chrome->click('button', 'harbour.png*');
        $chrome->find('button', 'Another…');
        $this->choose('Loads anew', 'every 5 min');
        $chrome->awaitText('Changed loading anew of Freight');
        self::assertSame([], $chrome->axe());
        $page = $this->fetch($this->ferries('/freight'))[2];
        self::assertStringContainsString('This page loads anew every 5 minutes', $page);
        $chrome->open($this->ferries('/freight'));
        $chrome->click('link', 'Keep it as it is');
        $chrome->awaitNoText('loads anew');
        self::assertSame([], $chrome->axe());

        $chrome->open($this->editor('/s/ferries/outline'));
        $chrome->click('button', 'Freight');
        $chrome->click('button', 'Remove');
        $chrome->awaitText('none of its own');
        $chrome->click('button', 'Close the sheet');
        $chrome->find('treegrid')->sendKeys('e');
        $chrome->find('link', 'Back to the outline');
        self::assertStringContainsString('/write/', $chrome->path());
    }
}
