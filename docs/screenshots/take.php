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
    $chrome->click('button', 'Cancel');
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
    $owner->open("$editor/s/ferries/people");
    $owner->find('button', 'Copy Writer…');
    usleep(700_000);
    $owner->screenshot(__DIR__.'/people.png');
    $shoot = static function (string $name) use ($owner): void {
        usleep(700_000);
        $owner->screenshot(__DIR__."/$name.png");
    };
    $owner->open("$editor/s/ferries/bring-in");
    $lines = ['/index.html', '/tours.html', '/tours/seal-watching.html', '/tours/seal-watching-prices.php', '/tours/Sunset_cruise.html'];
    $more = ['/tours/bird_islands.html', '/boats/orm-queen.html', '/about-us.html', '/contact.asp?form=1', '/news/2024/winter.html'];
    $typed = implode("\n", array_map(static fn (string $address): string => "https://www.orm-tours.example$address", [...$lines, ...$more]));
    $owner->type('textbox', 'Paste it here*', $typed);
    $owner->click('button', 'Review it');
    $owner->awaitText('/tours/bird_islands');
    $shoot('bring-in');
    $owner->open("$editor/s/ferries/plans");
    $owner->click('button', 'New plan');
    $owner->type('textbox', 'Name', 'Summer timetable');
    $owner->click('button', 'Make plan');
    $owner->click('button', 'Work in this plan');
    $owner->awaitText('You work in the plan Summer timetable');
    $owner->open("$editor/s/ferries/outline");
    foreach (['Help' => 'questions', 'Legal' => 'imprint'] as $page => $slug) {
        $owner->click('button', $page);
        $owner->awaitText('Sits in');
        $owner->type('textbox', 'Slug', $slug);
        $owner->click('button', 'Save changes');
        $owner->find('row', "*/$slug*");
    }
    $owner->open("$editor/s/ferries/plans");
    $owner->click('button', 'Summer timetable*');
    $owner->awaitText('Prepared, 2 steps');
    $shoot('plan');
    $owner->click('button', 'Leave the plan');
    $owner->awaitNoText('You work in the plan');
    $owner->open("$editor/s/ferries/addresses/matching");
    $owner->type('textbox', 'Name of the list', 'Orm Island Tours');
    $owner->driver
        ->findElement(WebDriverBy::cssSelector('input[type=file]'))
        ->sendKeys(dirname(__DIR__, 2).'/database/demo/ferries/lists/orm-tours.csv');
    $owner->click('button', 'Match them');
    $owner->awaitText('25 of 25');
    $owner->find('combobox', 'In which order')->sendKeys('The least sure first');
    $owner->find('checkbox', '*/gift-vouchers is gone*')->click();
    $owner->awaitText('Chosen by Greta');
    $shoot('match');
    $owner->quit();
} finally {
    $chrome->quit();
}
