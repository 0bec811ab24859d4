<?php

declare(strict_types=1);

use Bench\Editor;
use Tests\Browser\Chrome;

// What moves by itself in each view: the sum of its layout shifts (W3C Layout Instability; what follows an input within half a second is let
// pass), while it is opened by its address and while the usual is done in it, slower than a browser counts as an answer to the hand.
require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/Editor.inc';

$chrome = new Chrome((string) getenv('DRIVER_URL'), notesShifts: true);
$rest = static fn () => $chrome->driver->executeAsyncScript('setTimeout(arguments[0], 900)');
$told = static function (string $what) use ($chrome, $rest): void {
    $rest();
    $shifts = $chrome->shifts();
    // Each line begins with its shift.
    $sum = array_sum(array_map(floatval(...), $shifts));
    printf("%-52s %.4f\n", $what, $sum);
    foreach (getenv('SHOW') === false ? [] : $shifts as $shift) {
        echo '    ', preg_replace('/\s+/', ' ', mb_substr($shift, 0, 700)), "\n";
    }
};
try {
    $editor = Editor::signIn($chrome);
    $told('signing in');
    foreach (
        [
            'outline' => 'row',
            'outline?filter=islands' => 'row',
            'menus' => 'treeitem',
            'addresses' => 'row',
            'addresses/matching' => 'heading',
            'findability' => 'heading',
            'files' => 'option',
            'layouts' => 'heading',
            'people' => 'heading',
            'history' => 'button',
            'plans' => 'heading',
            'settings' => 'heading',
            'bring-in' => 'heading',
            'replace' => 'heading',
        ] as $view => $role
    ) {
        $chrome->open("$editor/s/ferries/$view");
        $chrome->find($role, '*');
        $told("opened: $view");
    }
    $chrome->open("$editor/s/ferries/outline");
    $chrome->find('row', '*Islands*');
    $rest();
    $chrome->shifts();
    $chrome->click('button', 'Islands');
    $chrome->awaitText('Sits in');
    $told('a page\'s sheet beside the outline');
    foreach (['Content', 'Search', 'History', 'Details'] as $tab) {
        $chrome->click('tab', $tab);
        $told("its tab $tab");
    }
    $chrome->type('textbox', 'Slug', 'isles');
    $chrome->awaitText('It will be at');
    $told('another slug, typed');
    $chrome->click('button', 'Save changes');
    $chrome->find('region', 'Ripple');
    $told('its ripple');
    $chrome->click('button', 'Cancel');
    $told('cancelled');
    $chrome->open("$editor/s/ferries/addresses?text=q/harbour");
    $chrome->click('row', '*/q/harbour-a*');
    $chrome->find('complementary', '*');
    $told('a redirect beside the addresses');
    $chrome->open((string) getenv('FERRIES_URL').'/nothing/islands');
    $chrome->awaitText('Did you want one of these?');
    $told('a missed address, as visitors see it');
} finally {
    $chrome->quit();
}
