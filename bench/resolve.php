<?php

declare(strict_types=1);

use Bench\Measure;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\AddressHolder;
use Heronstem\Core\Redirect\AddressLookup;
use Heronstem\Core\Redirect\Analysis;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Redirect\PathPattern;
use Heronstem\Core\Redirect\Query;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;
use Heronstem\Core\Redirect\RuleScope;
use Heronstem\Core\Redirect\RuleSet;

// 100,000 exact rules, 500 branches and 2,000 patterns, compiled: an exact hit against a read by primary key; a miss through all
// patterns against one preg_match of similar size; and what compiling takes.
require __DIR__.'/boot.inc';
require __DIR__.'/Measure.inc';
$addresses = new AddressRules();
$rule = static fn (RuleScope $scope, string $source, int $n): Rule => new Rule(
    "R$n",
    $scope,
    $source,
    $source,
    RuleAnswer::MovedPermanently,
    Target::stored('url https://x.example/'),
    inFront: $scope === RuleScope::One,
    position: $n,
);
$rules = [];
for ($n = 0; $n < 100000; $n++) {
    $rules[] = $rule(RuleScope::One, "/exact/address-$n", $n);
}
for ($n = 0; $n < 500; $n++) {
    $rules[] = $rule(RuleScope::Branch, "/branch-$n/inside", 100000 + $n);
}
for ($n = 0; $n < 2000; $n++) {
    $rules[] = $rule(RuleScope::Pattern, "/pattern-$n/:year(\\d+)/:slug", 200000 + $n);
}
$before = memory_get_usage();
$began = hrtime(true);
$set = RuleSet::compile($rules, $addresses, Moment::at(1));
printf("resolve, compiling 102,500 rules: %.0f ms, %.0f MB\n", (hrtime(true) - $began) / 1e6, (memory_get_usage() - $before) / 1048576);

$db = Illuminate\Support\Facades\DB::connection()->getPdo();
$db->exec('create temporary table exact (key text collate "C" primary key, target text)');
$db->exec("insert into exact select '/exact/address-' || n, 'https://x.example/' from generate_series(0, 99999) n");
$read = $db->prepare('select target from exact where key = ?');
$none = Query::of('');
$i = 0;
Measure::compare(
    'an exact hit, against a read by key',
    static function () use ($set, $none, $addresses, &$i): void {
        $set->inFront(Address::stored('/exact/address-'.$i++ % 100000, $addresses), $none);
    },
    static function () use ($read, &$i): void {
        $read->execute(['/exact/address-'.$i++ % 100000]);
        $read->fetch();
    },
    2000,
);

$one =
    '~^(?:'.
    implode('|', array_map(static fn (int $n): string => PathPattern::stored("/pattern-$n/:year(\\d+)/:slug")->expression, range(0, 999))).
    ')$~D';
$miss = Address::stored('/pattern-1999x/2020/none/at-all', $addresses);
Measure::compare(
    'a miss through 2,000 patterns, against one expression of 1,000',
    static fn () => $set->behind($miss, $none),
    static fn () => preg_match($one, '/pattern-1999x/2020/none/at-all'),
    500,
);

// All rules of a site looked over: 50,000, of which some lead on to others and some to nothing.
$chained = [];
for ($n = 0; $n < 50000; $n++) {
    $target = match ($n % 4) {
        0 => 'url https://x.example/',
        1 => 'address /a/'.($n + 2),
        2 => 'address /page/'.$n % 1000,
        default => 'page P'.$n % 1000,
    };
    $chained[] =
        $n % 100 === 99
            ? $rule(RuleScope::Branch, "/branch-$n", $n)
            : new Rule("R$n", RuleScope::One, "/a/$n", "/a/$n", RuleAnswer::MovedPermanently, Target::stored($target));
}
$answers = new class($chained) implements AddressLookup
{
    /** @var array<string, Rule> */
    private array $rules = [];

    /** @param  list<Rule>  $rules */
    public function __construct(array $rules)
    {
        foreach ($rules as $rule) {
            $this->rules[$rule->key] = $rule;
        }
    }

    public function at(string $key): ?AddressHolder
    {
        return isset($this->rules[$key])
            ? new AddressHolder($key, ClaimKind::Rule, null, $this->rules[$key], false)
            : (str_starts_with($key, '/page/')
                ? new AddressHolder($key, ClaimKind::Page, $this->page('P'.substr($key, 6)), null, true)
                : null);
    }

    public function page(string $id): AnsweringPage
    {
        return new AnsweringPage($id, $id, '/page/'.substr($id, 1), true);
    }

    public function firstInside(string $id): ?AnsweringPage
    {
        return null;
    }

    public function file(string $id): ?string
    {
        return null;
    }
};
$began = hrtime(true);
$found = Analysis::of($chained, $addresses, $answers, Moment::at(1));
printf("resolve, 50,000 rules looked over: %.1f s, %d findings\n", (hrtime(true) - $began) / 1e9, count($found));
