<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\File;
use App\Models\HistoryEntry;
use App\Models\Page;
use App\Models\SiteImport;
use Heronstem\Core\Access\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use ZipArchive;

/** Pages imported through the API: given, understood, looked over, applied as one change, and taken back. */
final class BringInTest extends AppTestCase
{
    private const CSV = "address,name,description,state,old addresses,markdown\n/travel,Travel,How to get here,live,/reise.html,\"# Welcome\n\nSee [fares](/travel/fares).\"\n/travel/fares,Fares,,draft,,Ten crowns.\n";

    #[Test]
    public function a_table_is_understood_looked_over_and_brought_in_as_one_change_that_is_taken_back(): void
    {
        $before = $this->snapshot();
        $source = $this->give(self::CSV, ['as' => 'given']);
        self::assertSame(['ready', 'table', 2, ','], [$source['state'], $source['format'], $source['pages'], $source['delimiter']]);
        self::assertSame(['address', 'name', 'description', 'state', 'former addresses', 'markdown'], $source['columns']);
        $look = $this->api('GET', "bring-in/{$source['id']}/pages")->assertOk()->json();
        self::assertSame([['/travel', 0, 'new'], ['/travel/fares', 1, 'new']], array_map(static fn (array $page): array => [$page['address'], $page['level'], $page['status']], $look['pages']));
        self::assertEquals($before, $this->snapshot());

        $entry = $this->applied($source)->assertCreated()->json();

        self::assertSame('Brought in 2 pages: 1 redirect', $entry['sentence']);
        $this->visit('/travel')->assertOk()->assertSee('Welcome');
        $this->visit('/reise.html')->assertRedirect('/travel');
        $this->visit('/travel/fares')->assertNotFound();
        $travel = Page::query()->where('address', '/travel')->firstOrFail();
        $fares = Page::query()->where('address', '/travel/fares')->firstOrFail();
        self::assertStringContainsString($fares->ulid, (string) json_encode($travel->content?->working));
        $this->assertInvariants();

        $this->api('POST', "history/{$entry['id']}/undo")->assertCreated();
        self::assertNull(Page::query()->where('address', '/travel')->first());
        $this->assertInvariants();
        $again = (string) HistoryEntry::query()->orderByDesc('id')->value('ulid');
        $this->api('POST', "history/$again/undo")->assertCreated();
        $this->visit('/travel')->assertOk()->assertSee('Welcome');
    }

    #[Test]
    public function what_was_brought_in_is_not_brought_in_twice_and_the_same_table_again_changes_nothing(): void
    {
        $source = $this->give(self::CSV, ['as' => 'given']);
        $this->applied($source)->assertCreated();
        $this->applied($source)->assertUnprocessable()->assertJsonPath('errors.0.field', 'changes.0.import');

        $again = $this->give(self::CSV, ['as' => 'given']);
        $counts = $this->api('GET', "bring-in/{$again['id']}/pages")->json('counts');
        self::assertSame(['same' => 2], array_filter($counts));
        $this->applied($again)->assertUnprocessable();
    }

    #[Test]
    public function content_that_comes_for_a_live_page_waits_or_is_shown_as_was_wished(): void
    {
        $page = $this->live('Fares');
        $csv = "address,markdown\n/fares,Eleven crowns.\n";
        $this->applied($this->give($csv))->assertCreated();
        $this->visit('/fares')->assertOk()->assertDontSee('Eleven crowns');
        self::assertStringContainsString('Eleven crowns', (string) json_encode(Page::query()->where('ulid', $page)->firstOrFail()->content?->working));

        $this->applied($this->give(str_replace('Eleven', 'Twelve', $csv), ['as' => 'live']))->assertCreated();
        $this->visit('/fares')->assertOk()->assertSee('Twelve crowns');
        $this->assertInvariants();
    }

    #[Test]
    public function saved_pages_come_with_pictures_links_and_menus_and_without_what_repeats(): void
    {
        $frame = static fn (string $title, string $main): string => "<!DOCTYPE html><html><head><title>$title | Old Line</title><meta name=\"description\" content=\"About $title\"></head><body><div class=\"top\"><a href=\"index.html\">Old Line Company</a></div><ul class=\"m\"><li><a href=\"index.html\">Home</a></li><li><a href=\"fares.htm\">Fares</a><ul><li><a href=\"fares/dogs.html\">Dogs</a></li></ul></li></ul><div id=\"c\"><h1>$title</h1>$main</div><div class=\"foot\">Port Hallin, since 1887. All rights reserved.</div></body></html>";
        ob_start();
        imagepng(imagecreatetruecolor(40, 30) ?: throw new \LogicException());
        $png = (string) ob_get_clean();
        $zip = $this->zip([
            'mirror/index.html' => $frame('Welcome', '<p>Six boats, see <a href="fares.htm#dogs">our fares</a>.</p><img src="img/boat.png" alt="A boat">'),
            'mirror/fares.htm' => $frame('Fares', '<p>Ten crowns. <a href="doc/fares.csv">The table</a>.</p>'),
            'mirror/fares/dogs.html' => str_replace(['href="index', 'href="fares'], ['href="../index', 'href="../fares'], $frame('Dogs', '<p>Free of charge.</p>')),
            'mirror/img/boat.png' => $png,
            'mirror/doc/fares.csv' => "a,b\n1,2\n",
            '../evil.html' => 'x',
        ]);
        $source = $this->upload($zip, 'mirror.zip');
        self::assertSame(['ready', 'html', 3, 2, 1], [$source['state'], $source['format'], $source['pages'], $source['files'], $source['leftCount']]);
        self::assertSame(['Home', 'Fares', 'Dogs'], array_column($source['menus'][0]['links'], 'label'));
        $this->api('PATCH', "bring-in/{$source['id']}", ['as' => 'live', 'menus' => [0]])->assertOk();

        $this->applied($source)->assertCreated();

        $home = $this->visit('/')->assertOk()->assertSee('Six boats')->assertDontSee('All rights reserved');
        $home->assertSee('href="/fares#dogs"', false);
        $this->visit('/fares.htm')->assertRedirect('/fares');
        $this->visit('/fares/dogs.html')->assertRedirect('/fares/dogs');
        self::assertSame(['boat.png', 'fares.csv'], File::query()->orderBy('name')->pluck('name')->all());
        self::assertStringContainsString('/_files/', (string) $this->visit('/')->getContent());
        self::assertSame('Welcome', Page::query()->where('address', '/')->value('name'));
        self::assertSame('About Fares', Page::query()->where('address', '/fares')->value('search_description'));
        self::assertSame(3, DB::table('menu_entries')->join('menus', 'menus.id', '=', 'menu_entries.menu_id')->where('menus.name', 'Menu 1')->count());
        $this->assertInvariants();
    }

    #[Test]
    public function an_address_that_something_else_holds_is_a_conflict_with_ways_out(): void
    {
        $this->redirect(['scope' => 'one', 'source' => '/boats', 'leadsTo' => ['url' => 'https://boats.example/']]);
        $source = $this->give("/boats\n/crew\n", ['as' => 'live']);
        $ripple = $this->api('POST', 'ripple', ['changes' => [['kind' => 'bring-in', 'import' => $source['id']]]])->assertOk()->json();

        self::assertSame(['/boats'], array_column($ripple['conflicts'], 'address'));
        self::assertNotSame([], $ripple['conflicts'][0]['waysOut']);
        $this->applied($source)->assertConflict();
    }

    #[Test]
    public function large_ones_are_brought_in_in_the_background_in_one_step(): void
    {
        $rows = implode("\n", array_map(static fn (int $n): string => "/archive/$n,Number $n", range(1, 300)));
        $source = $this->give("address,name\n$rows\n", ['as' => 'live']);
        $this->api('POST', "bring-in/{$source['id']}/applied", ['note' => 'The archive'])->assertStatus(202);

        $after = $this->api('GET', "bring-in/{$source['id']}")->json();
        self::assertSame(['applied', null], [$after['state'], $after['problem']]);
        self::assertSame('The archive', HistoryEntry::query()->where('ulid', $after['entry'])->value('note'));
        $this->visit('/archive/300')->assertOk();
    }

    #[Test]
    public function whoever_may_not_put_pages_live_does_not_do_so_by_a_file(): void
    {
        $writer = $this->person('Wyn', Role::WRITER);
        $source = $this->give("/new\n", ['as' => 'live'], $writer);
        $this->applied($source, $writer)->assertForbidden();
        self::assertSame(0, Page::query()->where('address', '/new')->count());
    }

    #[Test]
    #[TestWith(['opml', '<opml version="2.0"><body><outline text="A"></body></opml>'])]
    #[TestWith(['sitemap', '<!DOCTYPE x [<!ENTITY a "b">]><urlset><url><loc>&a;</loc></url></urlset>'])]
    #[TestWith(['site file', '{"format":"heronstem-site","version":9,"pages":[]}'])]
    public function what_cannot_be_read_says_why(string $what, string $text): void
    {
        $source = $this->give($text);
        self::assertSame('failed', $source['state'], $what);
        self::assertNotSame('', (string) $source['problem']);
        $this->api('GET', "bring-in/{$source['id']}/pages")->assertConflict();
        $this->api('DELETE', "bring-in/{$source['id']}")->assertNoContent();
        self::assertSame(0, SiteImport::query()->count());
    }

    #[Test]
    public function columns_delimiter_and_encoding_are_set_by_hand(): void
    {
        $source = $this->give((string) iconv('UTF-8', 'ISO-8859-1', "wo;was\n/übersicht;Übersicht\n"));
        self::assertSame([';', 'Windows-1252'], [$source['delimiter'], $source['encoding']]);
        $source = $this->api('PATCH', "bring-in/{$source['id']}", ['columns' => ['address', 'name'], 'encoding' => 'ISO-8859-1'])->assertOk()->json();
        self::assertSame(['ready', ['address', 'name']], [$source['state'], $source['columns']]);
        $this->api('PATCH', "bring-in/{$source['id']}", ['encoding' => 'EBCDIC'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'encoding');
        self::assertSame('Übersicht', $this->api('GET', "bring-in/{$source['id']}/pages?text=übersicht")->json('pages.0.name'));
    }

    #[Test]
    public function the_living_old_site_is_read_as_its_robots_txt_allows_and_every_address_it_had_answers(): void
    {
        $standIn = new StandIn('web');
        config(['heronstem.stand_in' => $standIn->url, 'heronstem.crawl_pause' => 0]);
        $id = $this->api('POST', 'bring-in', ['address' => 'https://vanesay-line.example/'])->assertCreated()->json('id');
        $source = $this->api('GET', "bring-in/$id")->json();
        self::assertSame(['ready', 'html', 11, 2], [$source['state'], $source['format'], $source['pages'], $source['files']], (string) $source['problem']);
        $this->api('PATCH', "bring-in/$id", ['as' => 'live', 'menus' => [0]])->assertOk();

        $this->applied($source)->assertCreated();

        $this->visit('/fares.htm')->assertRedirect('/fares');
        $this->visit('/boats.htm')->assertRedirect('/boats/otter');
        $this->visit('/intern/rota.htm')->assertNotFound();
        $this->visit('/inseln/vanesay')->assertOk()->assertSee('The lighthouse')->assertSee('href="/inseln/walks"', false)->assertDontSee('Vanesay Line, the pier');
        $this->visit('/fares/bicycles')->assertSee('Three crowns');
        $this->assertInvariants();
        foreach (['ftp://x.example/', 'vanesay-line.example', 'http://ferries.test/'] as $wrong) {
            $this->api('POST', 'bring-in', ['address' => $wrong])->assertUnprocessable()->assertJsonPath('errors.0.field', 'address');
        }
        $shut = $this->api('POST', 'bring-in', ['address' => 'https://private.example/'])->json('id');
        self::assertSame('failed', $this->api('GET', "bring-in/$shut")->json('state'));
    }

    #[Test]
    public function a_zip_bomb_is_left_away_and_said(): void
    {
        $source = $this->upload($this->zip(['a.html' => '<h1>A</h1><p>Text</p>', 'bomb.html' => str_repeat('<p>x</p>', 4_000_000)]), 'site.zip');
        self::assertSame([1, 1], [$source['pages'], $source['leftCount']]);
        self::assertStringContainsString('bomb.html', $source['left'][0]);
    }

    /**
     * @param  array<string, mixed>  $said
     * @return array<string, mixed>
     */
    private function give(string $text, array $said = [], ?\App\Models\User $as = null): array
    {
        $source = $this->upload($text, 'given', $as);

        return $said === [] ? $source : $this->api('PATCH', "bring-in/{$source['id']}", $said, $as)->assertOk()->json();
    }

    /** @return array<string, mixed> */
    private function upload(string $bytes, string $name, ?\App\Models\User $as = null): array
    {
        $response = $this->actingAs($as ?? $this->manager)->withHeader('Accept', 'application/json')->post('http://editor.test/api/v1/sites/ferries/bring-in', ['file' => UploadedFile::fake()->createWithContent($name, $bytes)]);
        $made = $response->assertCreated()->json();

        return $this->api('GET', "bring-in/{$made['id']}", [], $as)->json();
    }

    /** @param  array<string, mixed>  $source */
    private function applied(array $source, ?\App\Models\User $as = null): TestResponse
    {
        return $this->api('POST', 'batches', ['changes' => [['kind' => 'bring-in', 'import' => $source['id']]]], $as);
    }

    /** @param  array<string, string>  $files */
    private function zip(array $files): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::OVERWRITE);
        foreach ($files as $name => $bytes) {
            $zip->addFromString($name, $bytes);
        }
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }
}
