<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Change\Batch;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Redirect\Hop;
use Heronstem\Core\Redirect\Resolution;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleSet;
use Heronstem\Core\Workspace\Workspace;

/** Follows every rule that a batch makes or changes, as visitors would, and refuses one that comes back to itself. */
final readonly class RuleLoops
{
    /** Chains that are told one by one. */
    private const MAX_NOTES = 20;

    public function __construct(private Workspace $workspace, private ClaimPlan $claims)
    {
    }

    /**
     * @param  Batch  $batch  one that undoes puts circles back as they were, and says so
     * @return list<Note> chains that the batch makes: of its own rules that lead on to others, and of others that lead to them
     *
     * @throws InputRefused naming the steps of one that comes back to itself
     */
    public function guard(Batch $batch): array
    {
        $changed = array_filter(array_map(static fn (array $sides): ?Rule => $sides[1], $this->workspace->redirects->touched()));
        if ($changed === []) {
            return [];
        }
        $resolver = $this->resolver($changed);
        $notes = [];
        foreach ($changed as $rule) {
            $ways = $resolver->waysOf($rule);
            $loops = array_values(array_filter($ways, static fn (Resolution $way): bool => $way->comesBackTo($rule)));
            if ($loops !== [] && $batch->undoes() === []) {
                throw $this->refused($rule, $loops[0], $batch);
            }
            if ($loops !== []) {
                $notes[] = new Note(NoteKind::RedirectCircles, $rule->id, $rule->source);
            } elseif (count($notes) < self::MAX_NOTES && $ways[0]->nextRedirect($rule) !== null) {
                $notes[] = new Note(NoteKind::RedirectChains, $rule->id, $rule->source, $ways[0]->location);
            }
        }

        return [...$notes, ...$this->ledTo($changed)];
    }

    private function refused(Rule $rule, Resolution $way, Batch $batch): InputRefused
    {
        $steps = implode(' → ', [
            ...array_map(static fn (Hop $hop): string => $hop->from, array_slice($way->hops, 0, 4)),
            $way->hops === [] ? $rule->source : $way->hops[count($way->hops) - 1]->to,
        ]);
        $refused = new InputRefused('leadsTo', "Visitors would end up in a loop: $steps. Choose another target, or switch one of them off first.");

        return $refused->within('changes.'.$batch->lastOf($rule->id));
    }

    /**
     * @param  array<string, Rule>  $changed
     * @return list<Note>
     */
    private function ledTo(array $changed): array
    {
        $sources = [];
        foreach ($changed as $rule) {
            if ($rule->claims() && $this->workspace->redirects->before($rule->id)?->source !== $rule->source) {
                $sources[$rule->source] = $rule;
            }
        }
        $counts = [];
        foreach ($sources === [] ? [] : $this->workspace->redirects->leadingToAddresses(array_map(strval(...), array_keys($sources))) as $rule) {
            $address = (string) $rule->target?->value;
            $counts[$address] = ($counts[$address] ?? 0) + 1;
        }

        return array_slice(
            array_map(
                static fn (string $address, int $count): Note => new Note(
                    NoteKind::RedirectsLeadHere,
                    $sources[$address]->id,
                    $address,
                    (string) $count,
                ),
                array_map(strval(...), array_keys($counts)),
                $counts,
            ),
            0,
            self::MAX_NOTES,
        );
    }

    /** Whether visitors would come back to a rule, if it were like this. */
    public function wouldLoop(Rule $rule): bool
    {
        return $this->resolver([$rule->id => $rule])->loopOf($rule) !== null;
    }

    /**
     * Whether rules are on, and when, may change: what is asked is whether visitors could ever go round.
     *
     * @param  array<string, Rule>  $changed
     */
    private function resolver(array $changed): Resolver
    {
        $withoutClaim = array_filter($this->workspace->redirects->withoutClaim(), static fn (Rule $rule): bool => ! isset($changed[$rule->id]));
        $set = RuleSet::compile(
            [
                ...$withoutClaim,
                ...array_map(static fn (Rule $rule): Rule => $rule->always(), array_filter($changed, static fn (Rule $rule): bool => ! $rule->claims())),
            ],
            $this->workspace->rules(),
            $this->workspace->now(),
        );

        return new Resolver($this->workspace->rules(), new PlannedAddresses($this->workspace, $this->claims), $set);
    }
}
