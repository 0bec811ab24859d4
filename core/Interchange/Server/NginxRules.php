<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

/** Redirects as configuration of the nginx web server: maps for its http block, and a few lines for its server block. */
final class NginxRules
{
    private const ESCAPES = ['\\' => '\\\\', '"' => '\\"'];

    /** @var array<string, string> variable that holds a query without some parameters, by which they are */
    private array $queries = [];

    private string $queryMaps = '';

    private int $groups = 0;

    public function __construct(private readonly ServerRules $rules)
    {
    }

    /** @return list<string> what it cannot carry, in sentences */
    public function notes(): array
    {
        $case = $this->rules->addresses->caseSensitive ? ['This site tells capitals from small letters; the tables of nginx do not.'] : [];

        return [...$this->rules->notes(), ...$case];
    }

    /**
     * For the http block.
     *
     * @param  iterable<string>  $kept  the rules themselves as lines of comment
     */
    public function maps(iterable $kept = []): string
    {
        $tables = self::map('$heronstem_asked', '$heronstem_first', $this->entries($this->rules->first)).self::map('$heronstem_path', '$heronstem_in_front', $this->table($this->rules->inFront))
            .self::map('$heronstem_asked', '$heronstem_front', $this->entries($this->rules->front)).self::map('$heronstem_path', '$heronstem_exact', $this->table($this->rules->exact))
            .self::map('$heronstem_asked', '$heronstem_behind', $this->entries($this->rules->behind));
        $out = KeptRules::head('Redirects, for the http block.', $this->notes(), $kept);
        $out .= "map_hash_max_size 1048576;\nmap_hash_bucket_size 1024;\n";
        $out .= "geo \$heronstem_dollar { default \"\$\"; }\n";
        $suffix = strtr($this->rules->suffixed(), self::ESCAPES);
        $out .= "map \$uri \$heronstem_path { \"~^(?<heronstem_p>/.*?){$suffix}/*\$\" \$heronstem_p; default \$uri; }\n";
        $out .= "map \$request_uri \$heronstem_raw { \"~^(?<heronstem_r>/[^?]*?){$suffix}/*(?:\\?|\$)\" \$heronstem_r; default \"\"; }\n";
        // Neither a path nor a query as it was sent has a space in it.
        $out .= "map \$request_uri \$heronstem_asked { default \"&\$args& \$heronstem_raw\"; }\n";

        return $out.$this->queryMaps.$tables;
    }

    /** For the server block, before its locations: the same whatever the maps hold. */
    public static function server(): string
    {
        $out = "# Redirects, for the server block.\nabsolute_redirect off;\nset \$heronstem_answer \$heronstem_first;\n";
        foreach (['in_front', 'front', 'exact', 'behind'] as $next) {
            $out .= "if (\$heronstem_answer = \"\") { set \$heronstem_answer \$heronstem_$next; }\n";
        }
        foreach ([301, 302, 307, 308] as $status) {
            $out .= "if (\$heronstem_answer ~ \"^$status (.*)\$\") { return $status \$1; }\n";
        }

        return $out."if (\$heronstem_answer = \"410\") { return 410; }\n";
    }

    /**
     * @param  array<string, ServerAnswer>  $answers
     * @return list<array{string, string}>
     */
    private function table(array $answers): array
    {
        return array_map(fn (string $key, ServerAnswer $answer): array => [self::text(rawurldecode($key)), $this->answer($answer, [])], array_map(strval(...), array_keys($answers)), $answers);
    }

    /**
     * @param  list<ServerEntry>  $entries
     * @return list<array{string, string}>
     */
    private function entries(array $entries): array
    {
        return array_map(function (ServerEntry $entry): array {
            // nginx keeps what maps catch by name.
            $names = array_map(fn (int $n): string => "hs{$this->groups}_$n", $entry->groups === 0 ? [] : range(0, $entry->groups - 1));
            $this->groups++;
            $asked = implode('', array_map(static fn (SpeltParameter $parameter): string => "(?=[^ ]*&(?-i:{$parameter->expression})&)", $entry->asked));
            $flags = $this->rules->addresses->caseSensitive ? '~' : '~*';

            return ['"'.$flags.strtr("^{$asked}[^ ]* (?:".self::named($entry->expression, $names).')$', self::ESCAPES).'"', $this->answer($entry->answer, $names)];
        }, $entries);
    }

    /** @param  list<string>  $names  of what was caught */
    private function answer(ServerAnswer $answer, array $names): string
    {
        if ($answer->target === '') {
            return $answer->status === 410 ? '"410"' : '"left"';
        }
        $query = $answer->carries ? "\0".$this->query($answer).($answer->hasQuery() ? '_and' : '_ask')."\0" : '';
        $target = (string) preg_replace_callback('/\x00(\d+)\x00/', static fn (array $found): string => "\0{$names[(int) $found[1]]}\0", $answer->target.$answer->fragment);
        $cut = strlen($target) - strlen($answer->fragment);

        return (string) preg_replace('/\x00(\w+)\x00/', '\${$1}', self::text("{$answer->status} ".substr($target, 0, $cut).$query.substr($target, $cut)));
    }

    /** The variable that holds the query of a request as an answer takes it along. */
    private function query(ServerAnswer $answer): string
    {
        $key = $answer->withoutKey();
        if (isset($this->queries[$key])) {
            return $this->queries[$key];
        }
        $name = 'heronstem_args'.count($this->queries);
        $from = '$args';
        foreach ($answer->without as $n => $parameter) {
            [$to, $of] = ["{$name}_$n", strtr($parameter->expression, self::ESCAPES)];
            $this->queryMaps .= "map $from \$$to {\n    \"~^$of\$\" \"\";\n    \"~^$of&(?<{$to}a>.*)\$\" \"\${{$to}a}\";\n    \"~^(?<{$to}b>.*?)&$of(?<{$to}c>(?:&.*)?)\$\" \"\${{$to}b}\${{$to}c}\";\n    default $from;\n}\n";
            $from = "\$$to";
        }
        $this->queryMaps .= "map $from \${$name}_ask { \"\" \"\"; default \"?$from\"; }\nmap $from \${$name}_and { \"\" \"\"; default \"&$from\"; }\n";

        return $this->queries[$key] = $name;
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
     * Groups of an expression under names of their own.
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

    /** Text in quotes; a dollar sign of its own comes from a variable, since nginx has no way to write one. */
    private static function text(string $text): string
    {
        return '"'.strtr($text, self::ESCAPES + ['$' => '${heronstem_dollar}']).'"';
    }
}
