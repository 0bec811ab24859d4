<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\Attributes\Test;
use ZipArchive;

/** A site of one's own: made, brought in from what there is, prepared as a plan, switched on, taken out. */
final class OwnSiteTest extends Errand
{
    private const OLD = <<<'LIST'
    https://www.harbour-trust.example/index.html Harbour trust
    https://www.harbour-trust.example/berths.html
    https://www.harbour-trust.example/berths/visitor-berths.php Berths for visitors
    https://www.harbour-trust.example/berths/winter_storage.php
    https://www.harbour-trust.example/Contact.aspx
    LIST;

    #[Test]
    public function a_site_is_made_brought_in_from_a_list_rebuilt_by_plan_and_taken_out(): void
    {
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $chrome->click('button', 'Skerrivane Ferries');
        $chrome->click('menuitem', 'New site…');
        $chrome->type('textbox', 'Name', 'Harbour Trust');
        $chrome->type('textbox', 'Address', 'https://www.ferries.example/under');
        $this->choose('Begins', 'with pages I import');
        self::assertSame([], $chrome->axe());
        $this->expected = ['status of 422'];
        $chrome->click('button', 'Make site');
        $chrome->awaitText('path', '[role=dialog]');
        $chrome->type('textbox', 'Address', 'https://www.harbour-trust.example');
        $chrome->click('button', 'Make site');

        $chrome->find('heading', 'Import pages');
        $chrome->type('textbox', 'Paste it here*', self::OLD);
        $chrome->click('button', 'Review it');
        $chrome->awaitText('/berths/winter_storage');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'See what follows');
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Import 5 pages*');
        $chrome->awaitText('Imported. The history can undo it');
        $chrome->open($this->editor('/s/harbour-trust/outline'));
        $chrome->find('row', '*Berths*');
        $pages = $this->database()
            ->query("select p.address from pages p join sites s on s.id = p.site_id where s.key = 'harbour-trust' order by 1")
            ->fetchAll(\PDO::FETCH_COLUMN);
        // As drafts: the start page gets its address when it goes live.
        self::assertSame(['/Contact', '/berths', '/berths/visitor-berths', '/berths/winter_storage', '/harbour-trust'], $pages);

        $chrome->open($this->editor('/s/harbour-trust/plans'));
        $chrome->click('button', 'New plan');
        $chrome->type('textbox', 'Name', 'Next season');
        $chrome->click('button', 'Make plan');
        $chrome->click('button', 'Work in this plan');
        $chrome->awaitText('You work in the plan Next season');
        $chrome->open($this->editor('/s/harbour-trust/outline'));
        $chrome->awaitText('You work in the plan Next season');
        $this->makePage('Day boats', 'Berths');
        self::assertSame(5, $this->living(), 'What is prepared is on the living site.');

        $chrome->open($this->editor('/s/harbour-trust/plans'));
        $chrome->click('button', 'Next season*');
        $chrome->awaitText('Prepared, 1 step');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Apply plan…');
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Apply plan');
        $chrome->until(fn (): ?bool => $this->living() === 6 ?: null, 'the page of the plan on the living site');

        $chrome->open($this->editor('/s/harbour-trust/take-out'));
        $chrome->find('heading', 'Export the site');
        self::assertSame([], $chrome->axe());
        $json = json_decode($this->downloaded('Site file, JSON'), true, flags: JSON_THROW_ON_ERROR);
        self::assertCount(6, $json['pages']);
        $path = (string) tempnam(sys_get_temp_dir(), 'out');
        file_put_contents($path, $this->downloaded('Markdown files, ZIP of .md'));
        $zip = new ZipArchive();
        self::assertTrue($zip->open($path));
        self::assertSame(6, $zip->numFiles);
        unlink($path);
    }

    /** @phpstan-impure */
    private function living(): int
    {
        $count = "select count(*) from pages p join sites s on s.id = p.site_id where s.key = 'harbour-trust'";

        return (int) ($this->database()->query($count) ?: throw new \LogicException('There is no answer.'))->fetchColumn();
    }

    /** What the link gives to whoever is signed in. */
    private function downloaded(string $what): string
    {
        $url = (string) $this->chrome->find('link', "Download $what")->getAttribute('href');
        $this->chrome->driver->manage()->timeouts()->setScriptTimeout(60);

        return base64_decode(
            (string) $this->chrome->driver->executeAsyncScript(
                'const done = arguments[1]; fetch(arguments[0]).then(a => a.arrayBuffer()).then(b => done(btoa(Array.from(new Uint8Array(b), c => String.fromCharCode(c)).join(""))))',
                [$url],
            ),
            true,
        ) ?:
            '';
    }
}
