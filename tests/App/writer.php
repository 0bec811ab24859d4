<?php

declare(strict_types=1);

use App\Desk\ApplyChanges;
use App\Desk\Stale;
use App\Models\Site;
use Heronstem\Core\Refusal;
use Heronstem\Core\Structure\ChangeReader;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

// One of several writers that work on a site at the same time: php writer.php SITE SEED BATCHES
require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
config(['queue.default' => 'sync']);

[, $key, $seed, $batches] = $argv;
mt_srand((int) $seed);
$site = Site::query()->where('key', $key)->firstOrFail();
$apply = $app->make(ApplyChanges::class);
$outcomes = ['applied' => 0, 'refused' => 0];
for ($i = 0; $i < (int) $batches; $i++) {
    $ids = DB::table('pages')->where('site_id', $site->id)->orderBy('id')->pluck('ulid')->all();
    $pick = static fn (): string => $ids[mt_rand(0, count($ids) - 1)];
    $place = [['last' => $pick()], ['before' => $pick()], ['after' => $pick()], ['first' => null]][mt_rand(0, 3)];
    $change = match (mt_rand(0, 4)) {
        0 => ['kind' => 'make', 'page' => (string) Str::ulid(), 'name' => 'Page '.mt_rand(0, 9), 'place' => $place],
        1, 2 => ['kind' => 'move', 'page' => $pick(), 'place' => $place],
        3 => ['kind' => 'set-slug', 'page' => $pick(), 'slug' => 's'.mt_rand(0, 6)],
        default => ['kind' => ['go-live', 'take-offline'][mt_rand(0, 1)], 'page' => $pick()],
    };
    try {
        $apply->apply($site, null, (new ChangeReader($site->rules()))->batch([$change]));
        $outcomes['applied']++;
    } catch (Refusal|Stale) {
        $outcomes['refused']++;
    }
}
echo json_encode($outcomes);
