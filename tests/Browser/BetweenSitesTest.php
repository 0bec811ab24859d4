<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use PHPUnit\Framework\Attributes\Test;

/** What goes from one site to another: an old one that still answers, a branch, a whole site into the bin and back. */
final class BetweenSitesTest extends Errand
{
    #[Test]
    public function an_old_site_is_read_while_it_answers_and_looked_over(): void
    {
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $chrome->open($this->editor('/s/boatyard/bring-in'));
        $chrome->type('textbox', 'Or the address of the old site*', 'https://vanesay-line.example/');
        $chrome->click('button', 'Read that site');
        // Read by the worker, politely: half a second between two pages.
        $chrome->awaitText('/inseln/walks');
        $shown = $chrome->text('main');
        self::assertStringContainsString('/boats/otter', $shown, 'What an address led to is read as well.');
        self::assertStringNotContainsString('/intern', $shown, 'Its robots.txt keeps crawlers out of there.');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Discard');
        $chrome->awaitText('Read as its robots.txt allows');
    }

    #[Test]
    public function a_branch_moves_to_another_site_and_every_address_leads_there(): void
    {
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $this->makePage('Slipway', 'Freight');
        $this->goLive();
        $this->makePage('Winter storage of boats', 'Slipway');
        $this->goLive();
        $address = '/freight/slipway/winter-storage-of-boats';
        self::assertSame(200, $this->fetch($this->ferries($address))[0]);

        $row = $chrome->find('row', '*Slipway*');
        $row->findElement(WebDriverBy::cssSelector('[role=gridcell]:nth-child(2)'))->click();
        $chrome->click('button', 'Change Slipway');
        $chrome->click('menuitem', 'Move to another site…');
        $chrome->find('dialog', 'Move Slipway to another site');
        $chrome->click('button', 'See what follows');
        $chrome->find('region', 'On Skerrivane Ferries');
        self::assertSame([], $chrome->axe());
        $dialog = $chrome->driver->findElement(WebDriverBy::cssSelector('[role=dialog]'));
        $dialog->findElement(WebDriverBy::xpath(".//button[starts-with(normalize-space(), 'Move to ')]"))->click();
        $chrome->awaitText('Moved Slipway.');

        [$status, $to] = $this->fetch($this->ferries($address));
        self::assertSame(301, $status);
        self::assertStringStartsWith($this->boatyard('/'), $to);
        // It comes there as it was: live, under the same names.
        self::assertSame(200, $this->fetch($to)[0], $to);
        self::assertStringEndsWith('/slipway/winter-storage-of-boats', $to);
    }

    #[Test]
    public function a_site_is_removed_by_its_name_and_brought_back_as_it_was(): void
    {
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $chrome->click('button', 'Skerrivane Ferries');
        $chrome->click('menuitem', 'New site…');
        $chrome->type('textbox', 'Name', 'Pier shop');
        $chrome->type('textbox', 'Address', 'https://www.pier-shop.example');
        $chrome->click('button', 'Make site');
        $chrome->awaitText('This site has no page yet');
        self::assertTrue($this->isThere('pier-shop'));

        $chrome->open($this->editor('/s/pier-shop/settings'));
        $chrome->click('button', 'Remove this site…');
        $chrome->awaitText('There is nothing in it yet.');
        self::assertSame([], $chrome->axe());
        $chrome->type('textbox', 'Type the name of the site: Pier shop', 'Pier shop');
        $chrome->click('button', 'Remove the site');
        $chrome->awaitText('Removed Pier shop.');
        self::assertFalse($this->isThere('pier-shop'));

        $chrome->open($this->editor('/s/ferries/outline'));
        $chrome->click('button', 'Skerrivane Ferries');
        $chrome->awaitText('Pier shop', 'body');
        $chrome->click('menuitem', '*Pier shop*');
        $chrome->until(fn (): ?bool => $this->isThere('pier-shop') ?: null, 'the site, there again');
    }

    /** @phpstan-impure */
    private function isThere(string $site): bool
    {
        $asked = $this->database()->prepare('select count(*) from sites where key = ? and deleted_at is null');
        $asked->execute([$site]);

        return (int) $asked->fetchColumn() === 1;
    }
}
