<?php

declare(strict_types=1);

use App\Models\Site;
use App\Store\LedgerLookup;
use Bench\Measure;
use Heronstem\Core\Redirect\Resolver;
use Illuminate\Support\Facades\DB;

// How an address is answered, from its spelling to the page, against a bare read of one row by its primary key.
require __DIR__.'/boot.inc';
require __DIR__.'/Measure.inc';

DB::statement('vacuum analyze ledger');
DB::statement('vacuum analyze pages');
$site = Site::query()->where('key', 'large-100000')->firstOrFail();
$rows = DB::select('select id, address from ledger where site_id = ? order by md5(address) limit 5000', [$site->id]);
$resolver = new Resolver($site->rules(), new LedgerLookup(DB::connection()->getPdo(), $site->id));
$read = DB::getPdo()->prepare('select * from ledger where id = ?');
$i = 0;

Measure::compare(
    'address-lookup 100,000 rows',
    static function () use (&$i, $rows, $resolver): void {
        $resolver->resolve($rows[($i = ($i + 1) % 5000)]->address);
    },
    static function () use (&$i, $rows, $read): void {
        $read->execute([$rows[($i = ($i + 1) % 5000)]->id]);
        $read->fetch(PDO::FETCH_NUM);
        $read->closeCursor();
    },
    2000,
);
