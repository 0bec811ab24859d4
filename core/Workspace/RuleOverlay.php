<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleDifference;
use Heronstem\Core\Redirect\Rules;

/** The redirect rules that a batch looks at: as they are, and as it leaves them. */
final class RuleOverlay
{
    /** @var array<string, Rule|null> */
    private array $before = [];

    /** @var array<string, Rule|null> null for one that goes */
    private array $changed = [];

    /** @var array<string, array<string, true>> changed rules by the address that they hold */
    private array $byKey = [];

    /** @var list<Rule>|null those that hold no address, as they are; null before they are asked for */
    private ?array $withoutClaim = null;

    /** @var array<string, true> rules whose address is to answer that it is gone, once they are */
    private array $gone = [];

    public function __construct(private readonly Rules $rules)
    {
    }

    /**
     * Reads these rules in one go.
     *
     * @param  list<string>  $ids
     */
    public function expect(array $ids): void
    {
        $this->before += $ids === [] ? [] : array_replace(array_fill_keys($ids, null), $this->rules->named($ids));
    }

    public function find(string $id): ?Rule
    {
        return array_key_exists($id, $this->changed) ? $this->changed[$id] : $this->before($id);
    }

    public function before(string $id): ?Rule
    {
        if (! array_key_exists($id, $this->before)) {
            $this->before[$id] = $this->rules->named([$id])[$id] ?? null;
        }

        return $this->before[$id];
    }

    public function put(Rule $rule): void
    {
        $this->forget($rule->id);
        $this->changed[$rule->id] = $rule;
        if ($rule->claims()) {
            $this->byKey[$rule->key][$rule->id] = true;
        }
        unset($this->gone[$rule->id]);
    }

    public function remove(string $id): void
    {
        $this->forget($id);
        $this->changed[$id] = null;
    }

    private function forget(string $id): void
    {
        $this->before($id);
        $former = $this->changed[$id] ?? null;
        if ($former !== null) {
            unset($this->byKey[$former->key][$id]);
        }
    }

    /** Removes a rule whose address says from now on that it is gone. */
    public function removeAsGone(string $id): void
    {
        $this->remove($id);
        $this->gone[$id] = true;
    }

    public function leavesGone(string $id): bool
    {
        return isset($this->gone[$id]);
    }

    /** The rule that holds an address, as the batch leaves it. */
    public function claimingAt(string $key): ?Rule
    {
        foreach ($this->byKey[$key] ?? [] as $id => $_) {
            return $this->changed[$id];
        }
        $found = $this->rules->claiming([$key])[$key] ?? null;

        return $found === null || array_key_exists($found->id, $this->changed) ? null : $found;
    }

    /** @return list<Rule> those that hold no address, as the batch leaves them */
    public function withoutClaim(): array
    {
        $this->withoutClaim ??= $this->rules->withoutClaim();
        $withoutClaim = array_filter($this->withoutClaim, fn (Rule $rule): bool => ! array_key_exists($rule->id, $this->changed));
        foreach ($this->changed as $rule) {
            if ($rule !== null && ! $rule->claims()) {
                $withoutClaim[] = $rule;
            }
        }

        return array_values($withoutClaim);
    }

    /** @return list<Rule> other rules that hold the address of this one */
    public function others(Rule $rule): array
    {
        $found = [
            ...array_map(fn (string|int $id): ?Rule => $this->changed[$id], array_keys($this->byKey[$rule->key] ?? [])),
            ...array_values($this->rules->claiming([$rule->key])),
        ];

        return array_values(
            array_filter(
                $found,
                fn (?Rule $other): bool => $other !== null &&
                    $other->id !== $rule->id &&
                    $other->claims() &&
                    $other->key === $rule->key &&
                    $this->find($other->id) !== null,
            ),
        );
    }

    /** Another rule that is the same but for what it answers. */
    public function sameSourceAs(Rule $rule): ?Rule
    {
        foreach ($rule->claims() ? [] : $this->withoutClaim() as $other) {
            if ($other->id !== $rule->id && $other->identity() === $rule->identity()) {
                return $other;
            }
        }

        return null;
    }

    /** @return iterable<Rule> as they are before the batch */
    public function leadingTo(string ...$pages): iterable
    {
        return $pages === [] ? [] : $this->rules->leadingTo(array_values($pages));
    }

    /**
     * @param  list<string>  $addresses
     * @return iterable<Rule> as they are before the batch
     */
    public function leadingToAddresses(array $addresses): iterable
    {
        return $this->rules->leadingToAddresses($addresses);
    }

    /** @return list<Rule> every rule of the site, as the batch leaves it */
    public function whole(): array
    {
        $whole = [];
        foreach ($this->rules->everyRule() as $rule) {
            $this->before[$rule->id] ??= $rule;
            $whole[$rule->id] = $rule;
        }

        return array_values(array_filter([...$whole, ...$this->changed], static fn (?Rule $rule): bool => $rule !== null));
    }

    /** @return array<string, array{Rule|null, Rule|null}> rules the batch touched, as they were and as they will be */
    public function touched(): array
    {
        $touched = [];
        foreach ($this->changed as $id => $rule) {
            $touched[(string) $id] = [$this->before((string) $id), $rule];
        }

        return $touched;
    }

    /** @return list<RuleDifference> */
    public function differences(): array
    {
        $differences = [];
        foreach ($this->touched() as $id => [$before, $after]) {
            if ($before?->toArray() !== $after?->toArray()) {
                $differences[] = new RuleDifference((string) $id, $before, $after);
            }
        }

        return $differences;
    }
}
