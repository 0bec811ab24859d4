<?php

declare(strict_types=1);

use App\Desk\Demo\GenerateLargeSite;
use App\Desk\Design\ShowCollection;
use App\Desk\Design\ShowFields;
use App\Models\Page;
use App\Models\Site;
use Bench\Measure;
use Illuminate\Support\Facades\DB;

// A group of a collection with thousands of items, filtered and sorted by fields as a visitor asks for it, against one query that
// does the same in PostgreSQL and reads the rows of one page of the list.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Measure.inc';
DB::disableQueryLog();
$site = Site::query()->where('key', 'large-20000')->first() ?? $app->make(GenerateLargeSite::class)->generate('large-20000', 20_000);
$largest = DB::selectOne(
    'select p.id from pages p where p.site_id = ? and nlevel(p.path) <= 2 and (select count(*) from pages b where b.site_id = p.site_id and b.path <@ p.path) <= 5000
     order by (select count(*) from pages b where b.site_id = p.site_id and b.path <@ p.path) desc limit 1',
    [$site->id],
);
$group = Page::query()->whereKey($largest->id)->firstOrFail();
$definition = [
    ['name' => 'Price', 'kind' => 'money', 'unit' => 'GBP', 'key' => 'price'],
    ['name' => 'Length', 'kind' => 'number', 'key' => 'length'],
    ['name' => 'Rig', 'kind' => 'choice', 'choices' => 'Sloop, Ketch, Gaff', 'key' => 'rig'],
];
$group->update(['layout' => 'collection', 'fields' => json_encode(['values' => ['itemFields' => $definition, 'show' => 'table']])]);
DB::update(
    "update pages set layout = 'item', fields = jsonb_build_object('values', jsonb_build_object('price', (position % 9000)::text || '.00', 'length', position % 17,
        'rig', (array['Sloop', 'Ketch', 'Gaff'])[1 + position % 3])) where site_id = ? and path <@ ?::ltree and id <> ?",
    [$site->id, $group->path, $group->id],
);
DB::statement('analyze pages');
$items = DB::table('pages')->where('site_id', $site->id)->where('layout', 'item')->count();
$lists = $app->make(ShowCollection::class);
$own = $app->make(ShowFields::class)->of($group->refresh(), $site, 'http://bench.test/', true)['fields'];
$query = ['rig' => 'Ketch', 'price-from' => '1000', 'sort' => '-length'];
$ours = static fn () => $lists->of($group, $site, $group->ancestors(), $own, $query, true);
$baseline = static fn () => DB::select(
    "select p.*, count(*) over () as found from pages p where p.site_id = ? and p.path <@ ?::ltree and p.layout = 'item' and p.listed and is_visible(p.state, p.from_at, p.until_at)
        and p.fields->'values'->>'rig' = 'Ketch' and (p.fields->'values'->>'price')::numeric >= 1000
     order by (p.fields->'values'->>'length')::numeric desc nulls last, p.path limit 48",
    [$site->id, $group->path],
);
printf("%-28s %d, of which %d are asked for\n", 'items', $items, $ours()->found ?? 0);
Measure::compare('a list / the same in SQL', $ours, $baseline, 1);
printf("%-28s %.0f MB at most\n", 'memory', memory_get_peak_usage(true) / 1e6);
// As other measurements want the site.
DB::update("update pages set layout = 'page', fields = '{}' where site_id = ? and layout in ('item', 'collection')", [$site->id]);
