<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
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
 * Redirects as configuration of the nginx web server: maps for its http block, and a few lines for its server block. Addresses
 * are worked out to their final answer, so that one step leads there as it does here; branches and patterns become expressions in
 * the order in which they are tried, and pages that they would cover are left to whatever answers for pages.
 */
final class NginxRules
{
    /** Stands for the query of a request while an answer is worked out. */
    private const MARK = 'heronstem.mark=1';

    private const ESCAPES = ['\\' => '\\\\', '"' => '\\"'];

    /** @var list<string> what this form cannot carry, in sentences */
    private array $notes = [];

    /** @var array<string, string> answers by address, as nginx sees it */
    private array $exact = [];

    /** @var list<array{string, string}> expressions with their answers, of rules in front */
    private array $front = [];

    /** @var list<array{string, string}> expressions with their answers, of rules behind */
    private array $behind = [];

    /** @var array<string, true> addresses of pages that an expression would cover */
    private array $pages = [];

    /**
     * @param  list<Rule>  $rules  all of the site, active now
     * @param  iterable<string>  $former  further addresses that lead on or are gone
     * @param  iterable<string>  $live  addresses at which visitors get a page
     */
    public function __construct(private readonly array $rules, iterable $former, iterable $live, private readonly Resolver $resolver, private readonly RuleSet $set, private readonly AddressRules $addresses)
    {
        foreach ($rules as $rule) {
            $this->leaveOut($rule);
        }
        $sources = [];
        foreach ($this->written() as $rule) {
            if ($rule->reach === RuleReach::One) {
                $sources[] = $rule->source;
            }
        }
        $sources = [...$sources, ...array_values([...$former])];
        foreach ($sources as $source) {
            $this->exactly($source);
        }
        $this->throughBranches($sources);
        $this->expressions();
        $covers = $this->behind !== [];
        foreach ($covers ? $live : [] as $address) {
            if ($this->set->behind(Address::stored($address, $this->addresses), Query::of('')) !== null) {
                $this->pages[$address] = true;
            }
        }
    }

    /** @return list<string> */
    public function notes(): array
    {
        return array_values(array_unique($this->notes));
    }

    /** For the http block. */
    public function maps(): string
    {
        $out = "# Redirects, for the http block.\n";
        foreach ($this->notes() as $note) {
            $out .= "# Not carried: $note\n";
        }
        $out .= "map_hash_max_size 1048576;\nmap_hash_bucket_size 1024;\n";
        $out .= "geo \$heronstem_dollar { default \"\$\"; }\n";
        $out .= "map \$args \$heronstem_and { \"\" \"\"; default \"&\$args\"; }\n";
        $out .= "map \$uri \$heronstem_path { \"~^(?<heronstem_p>/.*?)/+\$\" \$heronstem_p; default \$uri; }\n";
        $out .= "map \$request_uri \$heronstem_raw { \"~^(?<heronstem_r>/[^?]*?)/*(?:\\?|\$)\" \$heronstem_r; default \"\"; }\n";
        $out .= self::map('$heronstem_path', '$heronstem_exact', array_map(fn (string $key, string $answer): array => [self::text(rawurldecode((string) $key)), $answer], array_keys($this->exact), $this->exact));
        $out .= self::map('$heronstem_path', '$heronstem_page', array_map(static fn (string $key): array => [self::text(rawurldecode($key)), '"1"'], array_map(strval(...), array_keys($this->pages))));
        $out .= self::map('$heronstem_raw', '$heronstem_front', $this->front);

        return $out.self::map('$heronstem_raw', '$heronstem_behind', $this->behind);
    }

    /** For the server block, before its locations: the same whatever the maps hold. */
    public static function server(): string
    {
        $out = "# Redirects, for the server block.\nabsolute_redirect off;\nset \$heronstem_answer \$heronstem_front;\n";
        $out .= "if (\$heronstem_answer = \"\") { set \$heronstem_answer \$heronstem_exact; }\nset \$heronstem_held \"\$heronstem_answer\$heronstem_page\";\nif (\$heronstem_held = \"\") { set \$heronstem_answer \$heronstem_behind; }\n";
        foreach ([301, 302, 307, 308] as $status) {
            $out .= "if (\$heronstem_answer ~ \"^$status (.*)\$\") { return $status \$1; }\n";
        }

        return $out."if (\$heronstem_answer = \"410\") { return 410; }\n";
    }

    /** Says what of a rule cannot be carried. */
    private function leaveOut(Rule $rule): void
    {
        if ($rule->answer === RuleAnswer::Pause) {
            $this->notes[] = "The pause page of {$rule->source}: nginx has no page to show, so the address is left to whatever answers for pages.";
        }
        if ($rule->query === QueryHandling::Match) {
            $this->notes[] = "The redirect of {$rule->source}?{$rule->matched} looks at the query; it is left out.";
        }
        if ($rule->from !== null || $rule->until !== null) {
            $this->notes[] = "The redirect of {$rule->source} is for a time; what is written here is what holds now.";
        }
    }

    /** @return list<Rule> */
    private function written(): array
    {
        return array_values(array_filter($this->rules, static fn (Rule $rule): bool => $rule->answer !== RuleAnswer::Pause && $rule->query !== QueryHandling::Match));
    }

    private function exactly(string $source): void
    {
        $answer = $this->answerAt($source);
        if ($answer !== null) {
            $this->exact[self::bare($source) ?: '/'] = $answer;
        }
    }

    /** As nginx writes it; null where it is left to whatever answers for pages. */
    private function answerAt(string $source): ?string
    {
        $way = $this->resolver->resolve("$source?".self::MARK);
        if ($way->status === 410 && $way->sendsWith() === null) {
            return '"410"';
        }

        return $way->sendsWith() === null ? null : self::answer("{$way->sendsWith()} {$way->location}");
    }

    /**
     * What a branch leads to may be an address that leads on: such requests are worked out one by one, so that they too take one step.
     *
     * @param  list<string>  $sources  addresses that lead on
     */
    private function throughBranches(array $sources): void
    {
        foreach ($this->written() as $branch) {
            if ($branch->reach !== RuleReach::Branch || ! $branch->carriesRest || $branch->target?->kind !== TargetKind::Address) {
                continue;
            }
            $base = self::bare(substr($branch->target->value, 0, strcspn($branch->target->value, '?#')));
            foreach ($sources as $source) {
                $under = self::bare($source);
                if (str_starts_with(strtolower($under), strtolower($base).'/') || strtolower($under) === strtolower($base)) {
                    $this->exactly(self::bare($branch->source).substr($under, strlen($base)));
                }
            }
        }
    }

    private function expressions(): void
    {
        $branches = $patterns = [];
        foreach ($this->written() as $rule) {
            if ($rule->reach === RuleReach::Branch) {
                $branches[] = $rule;
            } elseif ($rule->reach === RuleReach::Pattern) {
                $patterns[] = $rule;
            }
        }
        usort($branches, static fn (Rule $a, Rule $b): int => strlen(self::bare($b->key)) <=> strlen(self::bare($a->key)) ?: strcmp($a->id, $b->id));
        usort($patterns, Rule::inOrder(...));
        $flags = $this->addresses->caseSensitive ? '~' : '~*';
        foreach ([...$branches, ...$patterns] as $n => $rule) {
            $pattern = $rule->reach === RuleReach::Pattern ? PathPattern::stored($rule->source) : null;
            $names = $pattern === null ? ["hs{$n}_rest"] : array_map(static fn (int $i): string => "hs{$n}_$i", array_keys($pattern->names));
            $expression = $pattern === null ? '^'.preg_quote(self::bare($rule->source)).($rule->carriesRest ? "(?<{$names[0]}>/.*)?\$" : '(?:/.*)?$') : '^'.self::named($pattern->expression, $names).'$';
            $answer = $this->answerOf($rule, $names);
            if ($answer !== null) {
                $entry = ['"'.$flags.strtr($expression, self::ESCAPES).'"', $answer];
                $rule->inFront ? $this->front[] = $entry : $this->behind[] = $entry;
            }
        }
    }

    /**
     * The answer of an expression with captures in the places where the rule puts them.
     *
     * @param  list<string>  $names  of the captures, as nginx knows them
     */
    private function answerOf(Rule $rule, array $names): ?string
    {
        if ($rule->answer === RuleAnswer::Gone) {
            return '"410"';
        }
        if ($rule->target === null) {
            return null;
        }
        $status = $rule->answer->status();
        $isBranch = $rule->reach === RuleReach::Branch;
        $sample = $isBranch ? self::bare($rule->source) : PathPattern::stored($rule->source)->sample;
        if ($rule->target->kind === TargetKind::Page || $rule->target->kind === TargetKind::File) {
            $way = $this->resolver->resolve("$sample?".self::MARK);
            $target = $way->sendsWith() === null ? null : (string) $way->location;
            $status = $way->sendsWith() ?? $status;
        } else {
            $target = $rule->target->value;
            $mark = $rule->query === QueryHandling::Drop ? '' : (str_contains($target, '?') ? '&' : '?').self::MARK;
            $cut = strcspn($target, '#');
            $target = substr($target, 0, $cut).$mark.substr($target, $cut);
        }
        if ($target === null) {
            return null;
        }
        if ($isBranch && $rule->carriesRest) {
            $at = strcspn($target, '?#');
            $target = rtrim(substr($target, 0, $at), '/')."\0{$names[0]}\0".substr($target, $at);
        } elseif (! $isBranch) {
            $known = PathPattern::stored($rule->source)->names;
            $head = Destination::authority($target);
            $target = $head.preg_replace_callback(Destination::CAPTURE, static function (array $found) use ($known, $names): string {
                $i = array_search($found[1], $known, true);

                return $i === false ? $found[0] : "\0{$names[$i]}\0";
            }, substr($target, strlen($head)));
        }
        $way = $this->resolver->resolve($isBranch ? rtrim($sample, '/').'/x-y-z' : $sample);
        if (count(array_filter($way->hops, static fn ($hop): bool => $hop->rule !== null)) > 1) {
            $this->notes[] = "The redirect of {$rule->source} leads to another branch or pattern; nginx takes one more step there.";
        }

        return self::answer("$status $target");
    }

    /**
     * A map, with its entries in order.
     *
     * @param  list<array{string, string}>  $entries
     */
    private static function map(string $of, string $to, array $entries): string
    {
        return "map $of $to {\n    default \"\";\n".implode('', array_map(static fn (array $entry): string => "    {$entry[0]} {$entry[1]};\n", $entries))."}\n";
    }

    /**
     * Groups of an expression under names of their own: nginx keeps captures of maps by name.
     *
     * @param  list<string>  $names
     */
    private static function named(string $expression, array $names): string
    {
        $n = 0;
        $inClass = false;
        $out = '';
        for ($i = 0, $length = strlen($expression); $i < $length; $i++) {
            $char = $expression[$i];
            if ($char === '\\') {
                $out .= $char.($expression[++$i] ?? '');

                continue;
            }
            $inClass = $inClass ? $char !== ']' : $char === '[';
            $out .= $char === '(' && ! $inClass && ($expression[$i + 1] ?? '') !== '?' ? "(?<{$names[$n++]}>" : $char;
        }

        return $out;
    }

    /** An answer in quotes: the mark becomes the query of the request, and what stands between zero bytes a variable. */
    private static function answer(string $text): string
    {
        $text = str_replace(['?'.self::MARK, '&'.self::MARK], ['$is_args$args', '$heronstem_and'], self::text($text));

        return (string) preg_replace('/\x00(\w+)\x00/', '\${$1}', $text);
    }

    /** Text in quotes; a dollar sign of its own comes from a variable, since nginx has no way to write one. */
    private static function text(string $text): string
    {
        return '"'.strtr($text, self::ESCAPES + ['$' => '${heronstem_dollar}']).'"';
    }

    private static function bare(string $address): string
    {
        return rtrim($address, '/');
    }
}
