<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** Files: looked at, uploaded, replaced, and what stands in the fields of layouts. */
final class FilesTest extends Errand
{
    #[Test]
    public function a_new_picture_dropped_onto_an_old_one_is_seen_on_every_page_and_taken_back(): void
    {
        $chrome = $this->signIn();
        $chrome->click('link', 'Files');
        $chrome->find('option', 'boat.png*');
        $before = $this->pictureOf('/travel/on-board');
        $this->drop('boat.png', 'newer-boat.png');
        $chrome->find('dialog', 'Replace boat.png?');
        $chrome->awaitText('places show the new one at once');
        $chrome->awaitText('On board');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Replace it');
        $chrome->awaitGone('dialog', 'Replace boat.png?');
        $chrome->awaitText('“boat.png” is replaced');
        self::assertNotSame($before, $this->pictureOf('/travel/on-board'));
        self::assertNotSame($before, $this->pictureOf('/about/fleet'));

        $chrome->click('option', 'boat.png*');
        $chrome->awaitText('Earlier versions');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Bring back version 1');
        $chrome->awaitText('Version 2');
        $chrome->until(fn (): ?bool => str_contains($this->fetch($this->ferries('/travel/on-board'))[2], 'boat.png?v=3') ?: null, 'the old picture');
        $chrome->click('link', 'History');
        $chrome->awaitText('Brought back version 1 of the file boat.png');
    }

    #[Test]
    public function many_files_are_dropped_at_once_into_a_folder_and_an_unused_one_is_put_in_the_bin_and_back(): void
    {
        $this->expected = ['status of 422'];
        $chrome = $this->signIn();
        $chrome->click('link', 'Files');
        $chrome->click('button', 'Harbours*');
        $pictures = realpath(__DIR__.'/../../database/demo/ferries/pictures');
        $chrome->find('file', 'Files to upload')->sendKeys("$pictures/dog.png\n$pictures/islands.png\n".__FILE__);
        $chrome->awaitText('2 files uploaded, 1 not');
        $chrome->awaitText('Files of this kind are not served');
        $chrome->click('button', 'Close the uploads');
        $chrome->click('option', '*islands.png*');
        $chrome->type('textbox', 'Alternative text', 'Five islands');
        $chrome->click('button', 'Save');
        $chrome->awaitGone('button', 'Discard changes');
        $chrome->click('button', 'Put in bin');
        $chrome->awaitGone('option', '*islands.png*');
        $chrome->find('combobox', 'Use')->sendKeys('In the bin');
        $chrome->click('option', 'islands.png*');
        $chrome->click('button', 'Bring back');
        $chrome->awaitText('The bin is empty.');
        $chrome->find('combobox', 'Use')->sendKeys('Not used');
        $chrome->find('option', '*islands.png*');
        // By keys alone: from file to file, and into one.
        $chrome->find('listbox', 'Files')->sendKeys(WebDriverKeys::END);
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('heading', 'islands.png');
    }

    #[Test]
    public function the_fares_of_a_crossing_are_filled_in_as_rows_and_seen_in_the_pages_table(): void
    {
        $this->expected = ['status of 422'];
        $chrome = $this->signIn();
        self::assertStringContainsString('not settled yet', $this->fetch($this->ferries('/travel/routes/tarransay-holm'))[2]);
        $this->openSheet('Port Hallin – Tarransay Holm');
        $chrome->click('tab', 'Fields');
        $chrome->awaitText('Visitors read: “The fares of this crossing are not settled yet.');
        $chrome->click('button', 'Add a row');
        $chrome->type('textbox', 'For, row 1', 'Child');
        $chrome->type('textbox', 'Single, row 1', '7');
        $chrome->click('button', 'Add a row');
        $chrome->type('textbox', 'For, row 2', 'Adult');
        $chrome->type('textbox', 'Single, row 2', 'dear');
        $chrome->press([WebDriverKeys::ALT, WebDriverKeys::ARROW_UP]);
        self::assertSame('Adult', $chrome->find('textbox', 'For, row 1')->getAttribute('value'));
        $chrome->click('button', 'Save fields');
        $chrome->awaitText('Row 1, Single: This is an amount, such as 12.50.');
        self::assertSame([], $chrome->axe());
        $chrome->type('textbox', 'Single, row 1', '14');
        $chrome->click('button', 'Save fields');
        $chrome->awaitGone('button', 'Discard changes');
        $chrome->click('button', 'Publish edits');
        $chrome->awaitGone('button', 'Publish edits');
        $html = $this->fetch($this->ferries('/travel/routes/tarransay-holm'))[2];
        self::assertMatchesRegularExpression('#Adult</th>\s*<td class="number">£14.00</td>.*Child</th>\s*<td class="number">£7.00</td>#s', $html);

        // Another layout says what it has no place for, and the way back brings it.
        $chrome->click('tab', 'Details');
        $chrome->find('combobox', 'Layout')->sendKeys('Content');
        $chrome->awaitText('No place in it for From, Takes, Boat, Sails, Vehicles, Fares');
        $chrome->click('button', 'Discard');
        $chrome->awaitText('A line between two harbours');
    }

    #[Test]
    public function what_pages_say_nothing_of_is_said_once_for_all(): void
    {
        $this->expected = ['status of 422'];
        $chrome = $this->signIn();
        $chrome->click('link', 'Layouts');
        $chrome->click('button', 'Crossing*');
        $chrome->click('button', 'Defaults…');
        $chrome->type('textbox', 'Takes', 'long');
        $chrome->click('button', 'Save defaults');
        $chrome->awaitText('This is a number');
        $chrome->type('textbox', 'Takes', '');
        $chrome->type('textbox', 'Sails', 'when the weather lets us');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Save defaults');
        $chrome->awaitGone('dialog', 'Defaults of Crossing');
        self::assertStringNotContainsString('when the weather lets us', $this->fetch($this->ferries('/travel/routes/skerra'))[2]);
        $chrome->click('link', 'Port Hallin – Skerra');
        $chrome->click('tab', 'Fields');
        $chrome->type('textbox', 'Sails', '');
        $chrome->click('button', 'Save fields');
        $chrome->awaitGone('button', 'Discard changes');
        $chrome->click('button', 'Publish edits');
        $chrome->awaitGone('button', 'Publish edits');
        self::assertStringContainsString('when the weather lets us', $this->fetch($this->ferries('/travel/routes/skerra'))[2]);
    }

    #[Test]
    public function fields_are_filled_in_in_the_writing_room_and_seen_in_place(): void
    {
        $chrome = $this->signIn();
        $this->openSheet('Dunlin');
        $chrome->click('tab', 'Content');
        $chrome->click('link', 'Write on the page');
        $chrome->click('button', 'Fields');
        $chrome->type('textbox', 'Built', '1987');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Save fields');
        $chrome->awaitGone('dialog', 'Fields of Dunlin');
        $chrome->inFrame(
            '.facts',
            fn (Chrome $in) => $in->until(fn (): ?bool => str_contains($in->text('.facts'), '1987') ?: null, 'the year on the page'),
        );
    }

    #[Test]
    public function the_fields_of_all_pages_of_a_layout_are_edited_like_a_spreadsheet(): void
    {
        $this->expected = ['status of 422'];
        $chrome = $this->signIn();
        $chrome->click('link', 'Layouts');
        $chrome->click('button', 'Boat*');
        $chrome->type('textbox', 'People of Dunlin', '44');
        $chrome->press(WebDriverKeys::ENTER);
        self::assertSame('People of Turnstone', $chrome->driver->switchTo()->activeElement()->getAttribute('aria-label'));
        $chrome->press([WebDriverKeys::CONTROL, 'a'], 'many');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Save 2 pages');
        $chrome->awaitText('This is a number, such as 12 or 12.5.');
        $chrome->type('textbox', 'People of Turnstone', '66');
        $chrome->click('button', 'Save 2 pages');
        $chrome->awaitGone('button', 'Discard changes');
        self::assertStringContainsString('<dt>People</dt><dd>66</dd>', $this->fetch($this->ferries('/about/fleet/turnstone'))[2]);
        $chrome->click('button', 'Import a table…');
        $chrome->type('textbox', 'Table', 'address,fields.people');
        $chrome->press(WebDriverKeys::ENTER, '/about/fleet/dunlin,45', WebDriverKeys::ENTER, '/about/fleet/none,1');
        $chrome->click('button', 'Try the table');
        $chrome->awaitText('1 cannot be taken');
        $chrome->click('button', 'See what follows for 1 page');
        $chrome->click('button', 'Change 1 page');
        $chrome->until(
            fn (): ?bool => str_contains($this->fetch($this->ferries('/about/fleet/dunlin'))[2], '<dd>45</dd>') ?: null,
            'what the table says',
        );
    }

    #[Test]
    public function a_shared_piece_is_changed_once_and_seen_on_every_page_that_shows_it(): void
    {
        $chrome = $this->signIn();
        $chrome->click('link', 'Files');
        $chrome->click('link', 'Shared pieces');
        $chrome->click('button', 'Help on the pier*');
        $chrome->awaitText('Shown on');
        $chrome->find('textbox', 'Content of the piece')->click();
        $chrome->press([WebDriverKeys::CONTROL, WebDriverKeys::END], WebDriverKeys::ENTER, 'Or ask the crew.');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Save on 3 pages');
        $chrome->awaitText('Saved. 3 pages show it');
        foreach (['port-hallin', 'skerra', 'ullin'] as $harbour) {
            self::assertStringContainsString('Or ask the crew.', $this->fetch($this->ferries("/travel/harbours/$harbour"))[2]);
        }
        $chrome->click('button', 'Use version 1');
        $chrome->awaitNoText('Or ask the crew.', '.writing');
        $chrome->click('button', 'Save on 3 pages');
        $chrome->until(
            fn (): ?bool => str_contains($this->fetch($this->ferries('/travel/harbours/ullin'))[2], 'Or ask') ? null : true,
            'the piece as it was',
        );

        // Into a page, by the list of blocks.
        $this->openSheet('Accessibility');
        $chrome->click('tab', 'Content');
        $chrome->click('button', 'Block');
        $chrome->type('textbox', 'Block', 'shared');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->click('radio', 'Help on the pier*');
        $chrome->click('button', 'Insert piece');
        $chrome->awaitText('A hand with boarding?');
        $chrome->click('button', 'Save content');
        $chrome->awaitText('Saved by');
    }

    private function openSheet(string $name): void
    {
        $this->chrome->press([WebDriverKeys::CONTROL, 'k']);
        $this->chrome->find('dialog', 'Go to a page, or do something');
        $this->chrome->press($name);
        $this->chrome->click('option', "*$name*");
        $this->chrome->find('heading', $name);
    }

    /** Drops a file of the demo, under another name, onto one that is shown. */
    private function drop(string $onto, string $name): void
    {
        $bytes = base64_encode((string) file_get_contents(__DIR__.'/../../database/demo/ferries/pictures/dog.png'));
        $this->chrome->driver->executeScript(
            <<<'JS'
            const [onto, name, bytes] = arguments
            const data = new DataTransfer()
            data.items.add(new File([Uint8Array.from(atob(bytes), c => c.charCodeAt(0))], name, { type: 'image/png' }))
            const tile = [...document.querySelectorAll('[role=option]')].find(each => each.textContent.startsWith(onto))
            for (const type of ['dragover', 'drop'])
                tile.dispatchEvent(new DragEvent(type, { dataTransfer: data, bubbles: true, cancelable: true }))
            JS
            ,
            [$onto, $name, $bytes],
        );
    }

    /** The bytes of the boat as a page shows it. */
    private function pictureOf(string $path): string
    {
        preg_match('#/_files/\w+/boat\.png\?v=\d+#', $this->fetch($this->ferries($path))[2], $found);

        return md5($this->fetch($this->ferries($found[0] ?? '/none'))[2]);
    }
}
