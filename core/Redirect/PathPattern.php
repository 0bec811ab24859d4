<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\InputRefused;
use League\Uri\Exceptions\SyntaxError;
use League\Uri\UrlPattern\Modifier;
use League\Uri\UrlPattern\Part;
use League\Uri\UrlPattern\PartType;
use League\Uri\UrlPattern\PathToRegexp;

/**
 * The pathname of a URLPattern (WHATWG URL Pattern Standard, 2): `/old/:year/:slug`, `/docs/*`, `/item/(\\d+)`. Matches whole
 * paths. A pattern that could go on searching for long is refused, so that no request can keep a server busy.
 */
final readonly class PathPattern
{
    /** Longest pattern, in characters. */
    public const MAX_LENGTH = 500;

    /** Most wildcards across segments; each further one multiplies the ways to split a path. */
    private const MAX_WILDCARDS = 2;

    /** Longest path that is looked at, in bytes: that of an address. */
    private const MAX_PATH_LENGTH = 2000;

    /** Most ways in which the parts of a pattern may split a path among them. */
    private const MAX_WAYS = 16_000_000;

    /** What a regular expression of a part may not hold: references, lookarounds, verbs, and groups other than plain ones. */
    private const FORBIDDEN = '/\\\\[0-9gkKGAzZbBpPXRCQE]|\(\?(?!:)|\(\*|[\x00-\x1F]/';

    /**
     * @param  string  $expression  regular expression without delimiters and anchors, with one group a name
     * @param  list<string>  $names  of captures in order; those without a name are numbered from 0
     * @param  string  $sample  a path that it matches, as far as one is easily made
     */
    private function __construct(public string $source, public string $expression, public array $names, public string $sample)
    {
    }

    /** @throws InputRefused with the reason, where it is no pattern or could search for long */
    public static function read(string $typed): self
    {
        $source = trim($typed);
        if (! str_starts_with($source, '/') && ! str_starts_with($source, '{/')) {
            throw new InputRefused('source', 'A pattern begins with a slash.', '/'.$source);
        }
        if (mb_strlen($source) > self::MAX_LENGTH) {
            throw new InputRefused('source', sprintf('A pattern has at most %d characters.', self::MAX_LENGTH));
        }
        try {
            $parts = PathToRegexp::parse($source, '/', '/');
        } catch (SyntaxError $wrong) {
            throw new InputRefused('source', "This is no pattern: {$wrong->getMessage()}. Write \\ before a sign that stands for itself.");
        }
        $parts = array_map(self::encoded(...), $parts);
        self::guard($parts);
        $pattern = self::of($source, $parts);
        if (@preg_match(self::expression($pattern->expression), '/') === false) {
            throw new InputRefused('source', 'A part in brackets is not a regular expression.');
        }
        $pattern->probe();

        return $pattern;
    }

    /** A pattern that was read before. */
    public static function stored(string $source): self
    {
        return self::of($source, array_map(self::encoded(...), PathToRegexp::parse($source, '/', '/')));
    }

    /** The expression of a whole path, in signs that no pattern has in it. */
    public static function expression(string $inner, string $flags = ''): string
    {
        return "\x01^(?|$inner)$\x01D$flags";
    }

    /** Whether it has something that varies; without that it is one address. */
    public function varies(): bool
    {
        return $this->names !== [] || str_contains($this->source, '{');
    }

    /** @return array<string, string>|null captures by name, null where the path is no match */
    public function match(string $path, bool $caseSensitive): ?array
    {
        $found = [];
        if (@preg_match(self::expression($this->expression, $caseSensitive ? '' : 'i'), $path, $found) !== 1) {
            return null;
        }
        $captures = [];
        foreach ($this->names as $i => $name) {
            $captures[$name] = $found[$i + 1] ?? '';
        }

        return $captures;
    }

    /** @param  list<Part>  $parts */
    private static function of(string $source, array $parts): self
    {
        $names = [];
        $expression = PathToRegexp::partsToRegexp($parts, $names, ['delimiter' => '/', 'strict' => true]);

        return new self($source, substr($expression, 1, -1), array_map(strval(...), $names ?? []), self::sampleOf($parts));
    }

    /** Text of a pattern is compared with paths in normal form. */
    private static function encoded(Part $part): Part
    {
        $encode = NormalForm::piece(...);

        return $part->type === PartType::Fixed
            ? new Part($part->type, $part->name, $part->prefix, $encode($part->value), $part->suffix, $part->modifier)
            : new Part($part->type, $part->name, $encode($part->prefix), $part->value, $encode($part->suffix), $part->modifier);
    }

    /**
     * @param  list<Part>  $parts
     *
     * @throws InputRefused
     */
    private static function guard(array $parts): void
    {
        $open = $inSegment = $mostInSegment = 0;
        $ranges = 1;
        foreach ($parts as $part) {
            if (str_contains($part->prefix.($part->type === PartType::Fixed ? $part->value : ''), '/')) {
                $inSegment = 0;
            }
            $regex = $part->type === PartType::Regex ? (string) $part->value : '';
            if (preg_match(self::FORBIDDEN, $regex) === 1) {
                throw new InputRefused('source', "In ({$regex}) only plain characters, classes, alternatives and repetitions are possible.");
            }
            $repeats = in_array($part->modifier, [Modifier::ZeroOrMore, Modifier::OneOrMore], true);
            $isSegment = $part->type === PartType::SegmentWildcard && str_contains($part->prefix, '/');
            if (self::nests($regex) || ($repeats && $part->type !== PartType::Fixed && ! $isSegment)) {
                throw new InputRefused(
                    'source',
                    'A repetition within a repetition could keep the server searching for long. Repeat whole segments, like /:path*, or use one * in its place.',
                );
            }
            [$unbounded, $range] = self::lengths($regex);
            $open += $unbounded + ($part->type === PartType::FullWildcard || ($repeats && $isSegment) ? 1 : 0);
            $ranges = min(self::MAX_WAYS + 1, $ranges * $range);
            $inSegment += $part->type === PartType::SegmentWildcard ? 1 : 0;
            $mostInSegment = max($mostInSegment, $inSegment);
        }
        if ($open > self::MAX_WILDCARDS) {
            throw new InputRefused(
                'source',
                sprintf(
                    'More than %d parts of open length could keep the server searching for long. Name segments instead, like /:year/:slug.',
                    self::MAX_WILDCARDS,
                ),
            );
        }
        // Parts that may split one segment among them multiply the ways, as wildcards across segments do.
        $ways = self::MAX_PATH_LENGTH ** (max(1, $open) + max(0, $mostInSegment - 1)) * $ranges;
        if ($ways > self::MAX_WAYS) {
            throw new InputRefused(
                'source',
                'This pattern can split one address in too many ways, which could keep the server searching for long. Say how long its parts are, like :year(\\d{4})-:month(\\d{2}), or name fewer parts between two slashes.',
            );
        }
    }

    /**
     * Of an expression without repetitions in one another.
     *
     * @return array{int, int} how many of its repetitions are of open length, and in how many ways the others can be of different lengths together
     */
    private static function lengths(string $regex): array
    {
        $plain = (string) preg_replace(['/\\\\./', '/\[[^\]]*\]/'], ['x', 'x'], $regex);
        $open = preg_match_all('/[+*]|\{\d+,\}/', $plain);
        $ranges = min(self::MAX_WAYS, 2 ** min(40, (int) preg_match_all('/(?<![+*?}])\?/', $plain)));
        preg_match_all('/\{(\d+),(\d+)\}/', $plain, $bounded, PREG_SET_ORDER);
        foreach ($bounded as [, $least, $most]) {
            $ranges = min(self::MAX_WAYS + 1, $ranges * max(1, min(self::MAX_PATH_LENGTH, (int) $most) - (int) $least + 1));
        }

        return [(int) $open, (int) $ranges];
    }

    /** Whether a repeated group of an expression repeats or chooses within itself. */
    private static function nests(string $regex): bool
    {
        $plain = (string) preg_replace(['/\\\\./', '/\[[^\]]*\]/'], ['x', 'x'], $regex);
        while (preg_match('/\((?:\?:)?([^()]*)\)([+*?]|\{[^}]*\})?/', $plain, $group) === 1) {
            $isRepeated = in_array($group[2] ?? '', ['+', '*'], true) || str_starts_with($group[2] ?? '', '{');
            if ($isRepeated && preg_match('/[+*{|?]/', $group[1]) === 1) {
                return true;
            }
            // What is left behind still repeats, where it did: a group around it sees that.
            $plain = substr_replace(
                $plain,
                preg_match('/[+*{|]/', $group[1].($group[2] ?? '')) === 1 ? 'x+' : 'x',
                (int) strpos($plain, $group[0]),
                strlen($group[0]),
            );
        }

        return preg_match('/[+*}][+*{]/', $plain) === 1;
    }

    /**
     * A path that it matches; parts that cannot be guessed are tried with digits and letters.
     *
     * @param  list<Part>  $parts
     */
    private static function sampleOf(array $parts): string
    {
        $sample = '';
        foreach ($parts as $part) {
            if (in_array($part->modifier, [Modifier::Optional, Modifier::ZeroOrMore], true)) {
                continue;
            }
            $sample .= match ($part->type) {
                PartType::Fixed => $part->value,
                PartType::Regex => $part->prefix.self::matching((string) $part->value).$part->suffix,
                default => $part->prefix.'x'.$part->suffix,
            };
        }

        return $sample;
    }

    private static function matching(string $regex): string
    {
        foreach (
            [
                '1',
                '12',
                '123',
                '2020',
                '1234567',
                'a',
                'ab',
                'abc',
                'x-y',
                '01-01',
                '2020-01-01',
                '1.2',
                'A',
                'A1',
                'a1',
                preg_replace('/\|.*/s', '', $regex),
            ] as $try
        ) {
            if (@preg_match("\x01^(?:$regex)$\x01D", (string) $try) === 1) {
                return (string) $try;
            }
        }

        return 'x';
    }

    /**
     * Tries it on paths that are hard to say no to, with the steps counted.
     *
     * @throws InputRefused when one takes too many
     */
    private function probe(): void
    {
        $limited = "\x01(*NO_JIT)(*LIMIT_MATCH=6000000)^(?:{$this->expression})$\x01D";
        foreach (['a', '1', '/', '/a', 'a-', '-', '%41', '.', 'a1'] as $piece) {
            $long = substr(substr($this->sample, 0, 200).str_repeat($piece, self::MAX_PATH_LENGTH), 0, self::MAX_PATH_LENGTH)."\n";
            if (@preg_match($limited, $long) === false) {
                throw new InputRefused(
                    'source',
                    'This pattern could keep the server searching for long. Name segments, like /:year/:slug, or use one * at the end.',
                );
            }
        }
    }
}
