<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\AddressHolder;
use Heronstem\Core\Redirect\AddressLookup;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleSet;

/**
 * Finds rows of an import that would lead visitors round: among themselves, or through what the site has already. Most lead to a page or
 * elsewhere, where nothing can come back, and are not looked at; of the others the steps from row to row are followed first, and
 * only where they lead into rules of the site the whole way is.
 */
final class ImportCircles implements AddressLookup
{
    /** @var array<string, Rule> those that hold an address and may lead on, by its key */
    private array $byKey = [];

    /** @var array<string, string> key of the address that each of them leads to */
    private array $next = [];

    /** @var array<string, Rule> those that hold no address, by identity */
    private array $free = [];

    /** @var array<string, array<string, Rule>> rules whose way goes through each of them, by identity */
    private array $through = [];

    private ?Resolver $resolver = null;

    /** @param  list<Rule>  $withoutClaim  rules of the site that hold no address */
    public function __construct(
        private readonly AddressRules $rules,
        private readonly AddressLookup $answers,
        private readonly array $withoutClaim,
    ) {
    }

    /** Takes a row up. */
    public function add(Rule $rule): void
    {
        if (! $rule->claims()) {
            $this->free[$rule->id] = $rule->always();
        } elseif ($rule->target?->kind === TargetKind::Address) {
            $this->byKey[$rule->key] = $rule->always();
            $this->next[$rule->key] = Address::asked($rule->target->value, $this->rules)->key;
        }
    }

    /**
     * Rules that come back to themselves, each as it is without those before it.
     *
     * @param  array<string, Claim>  $claims  on the addresses that rows lead to, by key
     * @return list<Rule>
     */
    public function found(array $claims): array
    {
        $found = [];
        $looked = [...array_values($this->byKey), ...array_values($this->free)];
        while ($looked !== []) {
            $again = [];
            foreach ($looked as $rule) {
                if (isset($found[$rule->id]) || ! $this->comesBack($rule, $claims)) {
                    continue;
                }
                $found[$rule->id] = $rule;
                $this->leaveOut($rule);
                // What it covered answers now, and may lead those round that were well while they came through here.
                $again += $this->through[$rule->id] ?? [];
            }
            $looked = $again;
        }

        return array_values($found);
    }

    private function leaveOut(Rule $rule): void
    {
        if ($rule->claims()) {
            unset($this->byKey[$rule->key], $this->next[$rule->key]);
        } else {
            unset($this->free[$rule->id]);
            $this->resolver = null;
        }
    }

    /** @param  array<string, Claim>  $claims */
    private function comesBack(Rule $rule, array $claims): bool
    {
        if ($rule->claims() && $this->withoutClaim === [] && $this->free === []) {
            $at = $this->next[$rule->key];
            for ($steps = 0; $steps < Resolver::HOPS && isset($this->next[$at]) && $at !== $rule->key; $steps++) {
                $at = $this->next[$at];
            }
            $kind = ($claims[$at] ?? null)?->kind;
            if ($at === $rule->key || (! isset($this->next[$at]) && ($kind === null || $kind === ClaimKind::Gone))) {
                return $at === $rule->key;
            }
        }

        foreach ($this->resolver()->waysOf($rule) as $way) {
            if ($way->comesBackTo($rule)) {
                return true;
            }
            foreach ($way->rules() as $passed) {
                $this->through[$passed][$rule->id] = $rule;
            }
        }

        return false;
    }

    private function resolver(): Resolver
    {
        return $this->resolver ??= new Resolver(
            $this->rules,
            $this,
            RuleSet::compile([...$this->withoutClaim, ...array_values($this->free)], $this->rules, Moment::at(0)),
        );
    }

    public function at(string $key): ?AddressHolder
    {
        $rule = $this->byKey[$key] ?? null;

        return $rule === null ? $this->answers->at($key) : new AddressHolder($rule->source, ClaimKind::Rule, null, $rule, false);
    }

    public function page(string $id): ?AnsweringPage
    {
        return $this->answers->page($id);
    }

    public function firstInside(string $id): ?AnsweringPage
    {
        return null;
    }

    public function file(string $id): string
    {
        return "/_files/$id";
    }
}
