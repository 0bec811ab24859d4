<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** The pages of the public site as crawlers and validators get them. */
final class PublicPagesTest extends Errand
{
    #[Test]
    public function every_page_of_the_demo_is_valid_html_with_one_canonical_and_linked_data(): void
    {
        $folder = sys_get_temp_dir().'/heronstem-pages-'.bin2hex(random_bytes(6));
        mkdir($folder);
        try {
            foreach ($this->addresses() as $n => $address) {
                [$status, , $html] = $this->fetch($address);
                self::assertSame(200, $status, $address);
                if (! str_starts_with($html, '<!DOCTYPE html>')) {
                    continue; // a file with a place in the tree
                }
                self::assertSame(1, substr_count($html, '<link rel="canonical"'), $address);
                self::assertSame(1, preg_match('#<script type="application/ld\+json">(.*?)</script>#s', $html, $data), $address);
                self::assertSame('https://schema.org', json_decode($data[1], true, flags: JSON_THROW_ON_ERROR)['@context']);
                file_put_contents(sprintf('%s/%03d.html', $folder, $n), $html);
            }
            file_put_contents("$folder/search.html", $this->fetch($this->ferries('/_search?q=dogs'))[2]);
            file_put_contents("$folder/missed.html", $this->fetch($this->ferries('/nobody-there'))[2]);
            // The demo's title that is too wide is planted, to be found by the audit.
            exec("npx --no-install html-validate --preset recommended --rule long-title:off --formatter text $folder 2>/dev/null", $said);
            self::assertSame([], $said);
        } finally {
            exec('rm -rf '.escapeshellarg($folder));
        }
    }

    #[Test]
    public function questions_unfold_and_pictures_enlarge_for_visitors_by_mouse_and_by_keyboard(): void
    {
        $chrome = $this->browser();
        $chrome->open($this->ferries('/travel/on-board'));
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Is there a quiet room?');
        $chrome->awaitText('Ask the crew to open it.', '.fold[open]');
        $chrome->driver->findElement(\Facebook\WebDriver\WebDriverBy::cssSelector('.gallery a'))->click();
        $chrome->until(
            fn (): ?bool => $chrome->driver->executeScript('return document.querySelector("dialog[open] img")?.naturalWidth > 0 ? true : null'),
            'the larger picture',
        );
        self::assertSame([], $chrome->axe());
        $chrome->press(\Facebook\WebDriver\WebDriverKeys::ESCAPE);
        $chrome->until(
            fn (): ?bool => $chrome->driver->executeScript(
                'return document.querySelector("dialog") === null && document.activeElement.matches(".enlarge") ? true : null',
            ),
            'the focus back on the picture',
        );
        $chrome->open($this->ferries('/about/fleet'));
        $chrome->driver->executeScript('const v = document.querySelector("video"); v.muted = true; v.play()');
        $chrome->until(
            fn (): ?bool => $chrome->driver->executeScript(
                'const v = document.querySelector("video"); return v.currentTime > 0 && v.textTracks[0]?.cues?.length === 2 ? true : null',
            ),
            'the film with its captions',
        );
        self::assertSame([], $chrome->axe());
    }

    #[Test]
    public function a_visitor_searches_by_keyboard_alone_and_finds_what_a_slip_meant(): void
    {
        $chrome = $this->browser();
        $chrome->open($this->ferries('/islands'));
        $chrome->type('textbox', 'Search this site', 'timetabel');
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('heading', 'Search');
        $chrome->awaitText('No page has “timetabel”. Did you mean timetable?');
        self::assertSame([], $chrome->axe());
        $chrome->driver->executeScript("[...document.querySelectorAll('.results a')].find(a => a.textContent === 'timetable').focus()");
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->awaitText('pages have “timetable”.');
        self::assertSame('timetable', $chrome->driver->executeScript("return document.querySelector('.hits mark').textContent.toLowerCase()"));
        self::assertSame([], $chrome->axe());
        $chrome->driver->executeScript("document.querySelector('.hits a').focus()");
        $chrome->press(WebDriverKeys::ENTER);
        $chrome->find('heading', 'Ferry timetables');
    }

    /** @return iterable<string, array{string}> */
    public static function pages(): iterable
    {
        foreach (['/', '/travel', '/travel/routes/skerra', '/islands/vanesay', '/help/contact'] as $address) {
            yield $address => [$address];
        }
    }

    #[Test, DataProvider('pages')]
    public function a_page_has_full_marks_for_search_accessibility_and_good_practice(string $address): void
    {
        $report = (string) tempnam(sys_get_temp_dir(), 'heronstem-lighthouse');
        $profile = sys_get_temp_dir().'/heronstem-lighthouse-'.bin2hex(random_bytes(6));
        $flags = "--headless --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync --user-data-dir=$profile";
        $command = ['npx', '--no-install', 'lighthouse', $this->ferries($address), '--quiet', '--only-categories=seo,accessibility,best-practices'];
        $command = [
            ...$command,
            '--throttling-method=provided',
            '--max-wait-for-load=120000',
            '--output=json',
            "--output-path=$report",
            "--chrome-flags=$flags",
        ];
        $environment = [...getenv(), 'CHROME_PATH' => '/usr/bin/chromium', 'NO_UPDATE_NOTIFIER' => '1'];
        try {
            $process = proc_open(
                $command,
                [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', "$report.err", 'w']],
                $pipes,
                null,
                $environment,
            );
            self::assertIsResource($process);
            self::assertSame(0, proc_close($process), (string) file_get_contents("$report.err"));
            $read = json_decode((string) file_get_contents($report), true, flags: JSON_THROW_ON_ERROR);
            $failed = array_filter(
                $read['audits'],
                static fn (array $audit): bool => $audit['score'] !== null && $audit['score'] < 0.9 && $audit['scoreDisplayMode'] === 'binary',
            );
            self::assertEquals(
                ['seo' => 1, 'accessibility' => 1, 'best-practices' => 1],
                array_map(static fn (array $category): int|float => $category['score'], $read['categories']),
                implode("\n", array_column($failed, 'title')),
            );
        } finally {
            exec('rm -rf '.escapeshellarg($profile).' '.escapeshellarg($report).' '.escapeshellarg("$report.err"));
        }
    }

    /** @return list<string> of the sitemap */
    private function addresses(): array
    {
        $sitemap = simplexml_load_string($this->fetch($this->ferries('/sitemap.xml'))[2]);
        self::assertInstanceOf(\SimpleXMLElement::class, $sitemap);
        $addresses = [];
        foreach ($sitemap->url as $url) {
            $addresses[] = (string) $url->loc;
        }
        self::assertGreaterThan(80, count($addresses));

        return $addresses;
    }
}
