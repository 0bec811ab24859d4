<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

use Heronstem\Core\InputRefused;

/**
 * Redirects in configuration of the nginx web server: `rewrite` with a status, `return` in a location, and maps of addresses. What
 * is no redirect is passed over; a redirect that no rule can say is told with the reason.
 */
final class NginxFile
{
    private const STATUS = ['permanent' => '301', 'redirect' => '302'];

    /** @var list<list<string>> words that opened the blocks around */
    private array $around = [];

    /** @var array<string, string> status by the variable that is returned with it */
    private array $returned = [];

    private function __construct()
    {
    }

    /** @return iterable<int, array<string, string>> fields by the number of their line; `refused` where it is no rule */
    public static function rows(string $text): iterable
    {
        $self = new self();
        preg_match_all('/^\s*return\s+(30[1278])\s+(\$\w+)\s*;/m', $text, $found, PREG_SET_ORDER);
        foreach ($found as [, $status, $variable]) {
            $self->returned[$variable] ??= $status;
        }
        foreach (self::statements($text) as [$line, $words, $end]) {
            if ($end === '}') {
                array_pop($self->around);
            } elseif ($end === '{') {
                $self->around[] = $words;
            } else {
                try {
                    $fields = $self->statement($words);
                } catch (InputRefused $refused) {
                    $fields = ['source' => implode(' ', $words), 'refused' => $refused->reason];
                }
                if ($fields !== null) {
                    yield $line => $fields;
                }
            }
        }
    }

    /**
     * @param  list<string>  $words
     * @return array<string, string>|null null for what is no redirect
     */
    private function statement(array $words): ?array
    {
        $block = end($this->around) ?: [''];
        if ($block[0] === 'map') {
            return $this->entry($words, $block[2] ?? '');
        }
        $isReturn = $words[0] === 'return' && preg_match('/^(?:30[0-9]|410)$/', $words[1] ?? '') === 1;
        $isRewrite = $words[0] === 'rewrite' && (isset(self::STATUS[$words[3] ?? '']) || preg_match('#^https?://#', $words[2] ?? '') === 1);
        if (! $isReturn && ! $isRewrite) {
            return null;
        }
        if (in_array('if', array_column($this->around, 0), true)) {
            throw new InputRefused('source', 'It depends on a condition, which redirects here do not have.');
        }
        if ($isRewrite) {
            $target = $words[2] ?? '';
            // A question mark at its end leaves the query of the request away.
            $query = str_ends_with($target, '?') ? 'drop' : 'carry';

            return $this->row(PathExpression::read($words[1] ?? ''), rtrim($target, '?'), self::STATUS[$words[3] ?? ''] ?? '302', $query);
        }
        if ($block[0] !== 'location') {
            if (isset($this->returned[$words[2] ?? ''])) {
                return null;
            }
            throw new InputRefused('source', 'It answers every request of a server. Make it a redirect of the branch / by hand, if that is meant.');
        }

        return $this->row(self::location($block), $words[2] ?? '', $words[1], 'drop');
    }

    /** @param  list<string>  $block */
    private static function location(array $block): PathExpression
    {
        return match ($block[1] ?? '') {
            '=' => PathExpression::read('^'.preg_quote($block[2] ?? '').'$'),
            '~', '~*' => PathExpression::read($block[2] ?? ''),
            '^~' => PathExpression::read('^'.preg_quote($block[2] ?? '')),
            default => PathExpression::read('^'.preg_quote($block[1] ?? '')),
        };
    }

    /**
     * An entry of a map from addresses to targets; maps of anything else are passed over.
     *
     * @param  list<string>  $words
     * @return array<string, string>|null
     */
    private function entry(array $words, string $variable): ?array
    {
        [$from, $to] = [$words[0], $words[1] ?? ''];
        if (
            in_array($from, ['default', 'hostnames', 'volatile', 'include'], true) ||
            preg_match('#^(?:/|https?://)#', $to) !== 1 ||
            preg_match('#^(?:/|~\*?\^)#', $from) !== 1
        ) {
            return null;
        }

        return $this->row(
            PathExpression::read($from[0] === '~' ? ltrim(substr($from, 1), '*') : '^'.preg_quote($from).'$'),
            $to,
            $this->returned[$variable] ?? '301',
            'drop',
        );
    }

    /** @return array<string, string> */
    private function row(PathExpression $expression, string $target, string $status, string $query): array
    {
        if ($status === '410') {
            return $expression->row('', $status, $query);
        }
        $bare = (string) preg_replace('/(?:\$is_args\$args|\?\$(?:args|query_string))$/', '', $target, count: $carries);
        $bare = (string) preg_replace('#^\$scheme://\$(?:host|http_host|server_name)(?=/)#', '', $bare);
        if (preg_match('/\$\{?[A-Za-z_]\w*/', $bare, $found) === 1) {
            throw new InputRefused('leadsTo', "Its target has {$found[0]}, which redirects here do not know.");
        }

        return $expression->row($bare, $status, $carries > 0 ? 'carry' : $query);
    }

    /** @return iterable<array{int, list<string>, string}> line, words, and the sign that ends the statement */
    private static function statements(string $text): iterable
    {
        preg_match_all(
            '/\G(?:(\s+|#[^\n]*)|("(?:[^"\\\\]|\\\\.)*"|\'(?:[^\'\\\\]|\\\\.)*\')|([;{}](?=\s|$|[};#]))|((?:[^\s;{}"\'\\\\]|\\\\.|\{\d+(?:,\d*)?\}|\$\{\w+\}|(?<=\S)["\'])+)|(.))/s',
            $text,
            $tokens,
            PREG_SET_ORDER,
        );
        $line = 1;
        $words = [];
        $began = 1;
        foreach ($tokens as $token) {
            if (($token[3] ?? '') !== '' || in_array($token[5] ?? '', [';', '{', '}'], true)) {
                $sign = $token[0];
                if ($sign !== '}' || $words === []) {
                    yield [$began, $words === [] ? [''] : $words, $sign];
                }
                $words = [];
            } elseif (($token[1] ?? '') === '') {
                $began = $words === [] ? $line : $began;
                $words[] = ($token[2] ?? '') !== '' ? (string) preg_replace('/\\\\(["\'\\\\])/', '$1', substr($token[2], 1, -1)) : $token[0];
            }
            $line += substr_count($token[0], "\n");
        }
    }
}
