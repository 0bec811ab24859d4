<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\AddressHolder;
use Heronstem\Core\Redirect\AddressLookup;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Redirect\Resolution;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;
use Heronstem\Core\Redirect\RuleScope;
use Heronstem\Core\Redirect\RuleSet;

/** Makes rules in a line, and answers requests from them and from a few pages. */
final readonly class Rules implements AddressLookup
{
    public const NOW = 1_800_000_000;

    /**
     * @param  list<Rule>  $rules
     * @param  array<string, AnsweringPage>  $pages  by identity
     */
    public function __construct(private array $rules, private array $pages = [], private AddressRules $addresses = new AddressRules())
    {
    }

    /** @param  array<string, mixed>  $fields */
    public static function one(string $source, string $target, array $fields = []): Rule
    {
        return self::rule(RuleScope::One, $source, $target, $fields);
    }

    /** @param  array<string, mixed>  $fields */
    public static function branch(string $source, string $target, array $fields = []): Rule
    {
        return self::rule(RuleScope::Branch, $source, $target, $fields);
    }

    /** @param  array<string, mixed>  $fields */
    public static function pattern(string $source, string $target, array $fields = []): Rule
    {
        return self::rule(RuleScope::Pattern, $source, $target, $fields);
    }

    /** @param  list<Rule>  $rules */
    public static function ask(array $rules, string $asked, AnsweringPage ...$pages): Resolution
    {
        return (new self($rules, array_column($pages, null, 'id')))->resolve($asked);
    }

    public function through(Rule $rule, string $asked): Resolution
    {
        return (new Resolver($this->addresses, $this))->through($rule, $asked);
    }

    public function resolve(string $asked): Resolution
    {
        $set = RuleSet::compile(array_filter($this->rules, static fn (Rule $rule): bool => ! $rule->claims()), $this->addresses, Moment::at(self::NOW));
        // What is kept in a file and read again answers alike.
        $set = RuleSet::fromArray(json_decode((string) json_encode($set->toArray()), true), $this->addresses);

        return (new Resolver($this->addresses, $this, $set))->resolve($asked);
    }

    public function at(string $key): ?AddressHolder
    {
        foreach ($this->pages as $page) {
            if (Address::stored($page->address, $this->addresses)->key === $key) {
                return new AddressHolder($page->address, ClaimKind::Page, $page);
            }
        }
        foreach ($this->rules as $rule) {
            if ($rule->claims() && $rule->key === $key) {
                return new AddressHolder($rule->source, ClaimKind::Rule, null, $rule);
            }
        }

        return null;
    }

    public function page(string $id): ?AnsweringPage
    {
        return $this->pages[$id] ?? null;
    }

    public function firstInside(string $id): ?AnsweringPage
    {
        return null;
    }

    public function file(string $id): ?string
    {
        return $id === 'FILE' ? '/_files/FILE/fares.pdf' : null;
    }

    /** @param  array<string, mixed>  $fields */
    private static function rule(RuleScope $scope, string $source, string $target, array $fields): Rule
    {
        $key = $scope === RuleScope::Pattern ? $source : Address::set($source, new AddressRules())->key;
        $leadsTo = match (true) {
            $target === '' => null,
            str_starts_with($target, 'http') => Target::url($target),
            str_starts_with($target, '/') => Target::stored("address $target"),
            default => Target::stored($target),
        };

        return (new Rule("$scope->value $source".json_encode($fields), $scope, $source, $key, RuleAnswer::MovedPermanently, $leadsTo))->with(
            $fields,
        );
    }
}
