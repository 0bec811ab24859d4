<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

/**
 * Redirects as configuration of the Apache web server: a table for RewriteMap, and rules of mod_rewrite for a virtual host. Apache
 * writes the scheme and host of the request in front of an address of its own; visitors are sent to the same place.
 */
final class ApacheRules
{
    /** Where the rules look for the table, below Apache's own folder. */
    public const MAP = 'conf/heronstem-redirects.map';

    /** Longest line of a table, in bytes: mod_rewrite reads no more of one (REWRITE_MAX_TXT_MAP_LINE). */
    private const MAX_LINE_LENGTH = 1000;

    /** Groups that a condition can hand on. */
    private const MAX_GROUPS = 9;

    /** What Apache's own escaping leaves as it is, besides letters and digits. */
    private const PLAIN = "\$-_.+!*'(),:;@&=/~";

    /** @var array<string, int> number of a query without some parameters, by which they are */
    private array $queries = [];

    private string $queryRules = '';

    public function __construct(private readonly ServerRules $rules)
    {
        // Table and rules may be written apart: both number the queries alike.
        foreach (
            [
                ...$rules->inFront,
                ...$rules->exact,
                ...array_map(static fn (ServerEntry $entry): ServerAnswer => $entry->answer, [...$rules->first, ...$rules->front, ...$rules->behind]),
            ] as $answer
        ) {
            $this->kind($answer);
        }
    }

    /** @return list<string> */
    public function notes(): array
    {
        $leftOut = [];
        foreach ([...$this->rules->inFront, ...$this->rules->exact] as $address => $answer) {
            $leftOut[] = $this->leavesOut((string) $address, $answer);
        }
        foreach ([...$this->rules->first, ...$this->rules->front, ...$this->rules->behind] as $entry) {
            $leftOut[] = self::cannotSay($entry->source, $entry->answer);
        }
        $tooMany = array_filter(
            [...$this->rules->front, ...$this->rules->behind],
            static fn (ServerEntry $entry): bool => $entry->groups > self::MAX_GROUPS,
        );

        $encoded = ['Apache answers 404 for every address with an encoded slash (%2F) in it, unless AllowEncodedSlashes says otherwise.'];

        return [
            ...$this->rules->notes(),
            ...$encoded,
            ...array_values(array_filter($leftOut)),
            ...array_values(
                array_map(
                    static fn (ServerEntry $entry): string => 'The pattern '.
                        KeptRules::named($entry->source).
                        ' catches more than nine parts, which Apache cannot hand on; it is left out.',
                    $tooMany,
                ),
            ),
        ];
    }

    /**
     * The table of addresses, as text for RewriteMap.
     *
     * @param  iterable<string>  $kept  the rules themselves as lines of comment
     */
    public function map(iterable $kept = []): string
    {
        $out = KeptRules::head('Redirects: the table that the rules look addresses up in.', [], $kept);
        foreach (['!' => $this->rules->inFront, '' => $this->rules->exact] as $sign => $answers) {
            foreach ($answers as $address => $answer) {
                $out .= $this->leavesOut((string) $address, $answer) === null ? $this->line((string) $sign, (string) $address, $answer) : '';
            }
        }

        return $out;
    }

    /**
     * For a virtual host.
     *
     * @param  string  $map  where the table is, as Apache finds it
     * @param  iterable<string>  $kept  the rules themselves as lines of comment
     */
    public function rules(string $map = self::MAP, iterable $kept = []): string
    {
        $first = $this->entries($this->rules->first);
        $front = $this->entries($this->rules->front);
        $behind = $this->entries($this->rules->behind);
        $tables = [$this->lookedUp('HERONSTEM_FRONT', $this->rules->inFront), $this->lookedUp('HERONSTEM_EXACT', $this->rules->exact)];
        $title =
            "Redirects, for a virtual host. Needs mod_rewrite. Put the table where RewriteMap says, or change that line;\n# of many thousand addresses httxt2dbm makes a table that is faster: write dbm: for txt: then.";
        $out = KeptRules::head($title, $this->notes(), $kept);
        $key = $this->rules->addresses->caseSensitive ? '${hs_escape:$1}' : '${hs_lower:${hs_escape:$1}}';
        $out .=
            "RewriteEngine On\nRewriteMap heronstem ".
            self::quoted("txt:$map").
            "\nRewriteMap hs_escape int:escape\nRewriteMap hs_lower int:tolower\n";
        $out .=
            'RewriteCond %{THE_REQUEST} '.
            self::quoted('^\S+ (?:https?://[^/ ]*)?(/[^? ]*?)'.$this->rules->suffixed().'/*(?:\?\S*)?(?: |$)').
            "\nRewriteRule ^ - [E=HERONSTEM_RAW:%1]\n";
        $out .=
            'RewriteRule '.
            self::quoted('^(/.*?)'.$this->rules->suffixed().'/*$').
            " - [E=HERONSTEM_FRONT:\${heronstem:!$key|-},E=HERONSTEM_EXACT:\${heronstem:$key|-}]\n";

        return $out.$this->queryRules.implode('', $first).$tables[0].implode('', $front).$tables[1].implode('', $behind);
    }

    /**
     * Rules for what a table answers: one for each status and way with the query that occurs.
     *
     * @param  array<string, ServerAnswer>  $answers
     */
    private function lookedUp(string $variable, array $answers): string
    {
        $rules = [];
        foreach ($answers as $answer) {
            $kind = $this->kind($answer);
            $rules[$kind] ??=
                $answer->target === ''
                    ? "RewriteCond %{ENV:$variable} =".self::word($answer)."\nRewriteRule ^ - ".self::flag($answer)."\n"
                    : implode(
                        '',
                        $this->sentOn(
                            $answer,
                            "RewriteCond %{ENV:$variable} ".
                                self::quoted("^$kind,([^?#]*)".($answer->hasQuery() ? '\?([^#]*)' : '()').'(#.*)?$').
                                "\n",
                            '%1',
                            '%2',
                            '%3',
                        ),
                    );
        }
        ksort($rules);

        return implode('', $rules);
    }

    /**
     * @param  list<ServerEntry>  $entries
     * @return list<string>
     */
    private function entries(array $entries): array
    {
        $out = [];
        foreach ($entries as $entry) {
            if ($entry->groups > self::MAX_GROUPS || self::cannotSay($entry->source, $entry->answer) !== null) {
                continue;
            }
            $if = implode(
                '',
                array_map(
                    static fn (SpeltParameter $parameter): string => 'RewriteCond %{QUERY_STRING} '.
                        self::quoted("(?:^|&){$parameter->expression}(?:&|\$)").
                        "\n",
                    $entry->asked,
                ),
            );
            $if .=
                'RewriteCond %{ENV:HERONSTEM_RAW} '.
                self::quoted("^(?:{$entry->expression})\$").
                ($this->rules->addresses->caseSensitive ? '' : ' [NC]').
                "\n";
            $answer = $entry->answer;
            [$path, $query] = [...explode('?', $answer->target, 2), ''];
            array_push(
                $out,
                ...$answer->target === ''
                    ? ["{$if}RewriteRule ^ - ".self::flag($answer)."\n"]
                    : $this->sentOn($answer, $if, self::substituted($path), self::substituted($query), self::substituted($answer->fragment)),
            );
        }

        return $out;
    }

    /**
     * The question mark stands in the rule itself: Apache refuses one that comes from what was caught or looked up.
     *
     * @param  string  $if  conditions; the last catches what the parts have
     * @return list<string> rules, the first that fits
     */
    private function sentOn(ServerAnswer $answer, string $if, string $path, string $query, string $fragment): array
    {
        $rule = static fn (string $to): string => 'RewriteRule ^ '.self::quoted($to)." [R={$answer->status},NE,QSD,L]\n";
        $n = $answer->carries ? $this->number($answer) : 0;

        return match (true) {
            $answer->hasQuery() => [$if.$rule("$path?$query".($answer->carries ? "%{ENV:HERONSTEM_AND$n}" : '').$fragment)],
            $answer->carries => [
                "RewriteCond %{ENV:HERONSTEM_ARGS$n} .\n$if".$rule("$path?%{ENV:HERONSTEM_ARGS$n}$fragment"),
                $if.$rule($path.$fragment),
            ],
            default => [$if.$rule($path.$fragment)],
        };
    }

    /** Why an address is not in the table, in a sentence; null where it is. */
    private function leavesOut(string $address, ServerAnswer $answer): ?string
    {
        $isLong = strlen($this->line('!', $address, $answer)) > self::MAX_LINE_LENGTH;

        return $isLong
            ? 'The redirect of '.KeptRules::named($address).' is longer than a table of Apache may have it; it is left out.'
            : self::cannotSay($address, $answer);
    }

    /** Apache takes a question mark anywhere in a target for the beginning of its query, and an ampersand at its end away. */
    private static function cannotSay(string $source, ServerAnswer $answer): ?string
    {
        return str_contains($answer->fragment, '?') || str_ends_with($answer->fragment, '&')
            ? 'The redirect of '.KeptRules::named($source).' leads to a fragment that Apache writes otherwise; it is left out.'
            : null;
    }

    private function line(string $sign, string $address, ServerAnswer $answer): string
    {
        return $sign.$this->key($address).' '.$this->value($answer)."\n";
    }

    /** How the table writes an answer. */
    private function value(ServerAnswer $answer): string
    {
        return $answer->target === '' ? self::word($answer) : $this->kind($answer).','.$answer->target.$answer->fragment;
    }

    /** One that sends nowhere. */
    private static function word(ServerAnswer $answer): string
    {
        return $answer->status === 410 ? '410' : 'left';
    }

    private static function flag(ServerAnswer $answer): string
    {
        return $answer->status === 410 ? '[G]' : '[L]';
    }

    private function kind(ServerAnswer $answer): string
    {
        return $answer->status.','.($answer->carries ? $this->number($answer) : '').($answer->hasQuery() ? 'and' : 'ask');
    }

    private function number(ServerAnswer $answer): int
    {
        $key = $answer->withoutKey();
        if (isset($this->queries[$key])) {
            return $this->queries[$key];
        }
        $n = $this->queries[$key] = count($this->queries);
        $args = "HERONSTEM_ARGS$n";
        $this->queryRules .= "RewriteRule ^ - [E=$args:%{QUERY_STRING}]\n";
        foreach ($answer->without as $parameter) {
            $of = $parameter->expression;
            // One of them is taken out: whichever of the three finds it skips the others.
            $this->queryRules .=
                "RewriteCond %{ENV:$args} ".
                self::quoted("^$of\$").
                "\nRewriteRule ^ - [E=$args:,S=2]\n".
                "RewriteCond %{ENV:$args} ".
                self::quoted("^$of&(.*)\$").
                "\nRewriteRule ^ - [E=$args:%1,S=1]\n".
                "RewriteCond %{ENV:$args} ".
                self::quoted("^(.*?)&$of((?:&.*)?)\$").
                "\nRewriteRule ^ - [E=$args:%1%2]\n";
        }
        $this->queryRules .= "RewriteCond %{ENV:$args} .\nRewriteRule ^ - [E=HERONSTEM_AND$n:&%{ENV:$args}]\n";

        return $n;
    }

    /** An address as Apache looks it up: escaped as Apache escapes it. */
    private function key(string $address): string
    {
        $escaped = (string) preg_replace_callback(
            '/[^A-Za-z0-9'.preg_quote(self::PLAIN, '/').']/',
            static fn (array $found): string => sprintf('%%%02x', ord($found[0])),
            rawurldecode($address),
        );

        return $this->rules->addresses->caseSensitive ? $escaped : strtolower($escaped);
    }

    /** A target as a substitution: what is caught by its number, and no other sign with a meaning. */
    private static function substituted(string $target): string
    {
        return (string) preg_replace_callback(
            '/\x00(\d+)\x00|[\\\\$%]/',
            static fn (array $found): string => isset($found[1]) ? '%'.((int) $found[1] + 1) : '\\'.$found[0],
            $target,
        );
    }

    /** An argument in quotes, as mod_rewrite reads it: a backslash stays where it is, and no quote can stand within. Addresses have none; expressions name it by its number. */
    private static function quoted(string $text): string
    {
        return '"'.str_replace('"', '\x22', $text).'"';
    }
}
