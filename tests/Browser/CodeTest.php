<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\Attributes\Test;

/** The owner writes styles and head code for a page; everybody else sees that they are there. */
final class CodeTest extends Errand
{
    #[Test]
    public function the_owner_writes_code_for_a_page_and_it_runs_there_alone(): void
    {
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $chrome->click('button', 'Legal');
        $chrome->awaitStill('button', 'Write…');
        $chrome->click('button', 'Write…');
        $chrome->type('textbox', 'Styles', 'h1 { letter-spacing: 3px } .a { background: url(https://elsewhere.example/x) }');
        $chrome->awaitText('leads elsewhere');
        $chrome->type('textbox', 'Styles', 'h1 { letter-spacing: 3px }');
        $chrome->type('textbox', 'Head code', '<script>document.documentElement.dataset.wrote = "yes"</script>');
        $chrome->awaitText('A script written here runs, 46 characters long.');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Save code');
        $chrome->awaitText('styles and head code');

        $chrome->open($this->ferries('/legal'));
        self::assertSame('yes', $chrome->driver->executeScript('return document.documentElement.dataset.wrote'));
        self::assertSame('3px', $chrome->driver->executeScript("return getComputedStyle(document.querySelector('h1')).letterSpacing"));
        $chrome->open($this->ferries('/help'));
        self::assertNull($chrome->driver->executeScript('return document.documentElement.dataset.wrote ?? null'));

        // Lines for every page of the site.
        $chrome->open($this->editor('/s/ferries/layouts'));
        $chrome->click('button', 'Head code of all pages…');
        $chrome->type('textbox', 'Head code', '<meta name="verify" content="k3"><p>');
        $chrome->awaitText('Only meta, link and script stand in the head');
        $chrome->type('textbox', 'Head code', '<meta name="verify" content="k3">');
        $chrome->awaitText('Nothing besides what the site allows anyway.');
        $chrome->click('button', 'Save code');
        $chrome->awaitGone('dialog', 'Head code of all pages');
        self::assertStringContainsString('<meta name="verify" content="k3">', $this->fetch($this->ferries('/help'))[2]);

        // A manager sees that it is there, and looks at it.
        $manager = $this->signIn(in: $this->browser());
        $manager->click('button', 'Legal');
        $manager->click('button', 'Look…');
        $manager->awaitText('The owner of the site writes this.');
        self::assertTrue($manager->driver->executeScript("return document.querySelector('textarea').readOnly"));
        self::assertSame([], $manager->axe());
    }
}
