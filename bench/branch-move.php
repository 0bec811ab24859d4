<?php

declare(strict_types=1);

use App\Desk\ApplyChanges;
use App\Desk\Planners;
use App\Desk\UndoEntry;
use App\Models\Site;
use Bench\Branches;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Workspace\Place;
use Illuminate\Support\Facades\DB;

// Moving a branch with its addresses and redirects, and taking that back, against the same row changes as raw set-based
// SQL; its ripple against reading the rows it is computed from.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Branches.inc';
DB::disableQueryLog();
$apply = $app->make(ApplyChanges::class);
$planners = $app->make(Planners::class);
$back = $app->make(UndoEntry::class);

/** The rows that a move changes, in as few statements as can be, and an entry that says so. */
$raw = static function (Site $site, stdClass $branch, ?stdClass $to, string $from, string $into): void {
    DB::transaction(static function () use ($site, $branch, $to, $from, $into): void {
        $path = DB::selectOne('select path::text from pages where id = ?', [$branch->id])->path;
        DB::update('update pages set parent_id = ?, position = position + 1 where id = ?', [$to?->id, $branch->id]);
        DB::update(
            'update pages set path = ?::ltree || subpath(path, nlevel(?::ltree) - 1), address = ? || substr(address, ?), version = version + 1, updated_at = now() where site_id = ? and path <@ ?::ltree',
            [$to->path ?? '', $path, $into, strlen($from) + 1, $site->id, $path],
        );
        DB::delete("delete from ledger l using pages p where p.id = l.page_id and l.site_id = ? and l.kind = 'redirect' and l.key = p.address", [
            $site->id,
        ]);
        DB::update(
            "update ledger l set kind = 'redirect', since = now() from pages p where p.id = l.page_id and l.site_id = ? and l.kind = 'page' and l.key <> p.address",
            [$site->id],
        );
        DB::insert(
            "insert into ledger (site_id, key, address, kind, page_id, ever_live) select p.site_id, p.address, p.address, 'page', p.id, true
                from pages p where p.site_id = ? and p.id <> ? and not exists (select 1 from ledger l where l.page_id = p.id and l.kind = 'page')",
            [$site->id, $to->id ?? 0],
        );
        DB::insert("insert into history (ulid, site_id, sentence, batch, counts, pages, claims) select ?, ?, 'raw', '[]', '{}', '[]', '[]'", [
            (string) \Illuminate\Support\Str::ulid(),
            $site->id,
        ]);
    });
};

$growth = [];
$sizes = Branches::sizes(1000, 10000, 50000);
foreach ($sizes as $pages) {
    $site = Branches::of($pages);
    [$branch, $to, $branchRow, $toRow] = Branches::ends($site);
    $batch = Batch::of(new Move($branch, Place::lastIn($to)));
    $oursMove = $oursBack = $rawMove = $rawBack = $ripple = $read = [];
    for ($round = 0; $round < ($pages > 20000 ? 3 : 5); $round++) {
        $ripple[] = Branches::time(static fn () => $planners->for($site)->plan($batch));
        $read[] = Branches::time(static function () use ($site, $branchRow): void {
            $rows = DB::select(
                'select p.*, parent.ulid as parent from pages p left join pages parent on parent.id = p.parent_id
                    where p.site_id = ? and p.path <@ ?::ltree order by nlevel(p.path), p.id',
                [$site->id, $branchRow->path],
            );
            $keys = array_map(static fn (\stdClass $row): string => $row->address, $rows);
            $new = array_map(static fn (string $key): string => '/to'.$key, $keys);
            DB::select(
                'select l.*, p.ulid as page from ledger l left join pages p on p.id = l.page_id where l.site_id = ? and l.key = any(?::text[])',
                [$site->id, '{"'.implode('","', [...$keys, ...$new]).'"}'],
            );
        });
        $entry = null;
        $oursMove[] = Branches::time(static function () use (&$entry, $apply, $site, $batch): void {
            $entry = $apply->apply($site, null, $batch);
        });
        $oursBack[] = Branches::time(static function () use (&$entry, $apply, $site, $back): void {
            $apply->apply($site, null, $back->batch($site, $entry->refresh()));
        });
        unset($entry);
        DB::statement('vacuum analyze pages');
        DB::statement('vacuum analyze ledger');
        $rawMove[] = Branches::time(static fn () => $raw($site, $branchRow, $toRow, '', '/to'));
        $rawBack[] = Branches::time(static fn () => $raw($site, $branchRow, null, '/to', ''));
        DB::statement('vacuum analyze pages');
        DB::statement('vacuum analyze ledger');
    }
    $label = number_format($pages).' pages';
    Branches::tell("branch-move $label, ripple", $ripple, $read, 'reading');
    Branches::tell("branch-move $label, apply", $oursMove, $rawMove, 'raw SQL');
    Branches::tell("branch-move $label, undo", $oursBack, $rawBack, 'raw SQL');
    $times = array_column($oursMove, 0);
    sort($times);
    $growth[$pages] = $times[intdiv(count($times), 2)] / $pages;
}
for ($n = 1; $n < count($sizes); $n++) {
    printf(
        "growth of apply a page: %s → %s ×%.2f (1 is linear)\n",
        number_format($sizes[$n - 1]),
        number_format($sizes[$n]),
        $growth[$sizes[$n]] / $growth[$sizes[$n - 1]],
    );
}
