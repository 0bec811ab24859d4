<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

use Heronstem\Core\InputRefused;

/**
 * A regular expression of paths as web servers have them, read as a rule: of one address where nothing varies, of a branch where
 * only the end does, else as a pattern (WHATWG URL Pattern) whose captures have numbers.
 */
final readonly class PathExpression
{
    /** An address and whatever is below it, caught or not. */
    private const BELOW = '#^(.*?)(?:/\\(\\.[*+]\\)\\??|\\(/\\.[*+]\\)\\??|/\\.\\*)$#';

    /**
     * @param  string  $scope  one, branch or pattern
     * @param  array<int, int>  $captures  number in the pattern by number in the expression; of a branch 1 is its rest
     */
    private function __construct(public string $scope, public string $source, private array $captures)
    {
    }

    /** @throws InputRefused with the reason where no rule says the same */
    public static function read(string $expression): self
    {
        if (! str_starts_with($expression, '^')) {
            throw self::refused('This expression may match in the middle of an address. Begin it with ^.');
        }
        $isWhole = preg_match('/(?<!\\\\)(?:\\\\\\\\)*\$$/', $expression) === 1;
        $inner = substr($expression, 1, $isWhole ? -1 : null);
        $inner = $isWhole ? (string) preg_replace('#/\?$#', '', $inner) : $inner;
        $inner = '/'.preg_replace('#^\\\\?/\\??#', '', $inner);
        $above = $isWhole && preg_match(self::BELOW, $inner, $found) === 1 ? self::literal($found[1]) : null;
        if ($above !== null) {
            return new self('branch', $above === '' ? '/' : $above, str_ends_with($inner, '.*') ? [] : [1 => 1]);
        }
        $literal = self::literal($inner);

        return match (true) {
            $literal !== null && $isWhole => new self('one', $literal === '' ? '/' : $literal, []),
            $literal !== null => new self('branch', rtrim($literal, '/') ?: '/', []),
            default => self::pattern($inner.($isWhole ? '' : '.*')),
        };
    }

    /**
     * The target, with captures as a rule writes them.
     *
     * @return array{string, bool} target, and for a branch whether the rest of the path goes to its end
     *
     * @throws InputRefused for a capture that cannot be placed
     */
    public function target(string $target): array
    {
        $capture = '/\$([1-9])/';
        if ($this->scope === 'branch') {
            if (preg_match($capture, $target) !== 1) {
                return [$target, false];
            }
            if ($this->captures === [] || preg_match('/^([^?#]*?)\/?\$1$/', $target, $found) !== 1 || preg_match($capture, $found[1]) === 1) {
                throw self::refused('What is caught stands within the target; only at its end can the rest of a branch go along.');
            }

            return [$found[1] === '' ? '/' : $found[1], true];
        }
        $authority = preg_match('#^https?://[^/?\#]*#i', $target, $found) === 1 ? $found[0] : '';
        $rest =
            $this->scope === 'one'
                ? substr($target, strlen($authority))
                : (string) preg_replace('/:(?=[A-Za-z0-9_])/', '%3A', substr($target, strlen($authority)));

        return [
            $authority.
            preg_replace_callback(
                $capture,
                fn (array $found): string => ':'.
                    ($this->captures[(int) $found[1]] ?? throw self::refused("The target has \${$found[1]}, which nothing catches.")),
                $rest,
            ),
            false,
        ];
    }

    /**
     * A row as RedirectRows reads it.
     *
     * @param  string  $query  carry or drop
     * @return array<string, string>
     *
     * @throws InputRefused for a capture that cannot be placed
     */
    public function row(string $target, string $status, string $query): array
    {
        $row = ['source' => $this->source, 'scope' => $this->scope, 'answer' => $status];
        if ($status === '410') {
            return $row;
        }
        [$to, $carriesRest] = $this->target($target);

        return $row + ['target' => $to, 'query' => $query, 'carriesRest' => $carriesRest ? 'yes' : 'no'];
    }

    /** What an expression stands for in which nothing varies; null where something does. */
    private static function literal(string $expression): ?string
    {
        $plain = (string) preg_replace('/\\\\([^A-Za-z0-9])/', "\1$1", $expression);

        return preg_match('/(?<!\x01)[.*+?()\[\]{}|^$\\\\]/', $plain) === 1 ? null : str_replace("\1", '', $plain);
    }

    private static function pattern(string $inner): self
    {
        $out = '';
        $captures = [];
        $count = $caught = 0;
        while ($inner !== '') {
            // A group, a class, a shorthand or a dot, each with how often it stands; or a sign that stands for itself.
            if (
                preg_match(
                    '/^(\((?:[^()\\\\]|\\\\.|\((?:[^()\\\\]|\\\\.)*\))*\)|\[\^?\]?(?:[^\]\\\\]|\\\\.)*\]|\\\\[dws]|\.)([*+?]|\{\d+(?:,\d*)?\})?/i',
                    $inner,
                    $found,
                ) === 1
            ) {
                [$piece, $often] = [$found[1], $found[2] ?? ''];
                $isGroup = $piece[0] === '(';
                $catches = $isGroup && ! str_starts_with($piece, '(?');
                $body = $isGroup ? substr($piece, $catches ? 1 : 3, -1) : $piece.($often === '?' ? '' : $often);
                if (
                    $isGroup &&
                    ((! $catches && ! str_starts_with($piece, '(?:')) ||
                        preg_match('/(?<!\\\\)\((?!\?:)/', $body) === 1 ||
                        ($often !== '' && $often !== '?'))
                ) {
                    throw self::refused('Groups within groups, repeated groups and conditions within an expression cannot be read.');
                }
                $out .= $often === '?' ? "{($body)}?" : "($body)";
                $captures += $catches ? [++$count => $caught] : [];
                $caught++;
            } elseif (preg_match('#^(?:\\\\([^A-Za-z0-9])|([^.*+?()\[\]{}|^$\\\\]))(\?)?#', $inner, $found) === 1) {
                $sign = ($found[1] ?? '').($found[2] ?? '');
                $sign = preg_match('/[:*+?(){}\\\\]/', $sign) === 1 ? "\\$sign" : $sign;
                $out .= isset($found[3]) ? "{{$sign}}?" : $sign;
            } else {
                throw self::refused("“{$inner[0]}” in this expression cannot be read as part of a pattern.");
            }
            $inner = substr($inner, strlen($found[0]));
        }

        return new self('pattern', $out, $captures);
    }

    private static function refused(string $reason): InputRefused
    {
        return new InputRefused('source', $reason);
    }
}
