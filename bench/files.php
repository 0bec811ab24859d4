<?php

declare(strict_types=1);

use App\Models\Membership;
use App\Models\Site;
use App\Models\User;
use Bench\Editor;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Browser\Chrome;

// 2,000 files listed at once: how long the browser's main thread is ever held while the view opens, is filtered and scrolled. There is
// no baseline: the aim is that no task takes longer than 100 ms.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Editor.inc';

$site = Site::query()->where('key', 'many-files')->first() ?? Site::query()->create(['key' => 'many-files', 'name' => 'Many files', 'origin' => 'http://many-files.skerrivane.example']);
$mairi = User::query()->where('email', 'mairi@skerrivane.example')->firstOrFail();
if ($mairi->memberships()->where('site_id', $site->id)->doesntExist()) {
    Membership::begin($site, $mairi, 'manager');
}
for ($n = DB::table('files')->where('site_id', $site->id)->count(); $n < 2000; $n++) {
    DB::table('files')->insert([
        'ulid' => (string) Str::ulid(), 'site_id' => $site->id, 'name' => "picture-$n.jpg", 'mime' => 'image/jpeg', 'bytes' => 1000 * ($n + 1), 'width' => 1200,
        'height' => 800, 'path' => 'none', 'folder' => 'F'.($n % 40),
    ]);
}
$chrome = new Chrome((string) getenv('DRIVER_URL'));
try {
    $editor = Editor::signIn($chrome);
    $chrome->open("$editor/s/many-files/history");
    $chrome->find('heading', 'History');
    $chrome->driver->executeScript(
        "window.__tasks = []; new PerformanceObserver(list => list.getEntries().forEach(e => window.__tasks.push(e.duration))).observe({ type: 'longtask', buffered: false })",
    );
    $act = static function (string $name, callable $work) use ($chrome): void {
        $chrome->driver->executeScript('window.__tasks.length = 0');
        $work();
        usleep(2_000_000);
        $tasks = $chrome->driver->executeScript('return window.__tasks');
        printf("files %-20s longest task %4d ms   tasks over 50 ms %d\n", $name, $tasks === [] ? 0 : max($tasks), count($tasks));
    };
    $act('opened', static function () use ($chrome): void {
        $chrome->click('link', 'Files');
        $chrome->find('option', '*picture-*');
    });
    $act('filtered', static fn () => $chrome->type('textbox', 'Filter files', 'picture-19'));
} finally {
    $chrome->quit();
}
