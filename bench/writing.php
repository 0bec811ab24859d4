<?php

declare(strict_types=1);

use App\Desk\SaveContent;
use App\Models\Page;
use App\Models\Site;
use App\Models\User;
use Bench\Editor;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Heronstem\Core\Content\Document;
use Tests\Browser\Chrome;

// Typing in the writing room, in a page of 500 blocks: how long the browser's main thread is ever held. There is no baseline:
// the aim is that no task takes longer than 50 ms.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Editor.inc';

$site = Site::query()->where('key', 'ferries')->firstOrFail();
$page = Page::query()->where('site_id', $site->id)->where('address', '/travel/groups')->firstOrFail();
$text = static fn (string $said, string ...$marks): array => ['type' => 'text', 'text' => $said] +
    ($marks === [] ? [] : ['marks' => array_map(static fn (string $type): array => ['type' => $type], $marks)]);
$blocks = [];
for ($i = 0; $i < 500; $i++) {
    $line = ['type' => 'paragraph', 'content' => [$text("Boat $i leaves at six and comes back at nine, "), $text('every day', 'bold'), $text('.')]];
    $blocks[] = match ($i % 10) {
        0 => ['type' => 'heading', 'attrs' => ['level' => 2], 'content' => [$text("Week $i")]],
        4 => ['type' => 'callout', 'attrs' => ['tone' => 'tip'], 'content' => [$line]],
        7 => ['type' => 'bulletList', 'content' => array_fill(0, 3, ['type' => 'listItem', 'content' => [$line]])],
        default => $line,
    };
}
$before = Document::read($page->content->working);
$save = static function (Document $content) use ($app, $page): void {
    $page->refresh();
    $app->make(SaveContent::class)->save($page, User::query()->firstOrFail(), $content, $page->content->working_version);
};
$chrome = new Chrome((string) getenv('DRIVER_URL'));
try {
    $save(Document::read(['type' => 'doc', 'content' => $blocks]));
    $editor = Editor::signIn($chrome);
    $chrome->open("$editor/s/ferries/write/{$page->ulid}");
    $chrome->inFrame('.ProseMirror p:nth-of-type(3)', static fn (Chrome $in) => $in->driver->findElement(WebDriverBy::cssSelector('.ProseMirror p:nth-of-type(3)'))->click());
    usleep(2_000_000);
    $act = static function (string $name, callable $work) use ($chrome): void {
        $chrome->driver->executeScript(
            "window.__tasks = []; window.__watch ??= new PerformanceObserver(list => list.getEntries().forEach(e => window.__tasks.push(e.duration))); window.__watch.observe({ type: 'longtask', buffered: false })",
        );
        $work();
        usleep(4_000_000);
        $tasks = $chrome->driver->executeScript('return window.__tasks');
        printf("writing %-44s longest task %4d ms   tasks over 50 ms %d\n", $name, $tasks === [] ? 0 : max($tasks), count($tasks));
    };
    $act('200 letters, and what is kept and looked over', static fn () => $chrome->press(str_repeat('Every boat is a ', 12).'boat.'));
    $act('20 new paragraphs', static fn () => $chrome->press(...array_merge(...array_fill(0, 20, [WebDriverKeys::ENTER, 'Line']))));
    $act('a block moved ten times', static fn () => $chrome->press(...array_fill(0, 10, [WebDriverKeys::ALT, WebDriverKeys::ARROW_DOWN])));
    $act('undone', static fn () => $chrome->press(...array_fill(0, 10, [WebDriverKeys::CONTROL, 'z'])));
} finally {
    $chrome->quit();
    $save($before);
}
