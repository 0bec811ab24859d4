<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Redirect\Hop;
use Heronstem\Core\Redirect\Resolution;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReach;
use Heronstem\Core\Redirect\RuleSet;

/** Follows every rule that a batch makes or changes, as visitors would, and refuses one that comes back to itself. */
final readonly class RuleLoops
{
    public function __construct(private Workspace $workspace, private LedgerEffects $effects)
    {
    }

    /** @throws ChangeRefused naming the steps */
    public function guard(): void
    {
        $changed = array_filter(array_map(static fn (array $sides): ?Rule => $sides[1], $this->workspace->redirects->touched()));
        if ($changed === []) {
            return;
        }
        $resolver = $this->resolver($changed);
        foreach ($changed as $rule) {
            $way = self::round($rule, $resolver);
            if ($way !== null) {
                $steps = implode(' → ', [...array_map(static fn (Hop $hop): string => $hop->from, array_slice($way->hops, 0, 4)), $way->hops === [] ? $rule->source : $way->hops[count($way->hops) - 1]->to]);
                $refused = new ChangeRefused('leadsTo', "Visitors would go round in a circle: $steps. Choose another target, or switch one of them off first.");

                throw $this->workspace->redirects->fieldOf($rule->id) === '' ? $refused : $refused->within($this->workspace->redirects->fieldOf($rule->id));
            }
        }
    }

    /** Whether visitors would come back to a rule, if it were like this. */
    public function wouldGoRound(Rule $rule): bool
    {
        return self::round($rule, $this->resolver([$rule->id => $rule])) !== null;
    }

    /**
     * Whether rules are on, and when, may change: what is asked is whether visitors could ever go round.
     *
     * @param  array<string, Rule>  $changed
     */
    private function resolver(array $changed): Resolver
    {
        $standing = array_filter($this->workspace->redirects->standing(), static fn (Rule $rule): bool => ! isset($changed[$rule->id]));
        $set = RuleSet::compile([...$standing, ...array_map(static fn (Rule $rule): Rule => $rule->always(), array_filter($changed, static fn (Rule $rule): bool => ! $rule->claims()))], $this->workspace->rules(), $this->workspace->now());

        return new Resolver($this->workspace->rules(), new PlannedAnswers($this->workspace, $this->effects), $set);
    }

    private static function round(Rule $rule, Resolver $resolver): ?Resolution
    {
        foreach ([$rule->sample(), ...($rule->reach === RuleReach::Branch ? [$rule->sampleBelow()] : [])] as $sample) {
            $way = $resolver->resolve($sample);
            if ($way->isLoop && in_array($rule->id, $way->rules(), true)) {
                return $way;
            }
        }

        return null;
    }
}
