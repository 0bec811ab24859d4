<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Redirect\Query;
use Heronstem\Core\Redirect\QueryHandling;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;
use Heronstem\Core\Redirect\RuleScope;
use Heronstem\Core\Redirect\RuleSet;

/**
 * Redirects as a web server can answer them, whichever it is: tables of addresses and lists of expressions, tried in the order in
 * which they are tried here. Addresses are worked out to their final answer, so that one step leads there as it does here; pages
 * that branches and patterns would cover are left to whatever answers for pages.
 */
final class ServerRules
{
    /** Longest query that a rule may look at, in bytes: nginx takes no expression of more than 4 KB. */
    private const MAX_QUERY_LENGTH = 200;

    /** @var list<string> what a web server cannot carry, in sentences */
    private array $notes = [];

    /** @var list<ServerEntry> of one address with a query, before all others */
    public array $first = [];

    /** @var array<string, ServerAnswer> of addresses with a rule in front */
    public array $inFront = [];

    /** @var list<ServerEntry> branches and patterns in front */
    public array $front = [];

    /** @var array<string, ServerAnswer> by address without a slash at its end */
    public array $exact = [];

    /** @var list<ServerEntry> branches and patterns behind */
    public array $behind = [];

    /**
     * @param  list<Rule>  $rules  all of the site, active now
     * @param  iterable<string>  $former  further addresses that lead on or are gone
     * @param  iterable<string>  $live  addresses at which visitors get a page
     */
    public function __construct(
        private readonly array $rules,
        iterable $former,
        iterable $live,
        private readonly Resolver $resolver,
        private readonly RuleSet $set,
        public readonly AddressRules $addresses,
    ) {
        $entries = new ServerEntries($resolver, $addresses);
        foreach ($rules as $rule) {
            $this->say($rule);
        }
        $sources = [];
        foreach ($this->written(RuleScope::One) as $rule) {
            if ($rule->query === QueryHandling::Match) {
                array_push($this->first, ...$entries->ofQuery($rule));
            } else {
                $sources[] = $rule->source;
                if ($rule->inFront) {
                    $this->exactly($rule->source, $this->inFront);
                }
            }
        }
        $sources = [...$sources, ...array_values([...$former])];
        foreach ($sources as $source) {
            $this->exactly($source, $this->exact);
        }
        $live = array_values([...$live]);
        $this->throughBranches([...$sources, ...$live]);
        $this->expressions($entries);
        $this->notes = [...$this->notes, ...$entries->notes()];
        foreach ($this->behind === [] ? [] : $live as $address) {
            $this->keep($address);
        }
    }

    /** Keeps the address of a page from the expressions that would cover it. */
    private function keep(string $address): void
    {
        if (
            $this->set->behind(Address::stored($address, $this->addresses), Query::of('')) !== null &&
            $this->resolver->resolve($address)->rules() === []
        ) {
            $this->exact[$this->bare($address) ?: '/'] = ServerAnswer::left();
        }
    }

    /** @return list<string> */
    public function notes(): array
    {
        $general =
            $this->front === [] && $this->behind === []
                ? []
                : [
                    'Branches and patterns take an address here however it is spelt; a web server only without //, /./ and /../, and with nothing encoded that need not be.',
                    'An address of a page in another spelling is sent to the right one here; a web server leaves it to whatever answers for pages.',
                ];

        return [...array_values(array_unique($this->notes)), ...$general];
    }

    /** An address without what the site puts at its end. */
    private function bare(string $address): string
    {
        return NormalForm::bare($address, $this->addresses);
    }

    /** The suffix of the site as an expression of what may stand at the end of an address. */
    public function suffixed(): string
    {
        $suffix = preg_quote($this->addresses->suffix);

        return $suffix === '' ? '' : ($this->addresses->caseSensitive ? "(?:$suffix)?" : "(?i:$suffix)?");
    }

    /** Says what of a rule cannot be carried. */
    private function say(Rule $rule): void
    {
        if ($rule->answer === RuleAnswer::Pause) {
            $this->notes[] =
                'The pause page of '.
                KeptRules::named($rule->source).
                ': a web server has no page to show, so the address is left to whatever answers for pages.';
        }
        if (strlen($rule->matched) > self::MAX_QUERY_LENGTH) {
            $this->notes[] =
                'The redirect of '.
                KeptRules::named($rule->source).
                ' looks at a query of more than '.
                self::MAX_QUERY_LENGTH.
                ' bytes; it is left out.';
        }
        if ($rule->from !== null || $rule->until !== null) {
            $this->notes[] = 'The redirect of '.KeptRules::named($rule->source).' is for a time; what is written here is what holds now.';
        }
    }

    /**
     * Those of a scope, in the order in which they are tried.
     *
     * @return list<Rule>
     */
    private function written(RuleScope $scope): array
    {
        $rules = array_values(
            array_filter($this->rules, static fn (Rule $rule): bool => $rule->scope === $scope && strlen($rule->matched) <= self::MAX_QUERY_LENGTH),
        );
        usort(
            $rules,
            match ($scope) {
                RuleScope::Pattern => Rule::inOrder(...),
                default => fn (Rule $a, Rule $b): int => strlen($this->bare($b->key)) <=> strlen($this->bare($a->key)) ?:
                strcmp($a->key, $b->key) ?:
                Query::of($b->matched)->count() <=> Query::of($a->matched)->count() ?:
                $b->inFront <=> $a->inFront ?:
                strcmp($a->id, $b->id),
            },
        );

        return $rules;
    }

    /** @param  array<string, ServerAnswer>  $table */
    private function exactly(string $source, array &$table): void
    {
        $table[$this->bare($source) ?: '/'] = ServerAnswer::of($this->resolver->resolve("$source?".ServerAnswer::MARK));
    }

    /**
     * What a branch leads to may be an address that leads on: such requests are worked out one by one, so that they too take one step.
     *
     * @param  list<string>  $sources  addresses that lead on, or that pages have in a spelling of their own
     */
    private function throughBranches(array $sources): void
    {
        foreach ($this->written(RuleScope::Branch) as $branch) {
            $base = $branch->carriesRest && $branch->query !== QueryHandling::Match ? $this->baseOf($branch) : null;
            if ($base === null) {
                continue;
            }
            foreach ($sources as $source) {
                $under = $this->bare($source);
                if (str_starts_with(strtolower($under), strtolower($base).'/') || strtolower($under) === strtolower($base)) {
                    $through = $this->bare($branch->source).substr($under, strlen($base));
                    if ($branch->inFront) {
                        $this->exactly($through, $this->inFront);
                    } else {
                        $this->exactly($through, $this->exact);
                    }
                }
            }
        }
    }

    /** The address of the site that a branch puts the rest of a path behind; null where it leads elsewhere or nowhere. */
    private function baseOf(Rule $branch): ?string
    {
        $target = match ($branch->target?->kind) {
            TargetKind::Address => $branch->target->value,
            TargetKind::Page => $this->resolver->through($branch, $branch->sample())->hops[0]->to ?? null,
            default => null,
        };

        return $target === null ? null : $this->bare(substr($target, 0, strcspn($target, '?#')));
    }

    private function expressions(ServerEntries $entries): void
    {
        foreach ([...$this->written(RuleScope::Branch), ...$this->written(RuleScope::Pattern)] as $rule) {
            foreach ($entries->of($rule) as $entry) {
                if ($rule->inFront || $rule->query === QueryHandling::Match) {
                    $this->front[] = $entry;
                } else {
                    $this->behind[] = $entry;
                }
            }
        }
    }
}
