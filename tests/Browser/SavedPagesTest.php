<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use PHPUnit\Framework\Attributes\Test;
use ZipArchive;

/** Saved pages of another site brought in under one of ours, and next year's names shown to somebody who has no account. */
final class SavedPagesTest extends Errand
{
    private const PAGES = [
        'sails/index' => 'Sail loft',
        'sails/repairs' => 'Sail repairs',
        'sails/covers' => 'Boat covers',
        'rigs/rigging' => 'Standing rigging',
    ];

    #[Test]
    public function saved_pages_come_with_words_pictures_menu_and_old_addresses_and_a_plan_is_shown_by_a_secret_link(): void
    {
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $chrome->open($this->editor('/s/boatyard/bring-in'));
        $chrome->find('heading', 'Import pages');
        $path = self::saved();
        $chrome->driver->findElement(WebDriverBy::cssSelector('input[aria-label="File to import"]'))->sendKeys($path);
        $chrome->awaitText('/rigs/rigging');
        unlink($path);
        self::assertSame([], $chrome->axe());
        $this->choose('Pages come as', 'live pages');
        $chrome->click('checkbox', '*3 links*');
        $chrome->click('button', 'See what follows');
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Import 5 pages*');
        $chrome->awaitText('Imported. The history can undo it');

        self::assertSame([301, $this->boatyard('/sails/repairs')], array_slice($this->fetch($this->boatyard('/sails/repairs.html')), 0, 2));
        self::assertSame([301, $this->boatyard('/sails')], array_slice($this->fetch($this->boatyard('/sails/index.html')), 0, 2));
        [$status, , $html] = $this->fetch($this->boatyard('/sails/repairs'));
        self::assertSame(200, $status);
        self::assertStringContainsString('<title>Sail repairs', $html);
        self::assertStringContainsString('Words about sail repairs.', $html);
        self::assertStringNotContainsString('Made by hand since 1962', $html, 'The foot of every page is no content.');
        self::assertMatchesRegularExpression('#<a href="/sails/covers"#', $html);
        preg_match('#<img[^>]* src="([^"]*/_files/[^"]+)"#', $html, $picture);
        self::assertSame(200, $this->fetch($this->boatyard($picture[1] ?? '/none'))[0], $html);

        $chrome->open($this->editor('/s/boatyard/plans'));
        $chrome->click('button', 'New plan');
        $chrome->type('textbox', 'Name', 'New names');
        $chrome->click('button', 'Make plan');
        $chrome->click('button', 'Work in this plan');
        $chrome->awaitText('You work in the plan New names');
        $chrome->open($this->editor('/s/boatyard/outline'));
        $chrome->click('button', 'Sail loft');
        $chrome->find('complementary', 'Page sheet');
        $chrome->type('textbox', 'Slug', 'loft');
        $chrome->click('button', 'Save changes');
        $chrome->find('row', '*/loft*');
        $chrome->open($this->editor('/s/boatyard/plans'));
        $chrome->click('button', 'New names*');
        $chrome->click('button', 'More of this plan');
        $chrome->click('menuitem', 'Secret link for others…');
        $chrome->click('button', 'Make a link');
        $link = (string) $chrome->find('textbox', 'Secret link')->getAttribute('value');
        self::assertSame(404, $this->fetch($this->boatyard('/loft/repairs'))[0]);
        $colleague = $this->browser();
        $colleague->open($link);
        $colleague->open($this->boatyard('/loft/repairs'));
        $colleague->awaitText('Words about sail repairs.');
        self::assertSame([404, 200], [$this->fetch($this->boatyard('/loft/repairs'))[0], $this->fetch($this->boatyard('/sails/repairs'))[0]]);
    }

    private static function saved(): string
    {
        $path = sys_get_temp_dir().'/sail-loft-'.bin2hex(random_bytes(4)).'.zip';
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::CREATE);
        ob_start();
        imagepng(imagecreatetruecolor(640, 400) ?: throw new \LogicException('There is no picture.'));
        $zip->addFromString('sails/loft.png', (string) ob_get_clean());
        $words = array_combine(self::PAGES, array_map(strtolower(...), self::PAGES));
        foreach (self::PAGES as $file => $name) {
            $picture = $name === 'Sail repairs' ? '<p><img src="/sails/loft.png" alt="The loft"></p>' : '';
            $zip->addFromString(
                "$file.html",
                <<<HTML
                <!doctype html><html lang="en"><head><title>$name – The Sail Loft</title><meta name="description" content="All about $name."></head>
                <body><header><nav aria-label="Loft"><ul><li><a href="/sails/repairs.html">Sail repairs</a></li><li><a href="/sails/covers.html">Boat covers</a></li>
                <li><a href="../rigs/rigging.html">Standing rigging</a></li></ul></nav></header>
                <main><h1>$name</h1><p>Words about {$words[$name]}. See <a href="/sails/covers.html">covers</a>.</p>{$picture}</main>
                <footer><p>Made by hand since 1962</p></footer></body></html>
                HTML
                ,
            );
        }
        $zip->close();

        return $path;
    }
}
