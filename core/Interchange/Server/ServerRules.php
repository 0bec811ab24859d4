<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Address\TrailingSlash;
use Heronstem\Core\Redirect\Destination;
use Heronstem\Core\Redirect\PathPattern;
use Heronstem\Core\Redirect\Query;
use Heronstem\Core\Redirect\QueryHandling;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;
use Heronstem\Core\Redirect\RuleReach;
use Heronstem\Core\Redirect\RuleSet;
use Heronstem\Core\Structure\TargetKind;

/**
 * Redirects as a web server can answer them, whichever it is: tables of addresses and lists of expressions, tried in the order in
 * which they are tried here. Addresses are worked out to their final answer, so that one step leads there as it does here; pages
 * that branches and patterns would cover are left to whatever answers for pages.
 */
final class ServerRules
{
    /** Longest query that a rule may look at, in bytes: nginx takes no expression of more than 4 KB. */
    private const LONGEST_QUERY = 200;

    /** The rest of the path of a branch: what is caught first. */
    private const REST = "\0"."0\0";

    /** An ending that only files have. */
    private const FILE_ENDING = '\.(?=[0-9]*[A-Za-z])[A-Za-z0-9]{1,8}';

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

    /** @var array<string, true> addresses of pages that an expression behind would cover */
    public array $pages = [];

    /** @var list<ServerEntry> branches and patterns behind */
    public array $behind = [];

    /**
     * @param  list<Rule>  $rules  all of the site, active now
     * @param  iterable<string>  $former  further addresses that lead on or are gone
     * @param  iterable<string>  $live  addresses at which visitors get a page
     */
    public function __construct(private readonly array $rules, iterable $former, iterable $live, private readonly Resolver $resolver, private readonly RuleSet $set, public readonly AddressRules $addresses)
    {
        foreach ($rules as $rule) {
            $this->say($rule);
        }
        $sources = [];
        foreach ($this->written(RuleReach::One) as $rule) {
            if ($rule->query === QueryHandling::Match) {
                array_push($this->first, ...$this->ofQuery($rule));
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
        $this->throughBranches($sources);
        $this->expressions();
        foreach ($this->behind === [] ? [] : $live as $address) {
            if ($this->set->behind(Address::stored($address, $this->addresses), Query::of('')) !== null) {
                $this->pages[$this->bare($address) ?: '/'] = true;
            }
        }
    }

    /** @return list<string> */
    public function notes(): array
    {
        return array_values(array_unique($this->notes));
    }

    /** An address without what the site puts at its end. */
    public function bare(string $address): string
    {
        return NormalForm::bare($address, $this->addresses);
    }

    /** What the site puts at the end of every address: a slash, a suffix or nothing. */
    public function ending(): string
    {
        return $this->addresses->suffix !== '' ? $this->addresses->suffix : ($this->addresses->trailingSlash === TrailingSlash::Always ? '/' : '');
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
            $this->notes[] = "The pause page of {$rule->source}: a web server has no page to show, so the address is left to whatever answers for pages.";
        }
        if (strlen($rule->matched) > self::LONGEST_QUERY) {
            $this->notes[] = "The redirect of {$rule->source} looks at a query of more than ".self::LONGEST_QUERY.' bytes; it is left out.';
        }
        if ($rule->from !== null || $rule->until !== null) {
            $this->notes[] = "The redirect of {$rule->source} is for a time; what is written here is what holds now.";
        }
    }

    /**
     * Those of a reach, in the order in which they are tried.
     *
     * @return list<Rule>
     */
    private function written(RuleReach $reach): array
    {
        $rules = array_values(array_filter($this->rules, static fn (Rule $rule): bool => $rule->answer !== RuleAnswer::Pause && $rule->reach === $reach && strlen($rule->matched) <= self::LONGEST_QUERY));
        usort($rules, match ($reach) {
            RuleReach::Pattern => Rule::inOrder(...),
            default => fn (Rule $a, Rule $b): int => strlen($this->bare($b->key)) <=> strlen($this->bare($a->key)) ?: strcmp($a->key, $b->key) ?: Query::of($b->matched)->count() <=> Query::of($a->matched)->count() ?: $b->inFront <=> $a->inFront ?: strcmp($a->id, $b->id),
        });

        return $rules;
    }

    /** @param  array<string, ServerAnswer>  $table */
    private function exactly(string $source, array &$table): void
    {
        $answer = $this->answered("$source?".ServerAnswer::MARK);
        if ($answer !== null) {
            $table[$this->bare($source) ?: '/'] = $answer;
        }
    }

    /**
     * @param  list<SpeltParameter>  $asked
     * @return ServerAnswer|null null where it is left to whatever answers for pages
     */
    private function answered(string $request, array $asked = []): ?ServerAnswer
    {
        $way = $this->resolver->resolve($request);

        return match (true) {
            $way->sendsWith() !== null => ServerAnswer::to($way->sendsWith(), (string) $way->location, $asked),
            $way->status === 410 => ServerAnswer::gone(),
            default => null,
        };
    }

    /**
     * What a branch leads to may be an address that leads on: such requests are worked out one by one, so that they too take one step.
     *
     * @param  list<string>  $sources  addresses that lead on
     */
    private function throughBranches(array $sources): void
    {
        foreach ($this->written(RuleReach::Branch) as $branch) {
            if (! $branch->carriesRest || $branch->target?->kind !== TargetKind::Address || $branch->query === QueryHandling::Match) {
                continue;
            }
            $base = $this->bare(substr($branch->target->value, 0, strcspn($branch->target->value, '?#')));
            foreach ($sources as $source) {
                $under = $this->bare($source);
                if (str_starts_with(strtolower($under), strtolower($base).'/') || strtolower($under) === strtolower($base)) {
                    $this->exactly($this->bare($branch->source).substr($under, strlen($base)), $this->exact);
                }
            }
        }
    }

    private function expressions(): void
    {
        foreach ([...$this->written(RuleReach::Branch), ...$this->written(RuleReach::Pattern)] as $rule) {
            foreach ($this->entriesOf($rule) as $entry) {
                if ($rule->inFront || $rule->query === QueryHandling::Match) {
                    $this->front[] = $entry;
                } else {
                    $this->behind[] = $entry;
                }
            }
        }
    }

    /** @return iterable<ServerEntry> */
    private function entriesOf(Rule $rule): iterable
    {
        $answer = $this->answerOf($rule);
        if ($answer === null) {
            return;
        }
        if ($rule->reach === RuleReach::Pattern) {
            $pattern = PathPattern::stored($rule->source);
            yield new ServerEntry($rule->source, $pattern->expression, count($pattern->names), $answer, self::asked($rule));

            return;
        }
        $source = preg_quote($this->bare($rule->source));
        $takesRest = $rule->carriesRest && $answer->status !== 410;
        $path = $takesRest ? substr((string) $rule->target?->value, 0, strcspn((string) $rule->target?->value, '?#')) : '';
        $ending = $rule->target?->kind === TargetKind::Address ? $this->ending() : '';
        if (! str_ends_with($path, '/') && $ending === '') {
            yield new ServerEntry($rule->source, $source.($takesRest ? '(/.*)?' : '(?:/.*)?'), (int) $takesRest, $answer, self::asked($rule));

            return;
        }
        // What stands at the end of the target stays there where nothing goes behind it.
        $to = static fn (string $rest): ServerAnswer => ServerAnswer::to($answer->status, str_replace(self::REST, $rest, $answer->marked()), self::asked($rule));
        yield new ServerEntry($rule->source, $source, 0, $to(str_ends_with($path, '/') ? '/' : $ending), self::asked($rule));
        if ($ending !== '') {
            yield new ServerEntry($rule->source, $source.'(/.*'.self::FILE_ENDING.')', 1, $answer, self::asked($rule));
        }
        yield new ServerEntry($rule->source, "$source(/.+)", 1, $to(self::REST.$ending), self::asked($rule));
    }

    /** @return list<ServerEntry> */
    private function ofQuery(Rule $rule): array
    {
        $answer = $this->answered("{$rule->sample()}&".ServerAnswer::MARK, self::asked($rule));

        return $answer === null ? [] : [new ServerEntry($rule->source, preg_quote($this->bare($rule->source)) ?: '/', 0, $answer, self::asked($rule))];
    }

    /**
     * The parameters that a rule looks at.
     *
     * @return list<SpeltParameter>
     */
    private static function asked(Rule $rule): array
    {
        return array_map(static fn (array $pair): SpeltParameter => SpeltParameter::pair($pair[0], (string) $pair[1]), Query::of($rule->matched)->pairs());
    }

    /** The answer of an expression, with what is caught in the places where the rule puts it. */
    private function answerOf(Rule $rule): ?ServerAnswer
    {
        if ($rule->answer === RuleAnswer::Gone) {
            return ServerAnswer::gone();
        }
        if ($rule->target === null) {
            return null;
        }
        $status = $rule->answer->status();
        $isBranch = $rule->reach === RuleReach::Branch;
        $sample = $rule->sample();
        if ($rule->target->kind === TargetKind::Page || $rule->target->kind === TargetKind::File) {
            $way = $this->resolver->resolve($sample.($rule->matched === '' ? '?' : '&').ServerAnswer::MARK);
            if ($way->sendsWith() === null) {
                return null;
            }
            [$status, $target] = [$way->sendsWith(), (string) $way->location];
        } else {
            $target = $rule->target->value;
            $mark = $rule->query === QueryHandling::Drop ? '' : (str_contains($target, '?') ? '&' : '?').ServerAnswer::MARK;
            $cut = strcspn($target, '#');
            $target = substr($target, 0, $cut).$mark.substr($target, $cut);
        }
        if ($isBranch && $rule->carriesRest) {
            $at = strcspn($target, '?#');
            $path = substr($target, 0, $at);
            $target = ($rule->target->kind === TargetKind::Address ? $this->bare($path) : rtrim($path, '/')).self::REST.substr($target, $at);
        } elseif (! $isBranch) {
            $known = PathPattern::stored($rule->source)->names;
            $head = Destination::authority($target);
            $target = $head.preg_replace_callback(Destination::CAPTURE, static function (array $found) use ($known): string {
                $i = array_search($found[1], $known, true);

                return $i === false ? $found[0] : "\0$i\0";
            }, substr($target, strlen($head)));
        }
        $this->sayFurtherStep($rule, $isBranch ? $rule->sampleBelow() : $sample);

        return ServerAnswer::to($status, $target, self::asked($rule));
    }

    private function sayFurtherStep(Rule $rule, string $sample): void
    {
        $way = $this->resolver->resolve($sample);
        if (count(array_filter($way->hops, static fn ($hop): bool => $hop->rule !== null)) > 1) {
            $this->notes[] = "The redirect of {$rule->source} leads to another branch or pattern; a web server takes one more step there.";
        }
    }
}
