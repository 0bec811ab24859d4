<?php

declare(strict_types=1);

use App\Desk\ApplyChanges;
use Bench\Branches;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\BringBack;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Decision\Decisions;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

// Putting a branch in the bin with its addresses, and bringing it back, against the same row changes as raw set-based SQL.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Branches.inc';
$apply = $app->make(ApplyChanges::class);
$entry = static fn (int $site) => DB::insert(
    "insert into history (ulid, site_id, sentence, batch, counts, pages, claims) select ?, ?, 'raw', '[]', '{}', '[]', '[]'",
    [(string) Str::ulid(), $site],
);

foreach (Branches::sizes(1000, 10000) as $pages) {
    $site = Branches::of($pages);
    [$branch, , $row] = Branches::ends($site);
    $bin = $bring = $rawBin = $rawBring = [];
    for ($round = 0; $round < 3; $round++) {
        $bin[] = Branches::time(static fn () => $apply->apply($site, null, new Batch([new PutInBin($branch)], Decisions::elseDefaults())));
        $bring[] = Branches::time(static fn () => $apply->apply($site, null, Batch::of(new BringBack($branch))));
        DB::statement('vacuum analyze pages');
        DB::statement('vacuum analyze ledger');
        $rawBin[] = Branches::time(
            static fn () => DB::transaction(static function () use ($site, $row, $entry): void {
                DB::update(
                    "update pages set was = state, state = 'bin', bin_id = ?, binned_at = now(), live_since = null, version = version + 1, updated_at = now() where site_id = ? and path <@ ?::ltree",
                    [$row->id, $site->id, $row->path],
                );
                DB::update(
                    "update ledger l set kind = 'gone', held_for_id = l.page_id, page_id = null, since = now() from pages p
                        where p.id = l.page_id and l.site_id = ? and p.bin_id = ?",
                    [$site->id, $row->id],
                );
                $entry($site->id);
            }),
        );
        $rawBring[] = Branches::time(
            static fn () => DB::transaction(static function () use ($site, $row, $entry): void {
                DB::update(
                    "update ledger l set kind =
                        case when l.key = p.address then 'page' else 'redirect' end, page_id = p.id, held_for_id = null, since = now() from pages p
                        where p.id = l.held_for_id and l.site_id = ? and p.bin_id = ?",
                    [$site->id, $row->id],
                );
                DB::update(
                    'update pages set state = was, was = null, bin_id = null, binned_at = null, live_since = now(), version = version + 1, updated_at = now() where site_id = ? and bin_id = ?',
                    [$site->id, $row->id],
                );
                $entry($site->id);
            }),
        );
        DB::statement('vacuum analyze pages');
        DB::statement('vacuum analyze ledger');
    }
    $label = number_format($pages).' pages';
    Branches::tell("bin-restore $label, put in bin", $bin, $rawBin, 'raw SQL');
    Branches::tell("bin-restore $label, bring back", $bring, $rawBring, 'raw SQL');
}
