<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

use Heronstem\Core\InputRefused;

/**
 * Redirects in configuration of the Apache web server: `Redirect`, `RedirectMatch` and their kin of mod_alias, and `RewriteRule` of
 * mod_rewrite with a status. What is no redirect is passed over; a redirect that no rule can say is told with the reason.
 */
final class ApacheFile
{
    private const STATUS = ['permanent' => '301', 'temp' => '302', 'seeother' => '303', 'gone' => '410'];

    /** @var list<string> conditions before the next rule, as they stand */
    private array $conditions = [];

    private function __construct()
    {
    }

    /** @return iterable<int, array<string, string>> fields by the number of their line; `refused` where it is no rule */
    public static function rows(string $text): iterable
    {
        $self = new self();
        // A backslash at the end of a line joins it with the next; where it was stays a line, so that the numbers are right.
        $joined = (string) preg_replace_callback(
            '/(?:[^\n]*\\\\\r?\n)+[^\n]*/',
            static fn (array $found): string => preg_replace('/\\\\\r?\n/', ' ', $found[0]).str_repeat("\n", substr_count($found[0], "\n")),
            $text,
        );
        foreach (explode("\n", $joined) as $n => $line) {
            $words = self::words($line);
            try {
                $fields = $words === [] ? null : $self->directive($words);
            } catch (InputRefused $refused) {
                $fields = ['source' => trim($line), 'refused' => $refused->reason];
            }
            if ($fields !== null) {
                yield $n + 1 => $fields;
            }
        }
    }

    /**
     * @param  non-empty-list<string>  $words
     * @return array<string, string>|null null for what is no redirect
     */
    private function directive(array $words): ?array
    {
        $name = strtolower($words[0]);
        $given = array_slice($words, 1);
        if ($name === 'rewritecond') {
            $this->conditions[] = implode(' ', $given);

            return null;
        }
        if ($name === 'rewriterule') {
            $conditions = $this->conditions;
            $this->conditions = [];

            return $this->rewritten($given, $conditions);
        }
        $status = match ($name) {
            'redirectpermanent' => '301',
            'redirecttemp' => '302',
            default => null,
        };
        if ($status === null && ($name === 'redirect' || $name === 'redirectmatch')) {
            $first = strtolower($given[0] ?? '');
            $status = self::STATUS[$first] ?? (preg_match('/^[1-5]\d\d$/', $first) === 1 ? $first : null);
            $given = $status === null ? $given : array_slice($given, 1);
            $status ??= '302';
        }
        if ($status === null) {
            return null;
        }
        $source = $given[0] ?? '';
        // Redirect takes in everything below the address; the rest of the path goes along.
        $expression = PathExpression::read($name === 'redirectmatch' ? $source : '^'.preg_quote(rtrim($source, '/')).'(/.*)?$');
        $target = $given[1] ?? '';

        return $this->row($expression, $name === 'redirectmatch' ? $target : rtrim($target, '/').'$1', $status, 'carry');
    }

    /**
     * @param  list<string>  $given
     * @param  list<string>  $conditions
     * @return array<string, string>|null
     */
    private function rewritten(array $given, array $conditions): ?array
    {
        [$expression, $target] = [$given[0] ?? '', $given[1] ?? ''];
        $flags = [];
        foreach (explode(',', trim($given[2] ?? '', '[]')) as $flag) {
            [$name, $value] = [...explode('=', trim($flag), 2), ''];
            $flags[strtoupper($name)] = $value;
        }
        $isGone = isset($flags['G']) || isset($flags['GONE']);
        $redirects = isset($flags['R']) || isset($flags['REDIRECT']) || preg_match('#^https?://#i', $target) === 1;
        if (! $isGone && ! $redirects) {
            return null;
        }
        if (preg_match('/\$\{\w+:/', $target) === 1) {
            throw new InputRefused('leadsTo', 'It looks its target up in a table. Import that table as a file of its own.');
        }
        if (preg_match('/%\{?\w/', (string) preg_replace('/\\\\.|%[0-9A-Fa-f]{2}/', '', $target)) === 1) {
            throw new InputRefused('leadsTo', 'Its target has something of the request that redirects here do not know.');
        }
        $asked = self::asked($conditions);
        $status = strtolower(($flags['R'] ?? '') !== '' ? $flags['R'] : $flags['REDIRECT'] ?? '');
        $drops = isset($flags['QSD']) || str_ends_with($target, '?') || (str_contains($target, '?') && ! isset($flags['QSA']));
        $row = $this->row(
            PathExpression::read($expression),
            (string) preg_replace('/\\\\(.)/', '$1', rtrim($target, '?')),
            $isGone ? '410' : self::STATUS[$status] ?? ($status === '' ? '302' : $status),
            $drops ? 'drop' : 'carry',
        );

        return $asked === '' ? $row : ['source' => "{$row['source']}?$asked", 'query' => 'match'] + $row;
    }

    /**
     * The query that conditions ask for; those that ask whether a file is there are passed over, since no file has an address here.
     *
     * @param  list<string>  $conditions
     */
    private static function asked(array $conditions): string
    {
        $asked = [];
        foreach ($conditions as $condition) {
            if (preg_match('/^%\{REQUEST_FILENAME\} !-[dfl]\b/i', $condition) === 1) {
                continue;
            }
            if (
                preg_match(
                    '/^%\{QUERY_STRING\} (?:\^|\(\?:\^\|&\)|\(\^\|&\)|\\\\b)([\w\-.%]+=[\w\-.%]*)(?:\$|\(\?:&\|\$\)|\(&\|\$\)|\\\\b)(?: \[NC\])?$/i',
                    $condition,
                    $found,
                ) !== 1
            ) {
                throw new InputRefused('source', "It depends on a condition, which redirects here do not have: $condition");
            }
            $asked[] = $found[1];
        }

        return implode('&', $asked);
    }

    /** @return array<string, string> */
    private function row(PathExpression $expression, string $target, string $status, string $query): array
    {
        if ($status === '303') {
            throw new InputRefused('answer', '303 is no answer of a redirect here. Take 302 for a place that answers for now.');
        }

        return $expression->row($target, $status, $query);
    }

    /** @return list<string> */
    private static function words(string $line): array
    {
        if (preg_match('/^\s*(?:#|$)/', $line) === 1) {
            return [];
        }
        preg_match_all('/"((?:[^"\\\\]|\\\\.)*)"|(\S+)/', trim($line), $found, PREG_SET_ORDER);

        return array_map(static fn (array $word): string => $word[2] ?? str_replace('\"', '"', $word[1] ?? ''), $found);
    }
}
