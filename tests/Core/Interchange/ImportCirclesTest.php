<?php

declare(strict_types=1);

namespace Tests\Core\Interchange;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Interchange\ImportCircles;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\AddressHolder;
use Heronstem\Core\Redirect\AddressLookup;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;
use Heronstem\Core\Redirect\RuleScope;
use Heronstem\Core\Redirect\RuleSet;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Of an import those rows are refused that lead round, and no more: what is left leads nobody round. */
final class ImportCirclesTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function what_is_left_of_an_import_leads_nobody_round_and_each_that_is_refused_would(): void
    {
        $name = Generators::choose(0, 14);
        $this->limitTo(1000)
            ->forAll(Generators::seq(Generators::tuple($name, $name, Generators::elements('one', 'one', 'one', 'branch'))))
            ->then(function (array $rows): void {
                $rules = [];
                foreach ($rows as $n => [$from, $to, $scope]) {
                    if ($from !== $to) {
                        $rule = new Rule(
                            "R$n",
                            RuleScope::from($scope),
                            "/$from",
                            "/$from",
                            RuleAnswer::MovedPermanently,
                            Target::stored("address /$to"),
                        );
                        $rules[$rule->identity()] ??= $rule;
                    }
                }
                $circles = new ImportCircles(new AddressRules(), $this->nobody(), []);
                foreach ($rules as $rule) {
                    $circles->add($rule);
                }
                $refused = array_column($circles->found([]), null, 'id');
                $kept = array_filter($rules, static fn (Rule $rule): bool => ! isset($refused[$rule->id]));
                foreach ($kept as $rule) {
                    self::assertFalse($this->comesBack($rule, $kept), "{$rule->source} leads round");
                }
                if ($refused === []) {
                    return;
                }
                // The last that was refused would lead round among those that are kept.
                $last = end($refused);
                self::assertTrue($this->comesBack($last, [...$kept, $last]), "{$last->source} was refused for nothing");
            });
    }

    #[Test]
    public function what_a_refused_row_covered_may_lead_those_round_that_were_well_before(): void
    {
        // /c leads on to /a; /a redirects to /b and back, and is refused; the branch that it covered leads to /c.
        $rows = ['C' => ['c', 'a', 'one'], 'A' => ['a', 'b', 'one'], 'B' => ['b', 'a', 'one'], 'D' => ['a', 'c', 'branch']];
        $circles = new ImportCircles(new AddressRules(), $this->nobody(), []);
        $rules = [];
        foreach ($rows as $id => [$from, $to, $scope]) {
            $rules[$id] = new Rule($id, RuleScope::from($scope), "/$from", "/$from", RuleAnswer::MovedPermanently, Target::stored("address /$to"));
            $circles->add($rules[$id]);
        }
        $refused = array_column($circles->found([]), 'id');
        foreach ($kept = array_diff_key($rules, array_flip($refused)) as $rule) {
            self::assertFalse($this->comesBack($rule, $kept), $rule->source);
        }
        self::assertNotSame([], $kept);
    }

    #[Test]
    public function a_chain_of_more_steps_than_are_followed_is_refused_where_it_is_too_long(): void
    {
        $circles = new ImportCircles(new AddressRules(), $this->nobody(), []);
        for ($n = 0; $n < 14; $n++) {
            $circles->add(new Rule("R$n", RuleScope::One, "/$n", "/$n", RuleAnswer::MovedPermanently, Target::stored('address /'.($n + 1))));
        }
        $refused = array_column($circles->found([]), 'source');
        self::assertContains('/0', $refused);
        self::assertNotContains('/13', $refused);
    }

    /** @param  array<Rule>  $rules */
    private function comesBack(Rule $rule, array $rules): bool
    {
        $claiming = array_column(array_filter($rules, static fn (Rule $each): bool => $each->claims()), null, 'key');
        $set = RuleSet::compile(array_filter($rules, static fn (Rule $each): bool => ! $each->claims()), new AddressRules(), Moment::at(0));
        foreach ([$rule->sample(), $rule->sampleBelow()] as $n => $sample) {
            $way = (new Resolver(new AddressRules(), $this->nobody($claiming), $set))->resolve($sample);
            if (($n === 0 || $rule->scope === RuleScope::Branch) && $way->isLoop && in_array($rule->id, $way->rules(), true)) {
                return true;
            }
        }

        return false;
    }

    /** @param  array<string, Rule>  $claiming */
    private function nobody(array $claiming = []): AddressLookup
    {
        return new class($claiming) implements AddressLookup
        {
            /** @param  array<string, Rule>  $claiming */
            public function __construct(private readonly array $claiming)
            {
            }

            public function at(string $key): ?AddressHolder
            {
                return isset($this->claiming[$key])
                    ? new AddressHolder($key, \Heronstem\Core\Ledger\ClaimKind::Rule, null, $this->claiming[$key], false)
                    : null;
            }

            public function page(string $id): ?AnsweringPage
            {
                return null;
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
    }
}
