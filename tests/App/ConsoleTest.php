<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;

final class ConsoleTest extends AppTestCase
{
    #[Test]
    public function explain_tells_how_an_address_is_answered(): void
    {
        $page = $this->live('Fares');
        $this->change(['kind' => 'set-slug', 'page' => $page, 'slug' => 'prices']);
        self::assertSame(0, Artisan::call('heronstem:explain', ['address' => ['/Fares?x=1', '/nobody'], '--site' => 'ferries', '--json' => true]));
        [$moved, $missed] = array_map(fn (string $line) => json_decode($line, true), explode("\n", trim(Artisan::output())));
        self::assertSame(
            ['/Fares?x=1', '/Fares', 200, '/prices?x=1', $page],
            [$moved['asked'], $moved['normal'], $moved['status'], $moved['location'], $moved['page']['id']],
        );
        self::assertSame([301, '/prices?x=1'], [$moved['hops'][0]['status'], $moved['hops'][0]['to']]);
        self::assertSame([404, null, null, []], [$missed['status'], $missed['location'], $missed['page'], $missed['hops']]);
        Artisan::call('heronstem:explain', ['address' => ['/fares']]);
        self::assertStringContainsString('hop 301', Artisan::output());
        self::assertSame(1, Artisan::call('heronstem:explain', ['address' => ['/'], '--site' => 'nobody']));
        self::assertStringContainsString('there are: ferries', Artisan::output());
    }

    #[Test]
    public function the_redirects_are_written_as_a_file_of_each_kind(): void
    {
        $this->change([
            'kind' => 'make-redirect',
            'redirect' => (string) \Illuminate\Support\Str::ulid(),
            'source' => '/dogs',
            'leadsTo' => ['page' => $this->live('Fares')],
        ]);
        foreach (
            [
                'csv' => '/dogs,/fares,301',
                'jsonl' => '"address":"/dogs"',
                'nginx-maps' => '"/dogs" "301 /fares',
                'nginx-server' => 'return 301 $1',
                'apache-map' => '/dogs 301,0ask,/fares',
                'apache-rules' => 'RewriteMap heronstem "txt:conf/',
            ] as $format => $part
        ) {
            self::assertSame(0, Artisan::call('heronstem:export', ['format' => $format, '--site' => 'ferries']));
            self::assertStringContainsString($part, Artisan::output());
        }
        self::assertSame(1, Artisan::call('heronstem:export', ['format' => 'doc']));
        self::assertSame(1, Artisan::call('heronstem:export', ['format' => 'csv', '--site' => 'nobody']));
    }

    #[Test]
    public function check_names_each_broken_invariant(): void
    {
        $page = $this->live('Fares', $this->live('Travel'));
        self::assertSame(0, Artisan::call('heronstem:check'));
        $breaks = [
            'composition' => "update pages set slug = 'other' where ulid = '$page'",
            'own-address' => "delete from ledger where key = '/travel/fares'",
            'one-tree' => "update pages set path = id::text::ltree where ulid = '$page'",
            'answers' => "update ledger set ever_live = false where key = '/travel/fares'",
            'normal-form' => "update ledger set address = '/travel//fares' where key = '/travel/fares'",
            'nothing-lost' => "delete from ledger where key = '/travel/fares'",
        ];
        foreach ($breaks as $invariant => $sql) {
            DB::beginTransaction();
            DB::statement($sql);
            self::assertSame(1, Artisan::call('heronstem:check', ['--json' => true, '--site' => 'ferries']), $invariant);
            $found = json_decode(Artisan::output(), true);
            self::assertFalse($found['ok']);
            self::assertContains($invariant, array_column($found['violations'], 'invariant'));
            DB::rollBack();
        }
        self::assertSame(1, Artisan::call('heronstem:check', ['--site' => 'nobody']));
    }

    #[Test]
    public function where_sites_are_reached_can_be_set_and_traded(): void
    {
        \App\Models\Site::query()->create(['key' => 'yard', 'name' => 'Yard', 'origin' => 'http://yard.test']);
        self::assertSame(0, Artisan::call('heronstem:origins', ['origin' => ['ferries=http://yard.test', 'yard=http://ferries.test']]));
        self::assertSame('http://yard.test', $this->site->refresh()->origin);
        self::assertSame(1, Artisan::call('heronstem:origins', ['origin' => ['ferries=nonsense']]));
        self::assertSame(0, Artisan::call('heronstem:origins', ['origin' => ['ferries=https://Fähre.example:8443']]));
        self::assertSame('https://xn--fhre-loa.example:8443', $this->site->refresh()->origin);
        $this->get('https://XN--FHRE-LOA.example:8443/nothing')->assertNotFound()->assertSee('There is no page here');
    }

    #[Test]
    public function the_demo_loads_whole_and_keeps_every_invariant(): void
    {
        $this->site->forceDelete();
        \App\Models\User::query()->delete();
        \Illuminate\Support\Facades\Storage::fake('local');
        self::assertSame(0, Artisan::call('heronstem:load-demo', ['--pages' => 300]));
        self::assertSame(0, Artisan::call('heronstem:check'), Artisan::output());
        self::assertGreaterThanOrEqual(85, DB::table('pages')->join('sites', 'sites.id', '=', 'site_id')->where('key', 'ferries')->count());
        self::assertSame(0, Artisan::call('heronstem:load-demo'));
        Artisan::call('heronstem:logins');
        self::assertStringContainsString('login: greta@skerrivane.example wagtail-office (Greta Lindqvane, Owner)', Artisan::output());
        foreach (DB::table('page_contents')->pluck('working') as $words) {
            \Heronstem\Core\Content\Document::read(json_decode($words, true));
        }
    }

    #[Test]
    public function addresses_that_were_live_and_answer_nothing_are_told_with_the_reason(): void
    {
        $fares = $this->live('Fares');
        $this->change(['kind' => 'set-slug', 'page' => $fares, 'slug' => 'prices']);
        self::assertSame([], $this->unanswered());
        $this->change(['kind' => 'take-offline', 'page' => $fares]);
        self::assertSame(['/fares', '/prices'], array_column($this->unanswered(), 'address'));
        self::assertStringContainsString('“Fares”', $this->unanswered()[1]['why']);
        DB::delete("delete from ledger where site_id = ? and key = '/fares'", [$this->site->id]);
        self::assertSame(['/prices'], array_column($this->unanswered(), 'address'), 'A minute is a slip.');
        DB::update("update history set created_at = created_at - interval '1 day' * (1 + (select max(id) from history) - id)");
        self::assertSame(['/fares', '/prices'], array_column($this->unanswered(), 'address'));
    }

    /** @return list<array{site: string, address: string, why: string}> */
    private function unanswered(): array
    {
        Artisan::call('heronstem:check', ['--json' => true, '--site' => 'ferries']);

        return json_decode(Artisan::output(), true, flags: JSON_THROW_ON_ERROR)['unanswered'];
    }
}
