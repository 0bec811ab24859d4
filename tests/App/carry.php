<?php

declare(strict_types=1);

use App\Desk\Files\UploadFile;
use App\Desk\UnderWay\CarryOut;
use App\Models\ChangeUnderWay;
use App\Models\Site;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;

// What is done in a process that a bad day comes over: php carry.php CHANGE, or php carry.php upload BYTES
require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
config(['queue.default' => 'null']);

if ($argv[1] === 'upload') {
    $text = "%PDF-1.4\n".str_repeat('x', (int) $argv[2])."\n%%EOF\n";
    try {
        $file = $app
            ->make(UploadFile::class)
            ->upload(Site::query()->where('key', 'ferries')->firstOrFail(), User::query()->first(), 'leaflet.pdf', $text);
        echo 'kept ', $file->path;
    } catch (Throwable $no) {
        echo $no::class;
    }
    exit(0);
}
fwrite(STDERR, "begins\n");
$app->make(CarryOut::class)->of(ChangeUnderWay::query()->where('ulid', $argv[1])->firstOrFail());
echo 'ended';
