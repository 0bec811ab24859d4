<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Moment;

/**
 * Rules made ready for answering: a hash for exact ones, a table of prefixes for branches, alternations with marks for patterns,
 * each once for rules that stand in front and once for the others. Good from the moment it was made for until one of its rules
 * begins or ends. Looking up touches no other rule.
 *
 * @phpstan-type Layer array{one: array<string, list<string>>, branch: array<string, list<string>>, patterns: list<array{string, list<array{string, list<string>}>, array<string, true>|null}>}
 */
final readonly class RuleSet
{
    /** Of what toArray gives: another number for another shape, so that what was kept before is not read. */
    public const FORMAT = 3;

    /** Patterns in one alternation: PCRE holds a compiled expression of at most 64 KiB. */
    private const TOGETHER = 100;

    /**
     * @param  array<string, array<string, mixed>>  $rules  as Rule::toArray gave them, by identity
     * @param  Layer  $front
     * @param  Layer  $behind
     * @param  int|null  $goodUntil  seconds since 1970 at which a rule begins or ends
     */
    private function __construct(
        private AddressRules $address,
        private Moment $at,
        private array $rules,
        private array $front,
        private array $behind,
        public ?int $goodUntil,
    ) {
    }

    public static function none(AddressRules $address): self
    {
        return self::compile([], $address, Moment::at(0));
    }

    /**
     * Cost: linear in the rules, and a compiled expression for each hundred patterns.
     *
     * @param  iterable<Rule>  $rules  in any order
     */
    public static function compile(iterable $rules, AddressRules $address, Moment $at): self
    {
        $layers = ['front' => ['one' => [], 'branch' => []], 'behind' => ['one' => [], 'branch' => []]];
        $patterns = ['front' => [], 'behind' => []];
        $kept = [];
        $goodUntil = null;
        foreach ($rules as $rule) {
            foreach ([$rule->from, $rule->until] as $moment) {
                if ($rule->isOn && $moment !== null && $moment->isAfter($at)) {
                    $goodUntil = min($goodUntil ?? PHP_INT_MAX, $moment->seconds);
                }
            }
            if (! $rule->isActiveAt($at)) {
                continue;
            }
            $kept[$rule->id] = $rule;
            $layer = $rule->inFront || $rule->query === QueryHandling::Match ? 'front' : 'behind';
            if ($rule->scope === RuleScope::Pattern) {
                $patterns[$layer][] = $rule;
            } else {
                $layers[$layer][$rule->scope->value][$rule->scope === RuleScope::Branch ? NormalForm::bare($rule->key, $address) : $rule->key][] =
                    $rule->id;
            }
        }
        foreach ($layers as $layer => $tables) {
            foreach ($tables as $table => $keys) {
                foreach ($keys as $key => $ids) {
                    usort(
                        $ids,
                        static fn (string $a, string $b): int => Query::of($kept[$b]->matched)->count() <=> Query::of($kept[$a]->matched)->count() ?:
                        $kept[$b]->inFront <=> $kept[$a]->inFront ?:
                        strcmp($a, $b),
                    );
                    $layers[$layer][$table][$key] = $ids;
                }
            }
            $layers[$layer]['patterns'] = self::alternations($patterns[$layer], $address);
        }

        return new self(
            $address,
            $at,
            array_map(static fn (Rule $rule): array => $rule->toArray(), $kept),
            $layers['front'],
            $layers['behind'],
            $goodUntil,
        );
    }

    public function isActive(Rule $rule): bool
    {
        return $rule->isActiveAt($this->at);
    }

    /** The rule that answers before anybody who holds the address. */
    public function inFront(Address $asked, Query $query): ?RuleMatch
    {
        return $this->in($this->front, $asked, $query);
    }

    /** The rule that answers where nobody does. */
    public function behind(Address $asked, Query $query): ?RuleMatch
    {
        return $this->in($this->behind, $asked, $query);
    }

    /** @return array<string, mixed> for keeping; plain arrays and numbers */
    public function toArray(): array
    {
        return [
            'at' => $this->at->seconds,
            'rules' => $this->rules,
            'front' => $this->front,
            'behind' => $this->behind,
            'goodUntil' => $this->goodUntil,
        ];
    }

    /** @param  array<string, mixed>  $kept as toArray gave it */
    public static function fromArray(array $kept, AddressRules $address): self
    {
        return new self($address, Moment::at($kept['at']), $kept['rules'], $kept['front'], $kept['behind'], $kept['goodUntil']);
    }

    /** @param  Layer  $layer */
    private function in(array $layer, Address $asked, Query $query): ?RuleMatch
    {
        foreach ($layer['one'][$asked->key] ?? [] as $id) {
            if ($this->takes($id, $query)) {
                return new RuleMatch($this->rule($id));
            }
        }

        return ($layer['branch'] === [] ? null : $this->branch($layer['branch'], $asked, $query)) ??
            $this->pattern($layer['patterns'], $asked, $query);
    }

    /**
     * The longest prefix wins.
     *
     * @param  array<string, list<string>>  $table
     */
    private function branch(array $table, Address $asked, Query $query): ?RuleMatch
    {
        $bare = NormalForm::bare($asked->key, $this->address);
        for ($prefix = $bare; ; $prefix = substr($prefix, 0, (int) strrpos($prefix, '/'))) {
            foreach ($table[$prefix] ?? [] as $id) {
                if ($this->takes($id, $query)) {
                    $segments = explode('/', NormalForm::bare($asked->path, $this->address));

                    return new RuleMatch($this->rule($id), rest: implode('/', array_slice($segments, substr_count($prefix, '/') + 1)));
                }
            }
            if ($prefix === '') {
                return null;
            }
        }
    }

    /** @param  list<array{string, list<array{string, list<string>}>, array<string, true>|null}>  $alternations */
    private function pattern(array $alternations, Address $asked, Query $query): ?RuleMatch
    {
        // Patterns say nothing of what the site puts at the end of every address.
        $path = NormalForm::bare($asked->path, $this->address) ?: '/';
        $first = substr($path, 1, strcspn($path, '/', 1));
        $first = $this->address->caseSensitive ? $first : strtolower($first);
        foreach ($alternations as [$expression, $marks, $firsts]) {
            if ($firsts !== null && ! isset($firsts[$first])) {
                continue;
            }
            $found = [];
            if (@preg_match($expression, $path, $found) !== 1) {
                continue;
            }
            [$id, $names] = $marks[(int) $found['MARK']];
            $captures = [];
            foreach ($names as $i => $name) {
                $captures[$name] = (string) ($found[$i + 1] ?? '');
            }
            if ($this->takes($id, $query)) {
                return new RuleMatch($this->rule($id), $captures);
            }
        }

        return null;
    }

    /**
     * Patterns that look at the query stand alone, so that the next is tried where the query is another.
     *
     * @param  list<Rule>  $rules
     * @return list<array{string, list<array{string, list<string>}>, array<string, true>|null}> expression, rules by mark, and the first segments that its patterns have; null where one begins with something that varies
     */
    private static function alternations(array $rules, AddressRules $address): array
    {
        usort($rules, Rule::inOrder(...));
        $groups = [[]];
        foreach ($rules as $rule) {
            $last = array_key_last($groups);
            $previous = end($groups[$last]);
            if (
                count($groups[$last]) >= self::TOGETHER ||
                $rule->query === QueryHandling::Match ||
                ($previous !== false && $previous->query === QueryHandling::Match)
            ) {
                $groups[] = [];
            }
            $groups[array_key_last($groups)][] = $rule;
        }
        $alternations = [];
        foreach (array_filter($groups) as $group) {
            $branches = $marks = [];
            $firsts = [];
            foreach ($group as $n => $rule) {
                $pattern = PathPattern::stored($rule->source);
                $branches[] = "{$pattern->expression}(*MARK:$n)";
                $marks[] = [$rule->id, $pattern->names];
                $first = preg_match('~^/([A-Za-z0-9_\-.]+)/~', $rule->source, $found) === 1 ? $found[1] : null;
                $firsts = $first === null || $firsts === null ? null : $firsts + [$address->caseSensitive ? $first : strtolower($first) => true];
            }
            $alternations[] = [PathPattern::expression(implode('|', $branches), $address->caseSensitive ? '' : 'i'), $marks, $firsts];
        }

        return $alternations;
    }

    private function takes(string $id, Query $query): bool
    {
        $rule = $this->rules[$id];

        return $rule['query'] !== QueryHandling::Match->value || $query->has(Query::of($rule['matched']));
    }

    private function rule(string $id): Rule
    {
        return Rule::fromArray($this->rules[$id]);
    }
}
