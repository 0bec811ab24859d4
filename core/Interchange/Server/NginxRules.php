<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

/** Redirects as configuration of the nginx web server: maps for its http block, and a few lines for its server block. */
final class NginxRules
{
    private const ESCAPES = ['\\' => '\\\\', '"' => '\\"'];

    /** Longest word of its configuration, in bytes, with some room: nginx reads it in pieces of 4 KB. */
    private const MAX_LENGTH = 4000;

    /** @var array<string, list<array{string, string}>> entries of each map, as they are written */
    private array $maps;

    /** @var list<string> */
    private array $tooLong = [];

    /** @var array<string, string> variable that holds a query without some parameters, by which they are */
    private array $queries = [];

    private string $queryMaps = '';

    private int $groups = 0;

    public function __construct(private readonly ServerRules $rules)
    {
        $this->maps = [
            'first' => $this->entries($rules->first),
            'in_front' => $this->table($rules->inFront),
            'front' => $this->entries($rules->front),
            'exact' => $this->table($rules->exact),
            'behind' => $this->entries($rules->behind),
        ];
    }

    /** @return list<string> what it cannot carry, in sentences */
    public function notes(): array
    {
        $case = $this->rules->addresses->caseSensitive ? ['This site tells capitals from small letters; the tables of nginx do not.'] : [];

        return [...$this->rules->notes(), ...$case, ...$this->tooLong];
    }

    /**
     * For the http block.
     *
     * @param  iterable<string>  $kept  the rules themselves as lines of comment
     */
    public function maps(iterable $kept = []): string
    {
        $tables = '';
        foreach ($this->maps as $name => $entries) {
            $tables .= self::map(
                in_array($name, ['in_front', 'exact'], true) ? '$heronstem_path' : '$heronstem_asked',
                "\$heronstem_$name",
                $entries,
            );
        }
        $out = KeptRules::head('Redirects, for the http block.', $this->notes(), $kept);
        $out .= "map_hash_max_size 1048576;\nmap_hash_bucket_size 4096;\n";
        $out .= "geo \$hs_s { default \"\$\"; }\n";
        $suffix = strtr($this->rules->suffixed(), self::ESCAPES);
        $out .= "map \$uri \$heronstem_path { \"~(?s)^(?<heronstem_p>/.*?){$suffix}/*\\\\z\" \$heronstem_p; default \$uri; }\n";
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
        $entries = [];
        foreach ($answers as $key => $answer) {
            // What is looked up is plain text: in a key a dollar sign has no meaning.
            $entries[] = $this->fitting((string) $key, $answer, '"'.strtr(rawurldecode((string) $key), self::ESCAPES).'"', []);
        }

        return array_values(array_filter($entries));
    }

    /**
     * @param  list<ServerEntry>  $entries
     * @return list<array{string, string}>
     */
    private function entries(array $entries): array
    {
        return array_values(
            array_filter(
                array_map(function (ServerEntry $entry): ?array {
                    // nginx keeps what maps catch by name.
                    $names = array_map(fn (int $n): string => "hs{$this->groups}_$n", $entry->groups === 0 ? [] : range(0, $entry->groups - 1));
                    $this->groups++;
                    $asked = implode(
                        '',
                        array_map(static fn (SpeltParameter $parameter): string => "(?=[^ ]*&(?-i:{$parameter->expression})&)", $entry->asked),
                    );
                    $flags = $this->rules->addresses->caseSensitive ? '~' : '~*';

                    return $this->fitting(
                        $entry->source,
                        $entry->answer,
                        '"'.$flags.strtr("^{$asked}[^ ]* (?:".self::named($entry->expression, $names).')$', self::ESCAPES).'"',
                        $names,
                    );
                }, $entries),
            ),
        );
    }

    /**
     * An entry as it is written; none where a word of it would be longer than nginx reads.
     *
     * @param  list<string>  $names  of what was caught
     * @return array{string, string}|null
     */
    private function fitting(string $source, ServerAnswer $answer, string $key, array $names): ?array
    {
        $without = max([
            0,
            ...array_map(static fn (SpeltParameter $parameter): int => strlen(strtr($parameter->expression, self::ESCAPES)), $answer->without),
        ]);
        $entry = max(strlen($key), $without + 200) > self::MAX_LENGTH ? null : [$key, $this->answer($answer, $names)];
        if ($entry !== null && strlen($entry[1]) <= self::MAX_LENGTH) {
            return $entry;
        }
        $this->tooLong[] = 'The redirect of '.KeptRules::named($source).' is longer than nginx reads; it is left out.';

        return null;
    }

    /** @param  list<string>  $names  of what was caught */
    private function answer(ServerAnswer $answer, array $names): string
    {
        if ($answer->target === '') {
            return $answer->status === 410 ? '"410"' : '"left"';
        }
        $query = $answer->carries ? "\0".$this->query($answer).($answer->hasQuery() ? '_and' : '_ask')."\0" : '';
        $caught = static fn (string $text): string => (string) preg_replace_callback(
            '/\x00(\d+)\x00/',
            static fn (array $found): string => "\0{$names[(int) $found[1]]}\0",
            $text,
        );

        return (string) preg_replace(
            '/\x00(\w+)\x00/',
            '\\${$1}',
            self::text("{$answer->status} ".$caught($answer->target).$query.$caught($answer->fragment)),
        );
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
        return "map $of $to {\n    default \"\";\n".
            implode('', array_map(static fn (array $entry): string => "    {$entry[0]} {$entry[1]};\n", $entries)).
            "}\n";
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
        return '"'.strtr($text, self::ESCAPES + ['$' => '${hs_s}']).'"';
    }
}
