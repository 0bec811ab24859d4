<?php

declare(strict_types=1);

use App\Desk\ApplyChanges;
use App\Desk\Rights;
use App\Desk\RippleChanged;
use App\Desk\UndoEntry;
use App\Models\HistoryEntry;
use App\Models\Site;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Refusal;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Tests\Core\Memory\RandomChanges;

// One of several writers that work on a site at the same time: php writer.php SITE SEED BATCHES
// Says on the error stream, a line each, when it begins to apply a batch and when one has been applied.
require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
config(['queue.default' => 'sync']);

[, $key, $seed, $batches] = $argv;
mt_srand((int) $seed);
$site = Site::query()->where('key', $key)->firstOrFail();
$apply = $app->make(ApplyChanges::class);
$undo = $app->make(UndoEntry::class);
$outcomes = ['applied' => 0, 'refused' => 0];
for ($i = 0; $i < (int) $batches; $i++) {
    $ids = DB::table('pages')->where('site_id', $site->id)->orderBy('id')->pluck('ulid')->all();
    $random = new RandomChanges(
        $ids,
        $site->rules(),
        time(),
        "$seed-$i",
        DB::table('menus')->where('site_id', $site->id)->orderBy('name')->pluck('ulid')->all(),
        DB::table('redirect_rules')->where('site_id', $site->id)->orderBy('id')->pluck('ulid')->all(),
    );
    $steps = array_map(static fn (): array => [mt_rand(0, 37), mt_rand(0, 99), mt_rand(0, 99), mt_rand(0, 5)], range(1, mt_rand(1, 3)));
    try {
        $entry = mt_rand(0, 9) === 0 ? HistoryEntry::query()->where('site_id', $site->id)->inRandomOrder()->first() : null;
        $batch = $entry === null ? new Batch($random->changes($steps), $random->decisions($steps)) : $undo->batch($site, $entry);
        fwrite(STDERR, "begins\n");
        $apply->apply($site, null, $batch, rights: Rights::of(Authority::Owner));
        fwrite(STDERR, "applied\n");
        $outcomes['applied']++;
    } catch (Refusal|RippleChanged) {
        $outcomes['refused']++;
    }
}
echo json_encode($outcomes);
