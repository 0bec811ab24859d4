<?php

declare(strict_types=1);

use Bench\Editor;
use Bench\Hand;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Chrome;

// Fourteen usual tasks of a web manager, done with the mouse from the outline, as somebody does them who looks for each next step on the screen:
// what is pressed, and what is filled in. SHOW=1 says the way.
require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/Editor.inc';
require __DIR__.'/Hand.inc';

$chrome = new Chrome((string) getenv('DRIVER_URL'));
$hand = new Hand($chrome);
$editor = Editor::signIn($chrome);
$ripple = 'section[aria-label=Ripple]';
$task = static function (string $name, callable $do) use ($chrome, $hand, $editor): void {
    $chrome->open("$editor/s/ferries/outline");
    $chrome->find('row', '*Legal*');
    try {
        $do();
        $hand->tell($name);
    } catch (Throwable $problem) {
        $chrome->screenshot(sys_get_temp_dir().'/task.png');
        throw $problem;
    }
};
$row = static fn (string $name) => $chrome->find('row', "*$name*");
$seen = static fn (string $name) => $chrome->until(
    static fn () => $chrome->driver->findElements(
        WebDriverBy::xpath("//section[@aria-label='As visitors see it']//button[.//span[text()='$name']]"),
    )[0] ?? null,
    "$name in the menu",
);

try {
    $task('make a page with a picture and a link, put it live', static function () use ($chrome, $hand): void {
        $hand->click('button', 'Help')->click('button', 'Make page')->type('textbox', 'Name of the new page', 'Dogs on board')->enter();
        $hand->sees('Made Dogs on board')->click('tab', 'Content')->click('textbox', 'Content of the page');
        $chrome->press('Dogs sail free. See the fares');
        $chrome->press([WebDriverKeys::CONTROL, WebDriverKeys::SHIFT, WebDriverKeys::ARROW_LEFT]);
        $hand->click('button', 'Link');
        $chrome->find('dialog', 'Link');
        $chrome->press('Fares');
        $hand->click('option', '*/travel/fares*');
        $chrome->awaitGone('dialog', 'Link');
        $chrome->press(WebDriverKeys::END, WebDriverKeys::ENTER);
        $hand->click('button', 'Picture');
        $chrome->find('file', 'File')->sendKeys((string) realpath(__DIR__.'/../database/demo/ferries/pictures/dog.png'));
        $hand->type('textbox', 'Alternative text', 'A dog that looks west')->click('button', 'Use picture');
        $hand->click('button', 'Save content')->sees('version 1')->click('button', 'Go live');
        $chrome->find('button', 'Take offline');
    });
    $task('give two pages a label', static function () use ($hand, $row, $chrome): void {
        foreach (['Freight', 'Help'] as $page) {
            $chrome->driver->action()->moveToElement($row($page))->perform();
            $hand->clickAt("//*[@aria-label='Mark $page']", "mark $page");
        }
        $hand->click('button', 'Tag…')->type('textbox', 'Add a tag', 'for lorries')->enter()->click('button', 'Save tags')->sees('Tagged 2 pages');
    });
    $task('move a branch, look at what follows first, undo it', static function () use ($hand, $chrome): void {
        $hand->drag('*Freight*', '*Travel*', 0, 'inside Travel');
        $chrome->find('region', 'Ripple');
        $hand->click('button', 'Move*')->sees('Moved Freight')->click('button', 'Undo')->sees('Undone:');
    });
    $task('see who changed what on a page', static fn () => $hand->click('button', 'Service news')->click('tab', 'History')->sees('visitors see this one'));
    $task('thin out the main menu and look at it on a phone', static function () use ($hand, $seen): void {
        $hand->click('link', 'Menus')->act($seen('Groups'), 'Leave out of this menu')->click('button', 'Phone');
        $hand->click('button', 'Review and save')->click('button', 'Save menu')->sees('Changed the menu Main');
    });
    $task('put a card on the front page', static function () use ($hand, $row): void {
        $hand->act($row('Freight'), 'Add to picks…*')->click('button', 'Add to Front page')->sees('Added Freight to Front page');
    });
    $task('give a poster a short address for a month', static function () use ($hand): void {
        $hand->click('link', 'Addresses')->click('button', 'New redirect')->type('textbox', 'Address', '/q/jetty')->click('button', 'Choose…');
        $hand->type('textbox', 'Choose a page', 'Timetables')->click('option', 'Timetables*')->choose('How long', 'for a month');
        $hand->click('button', 'Make the redirect')->sees('Redirected /q/jetty');
    });
    $task('say that an offer has ended', static function () use ($hand): void {
        $hand->click('link', 'Addresses')->click('button', 'New redirect')->type('textbox', 'Address', '/winter-deal')->choose('Answer', 'Gone');
        $hand->click('button', 'Make the redirect')->sees('/winter-deal');
    });
    $task('lead four old addresses to their pages at once', static function () use ($hand): void {
        $hand->click('link', 'Addresses')->click('link', 'Match old addresses');
        $hand->type('textbox', 'Old addresses', "/old/timetable.html\n/old/refunds\n/old/lost-property.php\n/old/fares.asp")->click('button', 'Match them');
        $hand->click('button', 'Send 4*')->click('button', 'Make them')->sees('Redirected');
    });
    $task('retire a branch and bring it back', static function () use ($hand, $row, $chrome): void {
        $hand->act($row('Freight'), 'Put in bin*');
        $chrome->find('region', 'Ripple');
        $hand->click('button', 'Use 2 defaults*')->click('button', 'Put 7 pages in bin*')->sees('in the bin')->click('button', 'Undo')->sees('Undone:');
    });
    $task('duplicate a branch as drafts', static function () use ($hand, $row): void {
        $hand->act($row('Freight'), 'Duplicate…*')->type('textbox', 'Name of the copy', 'Freight by night');
        $hand->click('checkbox', 'Duplicate the pages below it too*')->click('button', 'Duplicate')->sees('Duplicated Freight');
    });
    $task('give a page its texts for search', static function () use ($hand): void {
        $hand->click('button', 'Freight')->click('tab', 'Search')->type('textbox', 'Search title', 'Freight by sea');
        $hand->type('textbox', 'Search description', 'Lorries and loads.')->click('button', 'Save changes')->sees('Set for this page.');
    });
    $task('see what no menu reaches, and add it to one', static function () use ($hand): void {
        $hand->click('link', 'Menus')->click('button', '*in no menu*')->click('button', 'Add to… *')->click('menuitem', 'Quick links')
            ->click('button', 'Add')->sees('Added');
    });
    $task('see what was asked for in vain, and send it on', static function () use ($hand): void {
        $hand->click('link', 'Addresses')->click('button', 'Missed*')->click('row', '*/*')->click('button', 'Send on to*')->sees('Redirected');
    });
    $task('make another page the start page', static function () use ($hand, $row): void {
        $hand->act($row('Freight'), 'Make it the start page')->click('button', 'Make it the start page*')->sees('Made Freight the start page');
    });
} finally {
    $chrome->quit();
}
