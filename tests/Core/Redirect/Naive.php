<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Heronstem\Core\Redirect\QueryHandling;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleScope;
use League\Uri\UrlPattern;

/** The order of the rules as it is written down: every rule tried, the best of those that match. */
final class Naive
{
    /** @param  list<Rule>  $rules */
    public static function first(array $rules, string $path, string $query): ?Rule
    {
        $matching = array_values(
            array_filter($rules, static fn (Rule $rule): bool => $rule->isOn && self::asks($rule, $query) && self::reaches($rule, $path)),
        );
        usort($matching, static fn (Rule $a, Rule $b): int => self::rank($a) <=> self::rank($b));

        return $matching[0] ?? null;
    }

    private static function asks(Rule $rule, string $query): bool
    {
        return $rule->query !== QueryHandling::Match || array_diff(explode('&', $rule->matched), explode('&', $query)) === [];
    }

    private static function reaches(Rule $rule, string $path): bool
    {
        return match ($rule->scope) {
            RuleScope::One => $rule->key === $path,
            RuleScope::Branch => $rule->key === $path || str_starts_with($path, rtrim($rule->key, '/').'/'),
            RuleScope::Pattern => UrlPattern::from("https://x.example{$rule->source}")->match("https://x.example$path"),
        };
    }

    /** @return list<int|string> */
    private static function rank(Rule $rule): array
    {
        $scope = ['one' => 0, 'branch' => 1, 'pattern' => 2][$rule->scope->value];
        $parameters = $rule->matched === '' ? 0 : substr_count($rule->matched, '&') + 1;

        return [
            $rule->inFront || $rule->query === QueryHandling::Match ? 0 : 1,
            $scope,
            $scope === 1 ? -strlen($rule->key) : 0,
            $scope === 2 ? $rule->position : -$parameters,
            $scope === 2 ? 0 : ($rule->inFront ? 0 : 1),
            $rule->id,
        ];
    }
}
