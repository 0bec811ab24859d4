<?php

declare(strict_types=1);

use App\Models\Site;
use Bench\Editor;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Illuminate\Support\Facades\DB;
use Tests\Browser\Chrome;

// Work in the outline of 100,000 pages: how long the browser's main thread is ever held, act by act. There is no baseline:
// 100 ms is what people notice.
require __DIR__.'/boot.inc';
require __DIR__.'/Editor.inc';

DB::statement('vacuum analyze pages');
$site = Site::query()->where('key', 'large-100000')->firstOrFail();
$line = DB::select("select ulid, name from pages where site_id = ? and slug ~ '-(1|31)$' order by nlevel(path)", [$site->id]);
$chrome = new Chrome((string) getenv('DRIVER_URL'));
$watch =
    "window.__tasks = []; window.__watch ??= new PerformanceObserver(list => list.getEntries().forEach(e => window.__tasks.push(e.duration))); try { window.__watch.observe({ type: 'longtask', buffered: false }) } catch {}";
$act = static function (string $name, callable $work) use ($chrome, $watch): void {
    $chrome->driver->executeScript($watch);
    $start = hrtime(true);
    $work();
    $took = (hrtime(true) - $start) / 1e6;
    usleep(600_000);
    $tasks = $chrome->driver->executeScript('return window.__tasks');
    printf(
        "outline-work %-40s longest task %4d ms   tasks over 50 ms %d   done after %d ms\n",
        $name,
        $tasks === [] ? 0 : max($tasks),
        count($tasks),
        $took,
    );
};
$rows = "return document.querySelectorAll('[role=treegrid] [role=row][id]').length";
try {
    $editor = Editor::signIn($chrome);
    $chrome->open("$editor/s/large-100000/outline");
    $chrome->find('row', '*Home*');
    $scroll = static function (int $to) use ($chrome): void {
        $chrome->driver->executeScript("document.querySelector('[data-scroller]').scrollTop = $to");
        $chrome->until(
            static fn () => $chrome->driver->executeScript(
                "return [...document.querySelectorAll('[role=row]')].length > 10 && !document.querySelector('[aria-label=\"being read\"]') ? true : null",
            ),
            'rows',
        );
    };
    $act('open a branch', static function () use ($chrome, $line): void {
        $chrome->click('button', "Open {$line[0]->name}");
        $chrome->find('button', "Close {$line[0]->name}");
    });
    $act(
        'open the branch of 5,000 children',
        static function () use ($chrome, $editor, $line, $watch, $rows): void {
            $chrome->open("$editor/s/large-100000/outline?open={$line[0]->ulid},{$line[1]->ulid}");
            $chrome->driver->executeScript($watch);
            $chrome->until(static fn () => $chrome->driver->executeScript("$rows > 20 ? true : null"), 'rows');
        },
    );
    $act('scroll to its middle', fn () => $scroll(80_000));
    $act('scroll to its end', fn () => $scroll(160_000));
    $act('filter by a word', function () use ($chrome): void {
        $chrome->type('textbox', 'Filter by name or address', 'harbour');
        $chrome->awaitText('match; the first of them are shown');
    });
    $act(
        'mark all that match, up to 10,000',
        static function () use ($chrome): void {
            $chrome->driver->findElement(WebDriverBy::xpath("//button[starts-with(text(), 'Mark all')]"))->click();
            $chrome->awaitText('pages marked');
        },
    );
    $act('walk twenty rows with so many marked', function () use ($chrome): void {
        $chrome->driver->executeScript("document.querySelector('[role=treegrid]').focus()");
        for ($i = 0; $i < 20; $i++) {
            $chrome->press(WebDriverKeys::ARROW_DOWN);
        }
    });
    $act('unmark, and clear the filter', function () use ($chrome): void {
        $chrome->click('button', 'Unmark all');
        $chrome->type('textbox', 'Filter by name or address', "\u{E003}");
        $chrome->press(WebDriverKeys::ESCAPE);
    });
    $act('draw the structure', static function () use ($chrome): void {
        $chrome->click('button', 'Drawing');
        $chrome->find('treeitem', 'Home*');
    });
    $chrome->open("$editor/s/large-100000/outline?open={$line[0]->ulid},{$line[1]->ulid}");
    $chrome->until(static fn () => $chrome->driver->executeScript("$rows > 20 ? true : null"), 'rows');
    $act('drag over a long way', function () use ($chrome): void {
        $all = $chrome->driver->findElements(WebDriverBy::cssSelector('[role=treegrid] [role=row][id]'));
        $chrome->drag($all[5], $all[14], 0, static fn () => usleep(2_000_000));
    });
} finally {
    $chrome->quit();
}
