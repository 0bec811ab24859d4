<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Chrome;

// Takes the pictures of the documentation from the demo data: ./heronstem pictures
require __DIR__.'/../../vendor/autoload.php';

$editor = (string) getenv('EDITOR_URL');
$chrome = new Chrome((string) getenv('DRIVER_URL'));
$take = static function (string $name) use ($chrome): void {
    usleep(700_000); // fonts and the last movement
    $chrome->screenshot(__DIR__."/$name.png");
};
try {
    $chrome->open("$editor/sign-in");
    $chrome->find('heading', 'Sign in to Heronstem');
    $chrome->type('textbox', 'Mail address', 'mairi@skerrivane.example');
    $chrome->type('textbox', 'Password', 'curlew-at-dawn');
    $chrome->click('button', 'Sign in');
    $chrome->find('row', '*Legal*');
    foreach (['Travel' => '/travel/routes', 'Service news' => '/news/ullin-works'] as $branch => $inside) {
        $chrome->click('button', "Open $branch");
        $chrome->find('row', "*$inside*");
    }
    $take('outline');
    $chrome->click('button', 'Travelling with dogs');
    $chrome->awaitText('Sits in');
    $take('sheet-details');
    $chrome->click('tab', 'Content');
    $chrome->awaitText('Dogs sail free', '.writing');
    $chrome->click('link', 'Write on the page');
    $chrome->inFrame('.ProseMirror a', static fn (Chrome $in) => $in->driver->findElement(WebDriverBy::cssSelector('.ProseMirror a'))->click());
    $chrome->find('toolbar', 'Block');
    $take('writing');
    $chrome->click('link', 'Back to the outline');
    $chrome->awaitText('Dogs sail free', '.writing');
    $chrome->click('tab', 'Search');
    $chrome->find('region', 'As a search result');
    $take('sheet-search');
    $chrome->open("$editor/s/ferries/outline");
    $chrome->click('button', 'Close Service news');
    $chrome->find('button', 'Open Timetables');
    $chrome->drag($chrome->find('row', '*/travel/timetables*'), $chrome->find('row', '*/help*'), 0, static function () use ($chrome): void {
        $chrome->awaitText('inside Help: /help/timetables');
    });
    $chrome->find('region', 'Ripple');
    $take('ripple');
    $chrome->click('button', 'Set aside');
    $chrome->click('button', 'Fares');
    $chrome->awaitText('Sits in');
    $chrome->type('textbox', 'Slug', 'timetables');
    $chrome->click('button', 'Save changes');
    $chrome->find('region', 'Ripple');
    $take('ripple-decision');
    $chrome->click('button', 'Set aside');
    $chrome->open("$editor/s/ferries/outline?filter=Islands");
    $chrome->click('button', 'Islands');
    $chrome->click('button', 'Change who sees the page…');
    $chrome->click('radio', 'Some visitors');
    $chrome->click('checkbox', 'Those in some networks');
    $chrome->type('textbox', 'Networks', '192.0.2.0/24');
    $take('access');
    $chrome->open("$editor/s/ferries/files");
    $chrome->click('option', 'boat.png*');
    $chrome->awaitText('Used in');
    $take('files');
    $chrome->open("$editor/s/boatyard/layouts?layout=item");
    $chrome->find('textbox', 'Price of Petrel');
    $take('layouts');
    $chrome->open("$editor/s/ferries/replace?find=Curlew&with=Kittiwake");
    $chrome->find('checkbox', 'All on Curlew');
    $take('replace');
    $chrome->open("$editor/s/ferries/history");
    $chrome->click('button', 'Put Winter offer in the bin*');
    $chrome->find('complementary', 'Change');
    $take('history');
    $chrome->open("$editor/s/ferries/menus");
    $chrome->click('button', 'Footer*');
    $chrome->find('heading', 'Footer');
    $chrome->find('treeitem', '*Summer sailings*')->click();
    $chrome->find('complementary', 'Entry');
    $take('menus');
    $chrome->open("$editor/s/ferries/addresses?kind=one,branch,pattern,former,gone");
    $chrome->find('row', '/q/harbour-a*');
    $take('addresses');
    $chrome->open("$editor/s/ferries/addresses");
    $chrome->click('button', 'Bring in, match or save');
    $chrome->click('menuitem', 'Match addresses of an old site…');
    $chrome->driver->findElement(WebDriverBy::cssSelector('input[type=file]'))->sendKeys(dirname(__DIR__, 2).'/database/demo/ferries/lists/orm-tours.csv');
    $chrome->click('button', 'Match them');
    $chrome->awaitText('25 of 25', '[role=dialog]');
    $take('addresses-matching');
    $chrome->open("$editor/s/ferries/findability");
    $chrome->awaitText('pages without a finding');
    $take('findability');
    $chrome->open("$editor/s/ferries/settings");
    $chrome->awaitText('Who signs in at the public site');
    $take('settings');
    $chrome->open("$editor/s/ferries/outline");
    $chrome->awaitText('Outline');
    $chrome->open(getenv('FERRIES_URL').'/');
    $chrome->driver->executeScript("document.querySelector('[aria-label=\"Show what is in Travel\"]').click()");
    $take('site-home');
    $owner = new Chrome((string) getenv('DRIVER_URL'));
    $owner->open("$editor/sign-in");
    $owner->type('textbox', 'Mail address', 'greta@skerrivane.example');
    $owner->type('textbox', 'Password', 'wagtail-office');
    $owner->click('button', 'Sign in');
    $owner->find('row', '*Legal*');
    $owner->open("$editor/s/ferries/people?show=rights");
    $owner->find('gridcell', 'Isla Verrin, publish*');
    $owner->until(
        static fn () => $owner->driver->findElements(WebDriverBy::xpath("//select[@aria-label='Branch']/option[starts-with(., 'Islands')]"))[0] ?? null,
        'the branch of the islands',
    )->click();
    $owner->find('gridcell', 'Island offices, addresses: denied here');
    $owner->click('gridcell', 'Isla Verrin, publish*');
    $owner->awaitText('Allowed to the role Island offices, in Islands.');
    usleep(700_000);
    $owner->screenshot(__DIR__.'/rights.png');
    $owner->open("$editor/s/ferries/people");
    $owner->find('button', 'Copy Writer…');
    usleep(700_000);
    $owner->screenshot(__DIR__.'/people.png');
    $owner->quit();
} finally {
    $chrome->quit();
}
