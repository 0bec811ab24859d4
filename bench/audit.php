<?php

declare(strict_types=1);

use App\Desk\ApplyChanges;
use App\Desk\Audit\AuditSite;
use App\Desk\Demo\GenerateLargeSite;
use App\Models\Site;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Describe;
use Illuminate\Support\Facades\DB;

// The audit of sites of 1,000, 10,000 and, with --whole in BENCH, 100,000 pages: all of it, and one edit. The baseline is reading what it looks at: every
// page with its content, as the store gives them.
$app = require __DIR__.'/boot.inc';
DB::disableQueryLog();
$audit = $app->make(AuditSite::class);
$before = null;
foreach (getenv('BENCH') === 'whole' ? [1000, 10000, 100000] : [1000, 10000] as $pages) {
    $site = Site::query()->where('key', "large-$pages")->first() ?? $app->make(GenerateLargeSite::class)->generate("large-$pages", $pages);
    DB::statement('analyze');
    $read = hrtime(true);
    $bytes = 0;
    foreach (DB::cursor('select p.*, w.working, w.live from pages p left join page_contents w on w.page_id = p.id where p.site_id = ?', [$site->id]) as $row) {
        $bytes += strlen((string) $row->live);
    }
    $read = (hrtime(true) - $read) / 1e9;
    $audit->expectAll($site);
    memory_reset_peak_usage();
    $start = hrtime(true);
    $looks = $audit->run($site);
    $took = (hrtime(true) - $start) / 1e9;
    printf(
        "%-28s ours %9.2f s   baseline %9.2f s   ratio %.1f   %d looks, %d MB%s\n",
        "$pages pages, all",
        $took,
        $read,
        $took / $read,
        $looks,
        memory_get_peak_usage() / 1048576,
        $before === null ? '' : sprintf(', %.1f times the tenth', $took / $before),
    );
    $before = $took;
    // As the server does by itself after so many lines went.
    DB::statement('vacuum analyze audit_due');
    $page = DB::selectOne("select ulid from pages where site_id = ? and state = 'live' order by id offset ? limit 1", [$site->id, intdiv($pages, 2)])->ulid;
    $times = [];
    for ($n = 0; $n < 7; $n++) {
        $app->make(ApplyChanges::class)->apply($site, null, Batch::of(new Describe($page, ['searchTitle' => "A title of its own $n"])));
        $start = hrtime(true);
        $looks = $audit->run($site);
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);
    printf("%-28s ours %9.1f ms   %d looks\n", "$pages pages, one edit", $times[3], $looks);
}
