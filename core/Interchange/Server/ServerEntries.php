<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Redirect\Destination;
use Heronstem\Core\Redirect\PathPattern;
use Heronstem\Core\Redirect\Query;
use Heronstem\Core\Redirect\QueryHandling;
use Heronstem\Core\Redirect\Resolution;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;
use Heronstem\Core\Redirect\RuleScope;

/** Branches, patterns and rules that look at the query, as expressions with their answers. */
final class ServerEntries
{
    /** The rest of the path of a branch: what is caught first. */
    private const REST = "\0"."0\0";

    /** @var list<string> what a web server does otherwise, in sentences */
    private array $notes = [];

    public function __construct(private readonly Resolver $resolver, private readonly AddressRules $addresses)
    {
    }

    /** @return list<string> of all that were asked for */
    public function notes(): array
    {
        return $this->notes;
    }

    /** @return iterable<ServerEntry> of a branch or a pattern */
    public function of(Rule $rule): iterable
    {
        $answer = $this->answerOf($rule);
        if ($rule->scope === RuleScope::Pattern) {
            $pattern = PathPattern::stored($rule->source);
            yield new ServerEntry($rule->source, $pattern->expression, count($pattern->names), $answer, self::asked($rule));

            return;
        }
        $source = preg_quote($this->bare($rule->source));
        $takesRest = str_contains($answer->target, self::REST);
        if (! $takesRest) {
            yield new ServerEntry($rule->source, "$source(?:/.*)?", 0, $answer, self::asked($rule));

            return;
        }
        // Where nothing goes behind it, what the target leads on to is known, and what stands at its end stays there.
        yield new ServerEntry($rule->source, $source, 0, ServerAnswer::of($this->through($rule), self::asked($rule)), self::asked($rule));
        $ending = in_array($rule->target?->kind, [TargetKind::Address, TargetKind::Page], true) ? $this->addresses->ending() : '';
        if ($ending !== '') {
            yield new ServerEntry($rule->source, $source.'(/.*'.NormalForm::FILE_ENDING.')', 1, $answer, self::asked($rule));
        }
        $ended = str_replace(self::REST, self::REST.$ending, $answer->marked());
        yield new ServerEntry($rule->source, "$source(/.+)", 1, ServerAnswer::to($answer->status, $ended, self::asked($rule)), self::asked($rule));
    }

    /** The way of a request that the rule takes, whoever else may have that address. */
    private function through(Rule $rule): Resolution
    {
        return $this->resolver->through($rule, $rule->sample().($rule->matched === '' ? '?' : '&').ServerAnswer::MARK);
    }

    /** @return list<ServerEntry> of one address that looks at the query */
    public function ofQuery(Rule $rule): array
    {
        $answer = ServerAnswer::of($this->through($rule), self::asked($rule));

        return [new ServerEntry($rule->source, preg_quote($this->bare($rule->source)) ?: '/', 0, $answer, self::asked($rule))];
    }

    /**
     * The parameters that a rule looks at.
     *
     * @return list<SpeltParameter>
     */
    private static function asked(Rule $rule): array
    {
        return array_map(
            static fn (array $pair): SpeltParameter => SpeltParameter::pair($pair[0], (string) $pair[1]),
            Query::of($rule->matched)->pairs(),
        );
    }

    /** The answer of an expression, with what is caught in the places where the rule puts it. */
    private function answerOf(Rule $rule): ServerAnswer
    {
        if ($rule->answer === RuleAnswer::Gone) {
            return ServerAnswer::gone();
        }
        $isBranch = $rule->scope === RuleScope::Branch;
        $sample = $rule->sample();
        $way = $this->through($rule);
        if ($rule->target === null || $this->isFixed($rule) || ($way->sendsWith() === null && $rule->target->kind === TargetKind::Page)) {
            return ServerAnswer::of($way, self::asked($rule));
        }
        $status = $rule->answer->status();
        if ($rule->target->kind === TargetKind::Page && $isBranch && $rule->carriesRest) {
            // What answers at the page's own address says nothing of what is below it.
            $target = $way->hops[0]->to ?? (string) $way->location;
        } elseif ($rule->target->kind === TargetKind::Page || $rule->target->kind === TargetKind::File) {
            [$status, $target] = [$way->sendsWith() ?? $status, (string) $way->location];
        } else {
            $value = $rule->target->value;
            $query = Query::in($value)->text();
            $mark = $rule->query === QueryHandling::Drop ? '' : ($query === '' ? '?' : '&').ServerAnswer::MARK;
            $target = substr($value, 0, strcspn($value, '?#')).$query.$mark.strstr($value, '#');
        }
        if ($isBranch && $rule->carriesRest) {
            $at = strcspn($target, '?#');
            $path = substr($target, 0, $at);
            $target = ($rule->target->kind !== TargetKind::Url ? $this->bare($path) : rtrim($path, '/')).self::REST.substr($target, $at);
        } elseif (! $isBranch) {
            $known = PathPattern::stored($rule->source)->names;
            $head = Destination::authority($target);
            $target = (string) preg_replace('#^'.preg_quote($head, '#').'/{2,}#', "$head/", $target);
            $target =
                $head.
                preg_replace_callback(
                    Destination::CAPTURE,
                    static function (array $found) use ($known): string {
                        $i = array_search($found[1], $known, true);

                        return $i === false ? $found[0] : "\0$i\0";
                    },
                    substr($target, strlen($head)),
                );
            $this->sayCaughtInQuery($rule, $target);
        }
        $this->sayFurtherStep($rule, $isBranch ? $rule->sampleBelow() : $sample);

        return ServerAnswer::to($status, $target, self::asked($rule));
    }

    /** Whether it leads every request to the same. */
    private function isFixed(Rule $rule): bool
    {
        return $rule->answer === RuleAnswer::Pause ||
            ($rule->scope === RuleScope::Branch
                ? ! $rule->carriesRest
                : preg_match(
                    Destination::CAPTURE,
                    substr((string) $rule->target?->value, strlen(Destination::authority((string) $rule->target?->value))),
                ) !== 1);
    }

    /** @param  string  $target  with marks for what is caught */
    private function sayCaughtInQuery(Rule $rule, string $target): void
    {
        if (str_contains(substr($target, strcspn($target, '?#')), "\0")) {
            $this->notes[] =
                'The pattern '.
                KeptRules::named($rule->source).
                ' puts what it catches behind a question mark or a number sign: signs like & and = are encoded there, and not by a web server.';
        }
    }

    private function sayFurtherStep(Rule $rule, string $sample): void
    {
        $way = $this->resolver->resolve($sample);
        if (count(array_filter($way->hops, static fn ($hop): bool => $hop->rule !== null)) > 1) {
            $this->notes[] =
                'The redirect of '.KeptRules::named($rule->source).' leads to another branch or pattern; a web server takes one more step there.';
        }
    }

    private function bare(string $address): string
    {
        return NormalForm::bare($address, $this->addresses);
    }
}
