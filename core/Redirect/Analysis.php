<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Moment;

/**
 * Looks all redirect rules of a site over. Rules of one address and of branches are decided; of a pattern one path that it
 * matches is tried, and the finding says so. Cost: a few lookups a rule.
 */
final class Analysis
{
    /** @var list<RuleFinding> */
    private array $findings = [];

    private readonly Resolver $resolver;

    private readonly RuleSet $set;

    /** @var list<Rule> patterns in the order in which they are tried */
    private array $patterns = [];

    /** @var list<Rule> those that look at the query */
    private array $looking;

    /**
     * @param  array<string, Rule>  $rules  all of the site, by identity
     * @param  array<string, int>  $idle  days since a rule was last used, or was made if it never was
     * @param  array<string, string>  $live  live pages by their addresses
     */
    private function __construct(
        private readonly array $rules,
        private readonly AddressRules $addresses,
        private readonly AddressLookup $answers,
        private readonly Moment $at,
        private readonly array $idle,
        private readonly int $idleDays,
        private readonly array $live,
    ) {
        $this->set = RuleSet::compile(array_filter($rules, static fn (Rule $rule): bool => ! $rule->claims()), $addresses, $at);
        $this->resolver = new Resolver($addresses, $answers, $this->set);
        $this->patterns = array_values(array_filter($rules, static fn (Rule $rule): bool => $rule->scope === RuleScope::Pattern && $rule->isOn));
        usort($this->patterns, Rule::inOrder(...));
        $this->looking = array_values(array_filter($rules, static fn (Rule $rule): bool => $rule->query === QueryHandling::Match));
    }

    /**
     * @param  iterable<Rule>  $rules
     * @param  array<string, int>  $idle
     * @param  int  $idleDays  after how many days without a hit a rule is said
     * @param  array<string, string>  $live  live pages by their addresses, where branches or patterns stand in front
     * @return list<RuleFinding>
     */
    public static function of(
        iterable $rules,
        AddressRules $addresses,
        AddressLookup $answers,
        Moment $at,
        array $idle = [],
        int $idleDays = 180,
        array $live = [],
    ): array {
        $by = [];
        foreach ($rules as $rule) {
            $by[$rule->id] = $rule;
        }
        $analysis = new self($by, $addresses, $answers, $at, $idle, $idleDays, $live);
        foreach ($by as $rule) {
            $analysis->rule($rule);
        }
        $analysis->doubled();

        return $analysis->findings;
    }

    private function rule(Rule $rule): void
    {
        if ($rule->isOverAt($this->at)) {
            $this->find(RuleFindingKind::Expired, $rule);

            return;
        }
        if (! $rule->isActiveAt($this->at)) {
            return;
        }
        $isSure = $rule->scope !== RuleScope::Pattern;
        $way = $this->resolver->resolve($rule->sample());
        if ($way->comesBackTo($rule)) {
            $this->find(RuleFindingKind::Loop, $rule, isSure: $isSure);

            return;
        }
        if (! in_array($rule->id, $way->rules(), true)) {
            $this->neverFires($rule, $way);

            return;
        }
        if ($rule->inFront) {
            $this->hides($rule);
        }
        $this->target($rule, $way, $isSure);
        if (($this->idle[$rule->id] ?? 0) >= $this->idleDays) {
            $this->find(RuleFindingKind::Idle, $rule, days: $this->idle[$rule->id]);
        }
    }

    private function neverFires(Rule $rule, Resolution $way): void
    {
        $coveredBy = $way->rules()[0] ?? null;
        if ($rule->scope === RuleScope::Pattern) {
            // One path is not all of them: only a pattern whose every path an earlier one takes is said to be covered.
            $cover = $this->coverOf($rule);
            if ($cover === null) {
                return;
            }
            $coveredBy = $cover->id;
        }
        if ($rule->scope === RuleScope::Branch) {
            // The address itself may be somebody's while what is below it is the rule's.
            $below = $this->resolver->resolve($rule->sampleBelow());
            if (in_array($rule->id, $below->rules(), true)) {
                $this->target($rule, $below, true);

                return;
            }
            $coveredBy = $below->rules()[0] ?? null;
        }
        $held = $coveredBy === null ? $this->answers->at($rule->key)?->page : null;
        $this->find(RuleFindingKind::NeverFires, $rule, other: $coveredBy, page: $held?->id);
    }

    /** An earlier pattern, or a branch, that takes every path this one could. */
    private function coverOf(Rule $rule): ?Rule
    {
        $pattern = PathPattern::stored($rule->source);
        foreach ($this->patterns as $earlier) {
            if ($earlier->id === $rule->id) {
                break;
            }
            if ($earlier->query === QueryHandling::Match || $earlier->inFront !== $rule->inFront || ! $earlier->isActiveAt($this->at)) {
                continue;
            }
            $larger = PathPattern::stored($earlier->source);
            // What does not even take the sample takes not all, and is not looked at closer.
            if (
                $larger->match($pattern->sample, $this->addresses->caseSensitive) !== null &&
                PatternLanguage::contains($larger, $pattern, $this->addresses->caseSensitive) === true
            ) {
                return $earlier;
            }
        }
        $fixed = substr($rule->source, 0, strcspn($rule->source, ':*({\\'));
        $branch = $this->set->behind(Address::asked($fixed, $this->addresses), Query::of(''))?->rule;

        return $branch?->scope === RuleScope::Branch && str_ends_with($fixed, '/') && ! $rule->inFront ? $branch : null;
    }

    /** A live page whose address a rule in front takes: its own, one below a branch, or one that a pattern matches. */
    private function hides(Rule $rule): void
    {
        $page = $this->answers->at($rule->key)?->page;
        if ($rule->scope !== RuleScope::Pattern && $page?->isLive === true) {
            $this->find(RuleFindingKind::HidesPage, $rule, page: $page->id);

            return;
        }
        foreach ($rule->scope === RuleScope::One ? [] : $this->live as $address => $id) {
            $match = $this->set->inFront(Address::stored((string) $address, $this->addresses), Query::of($rule->matched));
            if ($match?->rule->id === $rule->id) {
                $this->find(RuleFindingKind::HidesPage, $rule, page: $id);

                return;
            }
        }
    }

    private function target(Rule $rule, Resolution $way, bool $isSure): void
    {
        if ($rule->target?->kind === TargetKind::Url && str_starts_with(strtolower($rule->target->value), 'http:')) {
            $this->find(RuleFindingKind::NotHttps, $rule);
        }
        $next = $way->nextRedirect($rule);
        if ($next !== null) {
            $after = $way->after($rule);
            $this->find(
                RuleFindingKind::Chain,
                $rule,
                other: $next->rule,
                end: $this->endOf($rule, $after),
                isSure: $isSure,
                steps: count($after) + 1,
            );
        } elseif ($rule->scope === RuleScope::Pattern && preg_match(Destination::CAPTURE, (string) $rule->target?->value) === 1) {
            return; // where it leads depends on what is asked: one path says nothing of the others
        } elseif ($rule->answer !== RuleAnswer::Gone && $way->status === 404) {
            $this->find(RuleFindingKind::DeadTarget, $rule, isSure: $isSure);
        } elseif ($rule->answer !== RuleAnswer::Gone && $way->status === 410) {
            $this->find(RuleFindingKind::GoneTarget, $rule, isSure: $isSure);
        }
    }

    /**
     * Where a chain ends, as a target that the rule could have itself and answer every request just the same: every further step is
     * one for good, or as temporary as the rule, at all times and with all queries. Null where it is not so.
     *
     * @param  list<Hop>  $after  the steps behind the rule
     */
    private function endOf(Rule $rule, array $after): ?Target
    {
        $end = null;
        $query = Query::in((string) $rule->target?->value);
        $fragment = (string) strstr((string) $rule->target?->value, '#');
        foreach ($after as $hop) {
            $next = $hop->rule === null ? null : $this->rules[$hop->rule] ?? null;
            $isForGood = in_array($hop->status, [301, 308], true);
            if (
                ($next !== null && (! $next->isUnconditional() || $next->query !== QueryHandling::Carry || $next->scope !== RuleScope::One)) ||
                $this->looksAtQueryOf($hop->from)
            ) {
                return null;
            }
            if ($next === null && $hop->status !== 301) {
                break; // a section or a pointer, which the target keeps leading through
            }
            if (
                (! $isForGood && in_array($rule->answer->status(), [301, 308], true)) ||
                (in_array($rule->answer->status(), [307, 308], true) && ! in_array($hop->status, [307, 308], true))
            ) {
                return null;
            }
            $page = $next === null ? $this->answers->at(Address::asked($hop->to, $this->addresses)->key)?->page?->id : null;
            $end = $next === null ? ($page === null ? null : Target::page($page)) : $next->target;
            // What a rule on the way adds goes along to the end.
            $query = $next === null ? $query : Query::in((string) $next->target?->value)->merged($query);
            $fragment = $next === null ? $fragment : (strstr((string) $next->target?->value, '#') ?: $fragment);
        }

        return $rule->scope === RuleScope::One ? self::carrying($end, $query->text().$fragment) : null;
    }

    /** A target with the query and fragment gathered on the way; null where it is one that can carry none. */
    private static function carrying(?Target $end, string $tail): ?Target
    {
        if ($end === null || $tail === '') {
            return $end;
        }
        $path = substr($end->value, 0, strcspn($end->value, '?#'));

        return in_array($end->kind, [TargetKind::Address, TargetKind::Url], true) && strlen($path.$tail) <= Target::MAX_LENGTH
            ? Target::stored("{$end->kind->value} $path$tail")
            : null;
    }

    /** Whether some rule takes requests for an address by their query: with one the way may be another. */
    private function looksAtQueryOf(string $address): bool
    {
        $asked = Address::asked($address, $this->addresses);
        foreach ($this->looking as $rule) {
            $takes = match ($rule->scope) {
                RuleScope::One => $rule->key === $asked->key,
                RuleScope::Branch => $rule->key === $asked->key ||
                    str_starts_with(NormalForm::bare($asked->key, $this->addresses).'/', NormalForm::bare($rule->key, $this->addresses).'/'),
                RuleScope::Pattern => PathPattern::stored($rule->source)->match(
                    NormalForm::bare($asked->path, $this->addresses),
                    $this->addresses->caseSensitive,
                ) !== null,
            };
            if ($takes) {
                return true;
            }
        }

        return false;
    }

    /** Rules that say the same twice: one address that a branch or a pattern would send to the same place. */
    private function doubled(): void
    {
        foreach ($this->rules as $rule) {
            // An address that visitors knew before would say that it is gone, once its redirect is.
            if (
                $rule->scope !== RuleScope::One ||
                ! $rule->isActiveAt($this->at) ||
                ! $rule->claims() ||
                $this->answers->at($rule->key)?->everLive === true
            ) {
                continue;
            }
            $behind = $this->set->behind(Address::stored($rule->source, $this->addresses), Query::of(''));
            if (
                $behind !== null &&
                $behind->rule->answer === $rule->answer &&
                $behind->rule->query === $rule->query &&
                $this->leadsAlike($rule, $behind)
            ) {
                $this->find(RuleFindingKind::Doubled, $rule, other: $behind->rule->id);
            }
        }
    }

    private function leadsAlike(Rule $rule, RuleMatch $behind): bool
    {
        [$mine, $theirs] = [$rule->target, $behind->rule->target];
        if (
            $mine === null ||
            $theirs === null ||
            $mine->kind !== $theirs->kind ||
            ($behind->rest !== '' && $behind->rule->carriesRest && $mine->kind === TargetKind::Page)
        ) {
            return false;
        }

        return in_array($mine->kind, [TargetKind::Page, TargetKind::File], true)
            ? $mine->value === $theirs->value
            : (new Destination($behind, $this->addresses))->from($theirs->value, Query::of('')) ===
                    (new Destination(new RuleMatch($rule), $this->addresses))->from($mine->value, Query::of(''));
    }

    private function find(
        RuleFindingKind $kind,
        Rule $rule,
        ?string $other = null,
        ?Target $end = null,
        ?string $page = null,
        bool $isSure = true,
        int $days = 0,
        int $steps = 0,
    ): void {
        $this->findings[] = new RuleFinding($kind, $rule, $other, $end, $page, $isSure, $days, $steps);
    }
}
