<?php

declare(strict_types=1);

use App\Desk\ApplyChanges;
use Bench\Branches;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Duplicate;
use Heronstem\Core\Change\Scope;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

// Duplicating a branch with its content against the same rows written by raw set-based SQL.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Branches.inc';
$apply = $app->make(ApplyChanges::class);

foreach (Branches::sizes(1000, 10000) as $pages) {
    $ours = $raw = [];
    for ($round = 0; $round < 3; $round++) {
        $site = Branches::of($pages);
        [$branch] = Branches::ends($site);
        $ours[] = Branches::time(static fn () => $apply->apply($site, null, Batch::of(new Duplicate($branch, (string) Str::ulid(), Scope::Branch))));
        $site = Branches::of($pages);
        [, , $row] = Branches::ends($site);
        $raw[] = Branches::time(static function () use ($site, $row): void {
            DB::transaction(static function () use ($site, $row): void {
                DB::statement(
                    "create temporary table copies on commit drop as select p.id as from_id, nextval(pg_get_serial_sequence('pages', 'id')) as to_id
                        from pages p where p.site_id = ? and p.path <@ ?::ltree",
                    [$site->id, $row->path],
                );
                DB::statement('create index on copies (from_id)');
                DB::statement('analyze copies');
                DB::insert(
                    <<<'SQL'
                    insert into pages (id, ulid, site_id, parent_id, path, position, name, slug, address, state, slug_by_hand)
                    select c.to_id, 'X' || c.to_id, p.site_id, parent.to_id, (select string_agg(a.to_id::text, '.' order by o.n)
                        from unnest(string_to_array(p.path::text, '.')::bigint[]) with ordinality o(id, n) join copies a on a.from_id = o.id)::ltree,
                        p.position + case when parent.to_id is null then 1 else 0 end, p.name, p.slug, '/copy' || p.address, 'draft', true
                    from copies c join pages p on p.id = c.from_id left join copies parent on parent.from_id = p.parent_id
                    SQL
                    ,
                );
                DB::insert(
                    "insert into ledger (site_id, key, address, kind, page_id) select p.site_id, p.address, p.address, 'page', p.id from copies c join pages p on p.id = c.to_id",
                );
                DB::insert(
                    'insert into page_contents (page_id, working) select c.to_id, w.working from copies c join page_contents w on w.page_id = c.from_id',
                );
                DB::insert(
                    'insert into content_versions (page_id, number, document) select c.to_id, 1, w.working from copies c join page_contents w on w.page_id = c.to_id',
                );
                DB::insert("insert into history (ulid, site_id, sentence, batch, counts, pages, claims) select ?, ?, 'raw', '[]', '{}', '[]', '[]'", [
                    (string) Str::ulid(),
                    $site->id,
                ]);
            });
        });
    }
    Branches::tell('duplicate '.number_format($pages).' pages', $ours, $raw, 'raw SQL');
}
