<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Demo\GenerateLargeSite;
use App\Http\Site\Sitemap;
use App\Store\NearAddresses;
use App\Store\OutlineRows;
use App\Store\PageFilter;
use App\Store\StoredPages;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;

/** What only shows on many pages: pieces, parts and the plans of queries that matter. */
final class LargeSiteTest extends AppTestCase
{
    #[Test]
    public function a_site_beyond_one_part_has_a_sitemap_index(): void
    {
        $this->site = $this->app->make(GenerateLargeSite::class)->generate('large', 20500);
        $index = $this->written('/sitemap.xml');
        self::assertSame(2, substr_count($index, '<sitemap>'));
        self::assertStringContainsString("<loc>{$this->site->origin}/sitemap-2.xml</loc>", $index);
        self::assertSame(20000, substr_count($this->written('/sitemap-1.xml'), '<url>'));
        self::assertSame(500, substr_count($this->written('/sitemap-2.xml'), '<url>'));
        self::assertSame(404, $this->app->make(Sitemap::class)->respond('/sitemap-3.xml', $this->site)->getStatusCode());

        DB::statement('analyze pages');
        $some = DB::table('pages')->where('site_id', $this->site->id)->whereRaw('nlevel(path) = 3')->orderByDesc('id')->first();
        $branch = iterator_to_array((new StoredPages(DB::connection(), $this->site))->branch($some->ulid), false);
        self::assertSame($some->ulid, $branch[0]->id);
        $this->assertUsesIndex('select * from pages where site_id = ? and path <@ ?::ltree', [$this->site->id, $some->path], 'pages_path');
        $this->assertUsesIndex('select * from pages where ulid = any(?::text[])', ['{'.$some->ulid.'}'], 'pages_ulid_key');
        $this->assertUsesIndex(
            'select l.address from ledger l where l.site_id = ? and l.key = ?',
            [$this->site->id, $some->address],
            'ledger_site_id_key',
        );
        $this->assertUsesIndex("select id from pages p where (p.name || ' ' || p.address) ilike ?", ["%{$some->slug}%"], 'pages_words');
    }

    #[Test]
    public function a_filter_gives_the_same_as_looking_through_everything_in_tree_order(): void
    {
        $this->site = $this->app->make(GenerateLargeSite::class)->generate('large', 400);
        [$total, $rows] = (new OutlineRows(DB::connection()))->matching($this->site, new PageFilter('ferry'), 1000);
        $all = DB::table('pages')->where('site_id', $this->site->id)->get();
        $matching = $all->filter(fn ($page) => stripos($page->name, 'ferry') !== false || stripos($page->address, 'ferry') !== false);
        self::assertSame($matching->count(), $total);
        self::assertEqualsCanonicalizing($matching->pluck('ulid')->all(), array_column(array_filter($rows, fn ($row) => $row->match), 'id'));
        $seen = [];
        foreach ($rows as $row) {
            self::assertTrue($row->parent === null || isset($seen[$row->parent]), 'A row comes before its parent.');
            $seen[$row->id] = true;
        }
    }

    #[Test]
    public function near_addresses_are_those_that_resemble_what_was_asked(): void
    {
        $help = $this->live('Help');
        foreach (['Timetables', 'Lost property', 'Refunds'] as $name) {
            $this->live($name, $help);
        }
        $this->draft('Timetables old', $help);
        $near = fn (string $asked): array => array_column($this->app->make(NearAddresses::class)->to($asked, $this->site), 'name');
        self::assertSame('Timetables', $near('/help/timetabels')[0]);
        self::assertSame('Lost property', $near('/lost-propery.html')[0]);
        self::assertSame('Refunds', $near('/help/refund')[0]);
        self::assertNotContains('Timetables old', $near('/help/timetables-old'));
        self::assertSame([], $near('/xqzw'));
        self::assertSame([], $near('/%ff'));
        self::assertSame([], $near('/'));
    }

    private function written(string $address): string
    {
        ob_start();
        $this->app->make(Sitemap::class)->respond($address, $this->site)->sendContent();

        return (string) ob_get_clean();
    }

    /** @param  list<mixed>  $bound */
    private function assertUsesIndex(string $sql, array $bound, string $index): void
    {
        // With scans priced out, a plan without the index means that the query cannot use it at all.
        DB::statement('set local enable_seqscan = off');
        $plan = implode("\n", array_map(fn (object $line): string => current((array) $line), DB::select('explain '.$sql, $bound)));
        self::assertStringContainsString($index, $plan);
    }
}
