<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\ExportRedirects;
use App\Desk\Resolvers;
use Heronstem\Core\Interchange\NginxRules;
use Heronstem\Core\Structure\ChangeReader;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** A real nginx, given the export, answers as Heronstem does. */
final class NginxExportTest extends AppTestCase
{
    #[Test]
    public function nginx_answers_every_redirect_of_thousands_with_the_same_status_and_location(): void
    {
        $this->site();
        mt_srand(20261125);
        $asked = $this->addresses();
        self::assertGreaterThan(4000, count($asked));
        $export = app(ExportRedirects::class)->nginx($this->site->refresh());
        $resolver = app(Resolvers::class)->for($this->site);
        $pages = array_fill_keys(array_column(DB::select("select key from ledger where site_id = ? and kind in ('page', 'also')", [$this->site->id]), 'key'), true);
        $differing = [];
        foreach ($this->answered($asked, $export->maps(), NginxRules::server()) as $address => [$status, $location]) {
            $way = $resolver->resolve((string) $address);
            // An address of a page, in whatever spelling, is left to whatever answers for pages.
            $isByPage = $way->rules() === [] && isset($pages[strtolower(rtrim($way->normal, '/'))]);
            $expected = $way->sendsWith() !== null && ! $isByPage ? [$way->sendsWith(), $way->location] : [$way->status === 410 ? 410 : 404, ''];
            if ($expected !== [$status, $location]) {
                $differing[$address] = [$expected, [$status, $location]];
            }
        }
        self::assertSame([], array_slice($differing, 0, 10, true), count($differing).' differ');
    }

    #[Test]
    public function what_nginx_cannot_carry_is_said(): void
    {
        $page = $this->live('Fares');
        $make = fn (array $fields) => $this->change(['kind' => 'make-redirect', 'redirect' => (string) Str::ulid(), 'leadsTo' => ['page' => $page]] + $fields);
        $make(['source' => '/deal', 'answer' => 'pause', 'pause' => ['seconds' => 3, 'message' => ['type' => 'doc', 'content' => []]]]);
        $make(['source' => '/offer?id=1', 'query' => 'match']);
        $make(['source' => '/may', 'until' => now()->addDay()->toIso8601ZuluString()]);
        $notes = app(ExportRedirects::class)->nginx($this->site->refresh())->notes();
        self::assertCount(3, $notes);
        self::assertStringContainsString('pause page of /deal', $notes[0]);
        self::assertStringContainsString('# Not carried: The redirect of /may is for a time', app(ExportRedirects::class)->nginx($this->site)->maps());
    }

    /** Pages, former addresses, and two thousand rules of every kind. */
    private function site(): void
    {
        $travel = $this->live('Travel');
        $fares = $this->live('Fares', $travel);
        $old = $this->live('Old', null);
        $inside = $this->live('Inside', $old);
        $this->change(['kind' => 'set-slug', 'page' => $travel, 'slug' => 'sailing']);
        $this->change(['kind' => 'change-kind', 'page' => $old, 'to' => 'section']);
        $changes = [
            ['source' => '/alt', 'reach' => 'branch', 'leadsTo' => ['address' => '/sailing']], ['source' => '/alt/deep', 'reach' => 'branch', 'leadsTo' => ['url' => 'https://x.example/d?k=v#top'], 'answer' => '302'],
            ['source' => '/old', 'reach' => 'branch', 'leadsTo' => ['url' => 'https://x.example/old'], 'answer' => '307'], ['source' => '/way', 'reach' => 'branch', 'leadsTo' => ['address' => '/travel']],
            ['source' => '/flat', 'reach' => 'branch', 'leadsTo' => ['page' => $fares], 'carriesRest' => false], ['source' => '/shut', 'reach' => 'branch', 'answer' => '410'],
            ['source' => '/news/:year(\\d+)/:slug', 'reach' => 'pattern', 'leadsTo' => ['address' => '/n/:slug-:year']], ['source' => '/shop/*', 'reach' => 'pattern', 'leadsTo' => ['url' => 'https://shop.example/:0?from=$1'], 'answer' => '308'],
            ['source' => '/häfen/:name', 'reach' => 'pattern', 'leadsTo' => ['page' => $fares], 'query' => 'drop'], ['source' => '/x{/:y}?/end', 'reach' => 'pattern', 'leadsTo' => ['url' => 'https://x.example/:y']],
            ['source' => '/sailing/fares', 'leadsTo' => ['url' => 'https://offer.example/"a"'], 'answer' => '302', 'inFront' => true],
            ['source' => '/möwe', 'leadsTo' => ['page' => $inside]], ['source' => '/with space', 'leadsTo' => ['address' => '/old']], ['source' => '/gone-now', 'answer' => '410'], ['source' => '/dollar', 'leadsTo' => ['url' => 'https://x.example/?price=$5']],
        ];
        $changes[8]['leadsTo'] = ['page' => $fares];
        $changes = array_map(static fn (array $change): array => isset($change['leadsTo']['url']) ? ['leadsTo' => ['url' => str_replace('"a"', '%22a%22', $change['leadsTo']['url'])]] + $change : $change, $changes);
        for ($n = 0; $n < 2000; $n++) {
            $to = [['page' => $fares], ['page' => $old], ['address' => '/r/'.($n + 1)], ['url' => "https://x.example/$n?a=$n"], ['address' => '/travel/fares']][$n % 5];
            $changes[] = ['source' => "/r/$n", 'leadsTo' => $to, 'answer' => ['301', '302', '307', '308'][$n % 4], 'query' => $n % 7 === 0 ? 'drop' : 'carry'];
        }
        foreach (array_chunk($changes, 500) as $piece) {
            $batch = (new ChangeReader($this->site->rules(), $this->site->zone))->batch(array_map(static fn (array $change): array => ['kind' => 'make-redirect', 'redirect' => (string) Str::ulid()] + $change, $piece));
            $this->carryOut(...$batch->changes);
        }
    }

    /** @return list<string> every address there is, in several spellings, and as many that nobody set */
    private function addresses(): array
    {
        $known = array_column(DB::select('select address from ledger where site_id = ? order by address collate "C"', [$this->site->id]), 'address');
        $asked = [];
        foreach ($known as $n => $address) {
            $asked[] = $address.['', '?q=1', '/', '?', ''][$n % 5];
        }
        foreach (['/alt', '/alt/', '/ALT/fares?x=1', '/alt/deep/er?x', '/alt/nothing', '/old/inside', '/old/else?y', '/old', '/way/fares', '/way', '/flat/a/b?c', '/shut/x', '/news/2019/big', '/news/x/big', '/news/2019/Big?q=1', '/shop/a/b?c=d', '/shop/', '/x/end', '/x/y/end?z', '/h%C3%A4fen/ost?gone', '/m%C3%B6we', '/with%20space', '/R/7', '/sailing/fares?x', '/nobody'] as $one) {
            $asked[] = $one;
        }
        for ($n = 0; $n < 2100; $n++) {
            $asked[] = '/'.['r', 'alt', 'old', 'news', 'shop', 'way', 'else'][mt_rand(0, 6)].'/'.mt_rand(0, 3000).['', '/a', '?b=1', '/c?d'][mt_rand(0, 3)];
        }

        return array_values(array_unique($asked));
    }

    /**
     * @param  list<string>  $asked
     * @return array<string, array{int, string}> status and location by what was asked
     */
    private function answered(array $asked, string $maps, string $server): array
    {
        $folder = sys_get_temp_dir().'/heronstem-nginx-'.bin2hex(random_bytes(6));
        mkdir($folder, 0755);
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($socket);
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        file_put_contents("$folder/maps.conf", $maps);
        file_put_contents("$folder/server.conf", $server);
        file_put_contents("$folder/nginx.conf", "daemon off;\nworker_processes 1;\npid $folder/pid;\nerror_log $folder/error.log;\nevents { worker_connections 64; }\nhttp { access_log off; client_body_temp_path $folder/a; proxy_temp_path $folder/b; fastcgi_temp_path $folder/c; uwsgi_temp_path $folder/d; scgi_temp_path $folder/e;\n include $folder/maps.conf;\n server { listen 127.0.0.1:$port; keepalive_requests 100000; include $folder/server.conf; location / { return 404; } } }\n");
        $nginx = is_executable('/usr/sbin/nginx') ? '/usr/sbin/nginx' : 'nginx';
        $process = proc_open([$nginx, '-c', "$folder/nginx.conf", '-e', "$folder/error.log"], [1 => ['file', "$folder/out", 'w'], 2 => ['file', "$folder/out", 'a']], $pipes);
        self::assertIsResource($process);
        try {
            for ($tries = 0; $tries < 100 && @fsockopen('127.0.0.1', $port) === false; $tries++) {
                usleep(50_000);
            }
            self::assertTrue(proc_get_status($process)['running'], (string) file_get_contents("$folder/out").(string) @file_get_contents("$folder/error.log"));
            $curl = curl_init();
            $answers = [];
            foreach ($asked as $address) {
                curl_setopt_array($curl, [CURLOPT_URL => "http://127.0.0.1:$port".str_replace(' ', '%20', $address), CURLOPT_RETURNTRANSFER => true, CURLOPT_HEADER => true, CURLOPT_FOLLOWLOCATION => false, CURLOPT_PATH_AS_IS => true]);
                $head = (string) curl_exec($curl);
                $answers[$address] = [(int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE), preg_match('/^Location: ?(.*?)\r?$/mi', $head, $found) === 1 ? $found[1] : ''];
            }

            return $answers;
        } finally {
            proc_terminate($process);
            proc_close($process);
            exec('rm -rf '.escapeshellarg($folder));
        }
    }
}
