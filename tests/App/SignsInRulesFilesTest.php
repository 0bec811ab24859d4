<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\RippleChanged;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Interchange\Server\KeptRules;
use Heronstem\Core\Redirect\Destination;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Refusal;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** Signs of all kinds in every field of a rule: whatever is accepted here, a web server loads, and answers as this site does. */
final class SignsInRulesFilesTest extends AppTestCase
{
    use ComparesWebServers;

    private const SIGNS = [
        '$',
        '$1',
        '${x}',
        '"',
        "'",
        '\\',
        ';',
        '{',
        '}',
        '&',
        '=',
        '+',
        '~',
        '|',
        '^',
        '*',
        '(',
        ')',
        '[',
        ']',
        ',',
        ':',
        '@',
        '!',
        '<',
        '>',
        '#',
        '%',
        '%25',
        '%2F',
        '%24',
        '%22',
        '%0A',
        '%7B',
        'é',
        '日本',
        '😀',
        ' ',
        '.',
        '..x',
        '-',
        '_',
        '%{x}',
        '!x',
        '\\1',
        '%1',
    ];

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        $more = array_filter(explode(',', (string) getenv('SIGN_SEEDS')));
        foreach ($more === [] ? [3, 16, 17] : $more as $seed) {
            yield "seed $seed" => [(int) $seed];
        }
    }

    #[Test, DataProvider('seeds')]
    public function whatever_is_accepted_here_is_loaded_and_answered_alike(int $seed): void
    {
        mt_srand($seed);
        $this->site->forceFill([[], ['trailing_slash' => 'always'], ['suffix' => '.html']][$seed % 3])->save();
        $page = $this->live('Travel');
        $this->change(['kind' => 'make', 'page' => ($other = (string) Str::ulid()), 'name' => 'Fronted', 'place' => ['last' => null]]);
        $this->change(['kind' => 'go-live', 'page' => $other]);
        $this->make(['source' => '/fronted', 'inFront' => true, 'leadsTo' => ['url' => 'https://front.example/y']]);
        $this->make(['source' => '/bq', 'scope' => 'branch', 'leadsTo' => ['page' => $other]]);
        $this->make(['source' => '/fr/:a', 'scope' => 'pattern', 'leadsTo' => ['url' => 'https://other.example/y#:a']]);
        $this->make(['source' => '/x?a="', 'query' => 'match', 'leadsTo' => ['page' => $page]]);
        $this->make(['source' => '/q/:a', 'scope' => 'pattern', 'leadsTo' => ['url' => 'https://other.example/y?z=:a']]);
        for ($n = 0; $n < 200; $n++) {
            $this->make($this->rule($n, [$page, $other]));
        }
        self::assertGreaterThan(80, DB::table('redirect_rules')->where('site_id', $this->site->id)->count());
        $this->assertWebServersAnswerAlike([...$this->requests(), '/bq', '/bq/x', '/fronted', '/fr/a', '/x?a=%22', '/x?a="', '/q/plain']);
    }

    /** @param  array<string, mixed>  $fields */
    private function make(array $fields): void
    {
        try {
            $batch = (new ChangeReader($this->site->rules(), 'UTC'))->batch([
                ['kind' => 'make-redirect', 'redirect' => (string) Str::ulid()] + $fields,
            ]);
            $this->carryOut(...$batch->changes);
        } catch (Refusal|RippleChanged) {
            // Not accepted: no server has to carry it.
        }
    }

    /**
     * @param  list<string>  $pages
     * @return array<string, mixed>
     */
    private function rule(int $n, array $pages): array
    {
        $scope = $this->one(['one', 'one', 'branch', 'pattern']);
        $looks = mt_rand(0, 4) === 0;
        $source =
            "/s$n".
            $this->signs().
            $this->one(['', '/'.$this->text(), '/'.str_repeat('long-', mt_rand(1, 300))]).
            ($scope === 'pattern' ? $this->one(['/:a', '/:a/:b', '/*', '{/:x}?/end', '/:y(\\d+)', '/:c([a-z"$;]+)']) : '');
        $capture = $scope === 'pattern' ? $this->one(['', '/:a', '/:0', '/:x', ':y']) : '';
        $fragment = $this->one(['', '', '#'.$this->plain(), $capture === '' ? '' : "#$capture"]);
        $query = $this->one(['', '', '?'.$this->plain().'='.$this->plain(), $capture === '' ? '?x' : "?z=$capture"]);

        return [
            'source' => $source.($looks ? '?'.$this->text().'='.$this->text() : ''),
            'scope' => $scope,
            'answer' => $this->one(['301', '302', '307', '308', '410']),
            'query' => $looks ? 'match' : $this->one(['carry', 'drop']),
            'carriesRest' => mt_rand(0, 1) === 1,
            'inFront' => mt_rand(0, 7) === 0,
            'note' => $this->text()."\\\n".$this->text().'\\',
        ] +
            match (mt_rand(0, 3)) {
                0 => ['leadsTo' => ['page' => $this->one($pages)]],
                1 => ['leadsTo' => ['address' => "/t$n".$this->text().$capture.$query.$fragment]],
                default => ['leadsTo' => ['url' => 'https://x.example/'.$this->plain().$capture.$query.$fragment]],
            };
    }

    /** @return list<string> a request that each rule takes, spelt as it is kept, and below each branch */
    private function requests(): array
    {
        $asked = [];
        $export = app(\App\Desk\ExportRedirects::class);
        $notes = implode(
            "\n",
            array_filter(
                [...$export->nginx($this->site)->notes(), ...$export->apache($this->site)->notes()],
                static fn (string $note): bool => str_contains($note, 'left out'),
            ),
        );
        foreach ((new \App\Store\StoredRules(DB::connection(), $this->site))->everyRule() as $rule) {
            $bare = NormalForm::bare($rule->source, $this->site->rules());
            if (str_contains($notes, KeptRules::named($rule->source).' ') || str_contains($notes, KeptRules::named($bare).' ')) {
                continue; // that a server does not get it is said
            }
            // What is caught and put into a query is announced; plain letters are the same everywhere.
            array_push($asked, ...array_map(fn (string $sample): string => $this->spelt($sample), $rule->samples()), ...$this->caught($rule));
        }

        return array_values(
            array_unique(array_filter($asked, static fn (string $address): bool => preg_match('/%2F|^[^?]*%(?![0-9A-F]{2})/i', $address) !== 1)),
        );
    }

    /** As browsers send it: the path in normal form, and in the query nothing that is no sign of a URL. */
    private function spelt(string $sample): string
    {
        [$path, $query] = [...explode('?', $sample, 2), null];
        $encoded =
            $query === null
                ? ''
                : '?'.preg_replace_callback('/[^\x21\x24-\x3B\x3D\x3F-\x7E]/', static fn (array $byte): string => rawurlencode($byte[0]), $query);

        return \Heronstem\Core\Address\Address::asked($path, $this->site->rules())->path.$encoded;
    }

    /** @return list<string> */
    private function caught(Rule $rule): array
    {
        $tail = strstr((string) $rule->target?->value, '?') ?: strstr((string) $rule->target?->value, '#') ?: '';
        if ($rule->scope->value !== 'branch' || preg_match(Destination::CAPTURE, $tail) === 1) {
            return [];
        }

        return [
            rtrim($rule->source, '/').
            '/'.
            rawurlencode($this->one(['$', 'a"b', 'é', '~', "'", 'x;y', '{'])).
            ($rule->matched === '' ? '' : "?{$rule->matched}"),
        ];
    }

    private function text(): string
    {
        return $this->one(['a', 'B', '']).$this->signs().$this->one(['a', '1', '']);
    }

    private function signs(): string
    {
        return implode('', array_map(fn (): string => $this->one(self::SIGNS), range(1, mt_rand(1, 3))));
    }

    /** For fields in which everything else is refused. */
    private function plain(): string
    {
        return implode(
            '',
            array_map(
                fn (): string => $this->one([
                    'a',
                    '$',
                    '$1',
                    '%22',
                    "'",
                    ';',
                    '&',
                    '=',
                    '+',
                    '~',
                    '*',
                    '(',
                    ')',
                    '[',
                    ']',
                    ',',
                    '@',
                    '!',
                    '%25',
                    '%7B',
                    '%0A',
                    'é',
                    '.',
                    ':',
                    '%1',
                    str_repeat('x', 300),
                    str_repeat('$', 60),
                ]),
                range(1, mt_rand(1, 4)),
            ),
        );
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
