<?php

declare(strict_types=1);

use App\Models\Site;
use App\Store\HitLog;
use Heronstem\Core\Redirect\RequestOrigin;
use Illuminate\Contracts\Console\Kernel;

// Notes uses of a redirect until it is killed, and says after each how many it has noted: php noter.php SITE-ID RULE
require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

[, $id, $rule] = $argv;
$site = (new Site())->forceFill(['id' => (int) $id]);
$log = $app->make(HitLog::class);
$asker = RequestOrigin::of('Mozilla/5.0', '', 'ferries.test');
for ($n = 1; $n < 100_000; $n++) {
    $log->used($site->id, $rule, $asker);
    echo "$n\n";
    usleep(200);
}
