<?php

declare(strict_types=1);

namespace Tests\App;

use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Refusal;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** Whatever rules somebody sets, web servers that are given them answer as this site does. */
final class RandomRulesFilesTest extends AppTestCase
{
    use ComparesWebServers;

    private const WORDS = ['alpha', 'beta', 'Gamma', 'süd', 'd-e', 'f.g', 'h_i', '2019', 'x y'];

    /** @var list<string> */
    private array $pages = [];

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach ([11, 104, 109] as $seed) {
            yield "seed $seed" => [$seed];
        }
    }

    #[Test, DataProvider('seeds')]
    public function web_servers_answer_as_here_whatever_the_rules(int $seed): void
    {
        mt_srand($seed);
        $travel = $this->live('Travel');
        $this->pages = [$travel, $this->live('Fares', $travel), $this->draft('Plans', $travel), $this->live('Süd')];
        $this->change(['kind' => 'set-slug', 'page' => $travel, 'slug' => 'sailing']);
        for ($n = 0; $n < 150; $n++) {
            $this->make($this->rule());
        }
        $this->site->refresh();
        $made = DB::table('redirect_rules')->where('site_id', $this->site->id)->count();
        self::assertGreaterThan(60, $made);
        $this->assertWebServersAnswerAlike($this->requests());
    }

    /** @param  array<string, mixed>  $fields */
    private function make(array $fields): void
    {
        try {
            $batch = (new ChangeReader($this->site->rules(), 'UTC'))->batch([
                ['kind' => 'make-redirect', 'redirect' => (string) Str::ulid()] + $fields,
            ]);
            $this->carryOut(...$batch->changes);
        } catch (Refusal|\App\Desk\RippleChanged) {
            // An address that is taken, a circle, the same twice: there is another.
        }
    }

    /** @return array<string, mixed> */
    private function rule(): array
    {
        $scope = $this->one(['one', 'one', 'one', 'branch', 'pattern']);
        $source =
            $scope === 'pattern'
                ? $this->one(['/p/:a/:b', '/p/:y(\\d+)', '/w/*', '/p/:a-:b', '/:z(alpha|beta)/end', '/o{/:x}?/end', '/w/:a.:b']).
                    $this->one(['', '', '/'.$this->word()])
                : $this->path();
        $looks = mt_rand(0, 5) === 0;
        $answer = $this->one(['301', '301', '302', '307', '308', '410']);

        return [
            // Nothing leads to what looks at the query: a web server could not know on which step it does.
            'source' => ($looks ? '/m' : '').$source.($looks ? '?'.$this->one(['id=3', 'id=3&lang=d e', 'k', 'k=', 'ü=%C3%BC']) : ''),
            'scope' => $scope,
            'answer' => $answer,
            'query' => $looks ? 'match' : $this->one(['carry', 'carry', 'drop']),
            'carriesRest' => mt_rand(0, 2) > 0,
            'inFront' => mt_rand(0, 7) === 0,
            'isOn' => mt_rand(0, 9) > 0,
        ] + ($answer === '410' ? [] : ['leadsTo' => $this->target($scope)]);
    }

    /** @return array<string, string> */
    private function target(string $scope): array
    {
        $capture = $scope === 'pattern' ? $this->one(['', '/:a', '/:0', '/:x', '/:y']) : '';
        $query = $this->one(['', '', '?from=o', '?id=9&k=v', '?q=$5']).$this->one(['', '', '#top']);

        return match (mt_rand(0, 3)) {
            0 => ['page' => $this->one($this->pages)],
            1 => ['address' => $this->one(['/sailing', '/travel/fares', '/nowhere', '/t'.$capture]).$query],
            2 => ['url' => 'https://x.example'.$this->one(['', '/', '/a', '/a/']).$capture.$query],
            default => $scope === 'one' ? ['address' => $this->path()] : ['url' => "https://y.example/%20b$capture"],
        };
    }

    /** @return list<string> every address there is, below each, samples of patterns, and what nobody set; with queries of all sorts */
    private function requests(): array
    {
        $known = array_column(
            DB::select('select address from ledger where site_id = ? union select source from redirect_rules where site_id = ? and scope <> ?', [
                $this->site->id,
                $this->site->id,
                'pattern',
            ]),
            'address',
        );
        sort($known);
        $asked = [];
        foreach ($known as $address) {
            array_push(
                $asked,
                $address,
                rtrim($address, '/').'/',
                strtoupper($address) === $address ? $address : ucfirst($address),
                rtrim($address, '/').'/'.rawurlencode($this->word()),
                rtrim($address, '/').'/deep/er',
            );
        }
        for ($n = 0; $n < 150; $n++) {
            $asked[] =
                $this->one(['/p', '/w', '/o', '/m/p', '/m/w', '/alpha', '/travel', '/sailing', '/nobody']).
                '/'.
                rawurlencode($this->word()).
                $this->one(['', '/end', '/'.rawurlencode($this->word()), '-x', '.y']);
        }
        $queries = [
            '',
            '',
            '?',
            '?id=3',
            '?id=33',
            '?a=1&id=3&b',
            '?lang=d+e&id=3',
            '?k',
            '?k=&k',
            '?from=x&from=y&z',
            '?%C3%BC=%c3%bc&q=1',
            '?q=2&id=9',
        ];

        return array_values(array_unique(array_map(fn (string $path): string => $path.$this->one($queries), $asked)));
    }

    private function path(): string
    {
        return '/'.implode('/', array_map(fn (): string => $this->word(), range(1, mt_rand(1, 3))));
    }

    private function word(): string
    {
        return $this->one(self::WORDS);
    }

    /**
     * @template T
     *
     * @param  list<T>  $of
     * @return T
     */
    private function one(array $of): mixed
    {
        return $of[mt_rand(0, count($of) - 1)];
    }
}
