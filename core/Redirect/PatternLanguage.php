<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/**
 * The paths that a pattern matches, as a finite automaton, so that it is decided whether every path of one is a path of
 * another. Built from the pattern's regular expression (Thompson, 1968); containment by the subset construction on the
 * product (Rabin and Scott, 1959). Reads what PathPattern lets through; gives up, rather than guess, beyond its bounds.
 */
final class PatternLanguage
{
    /** States of one automaton. */
    private const MAX_STATES = 1500;

    /** Pairs of states gone through for one answer. */
    private const MAX_PAIRS = 4000;

    /** @var array<int, list<array{string, int}>> from a state by signs (a set of bytes as a text of 256 marks) to another */
    private array $steps = [];

    /** @var array<int, list<int>> steps without a sign */
    private array $free = [];

    /** @var array<string, string> sets of signs by how they are written */
    private array $sets = [];

    private int $states = 0;

    private string $rest;

    private int $end;

    private function __construct(string $expression, private readonly bool $caseSensitive)
    {
        $this->rest = $expression;
        $begin = $this->state();
        $this->end = $this->alternatives($begin);
        if ($this->rest !== '') {
            throw new \OutOfBoundsException('There is more than can be read.');
        }
    }

    /** Whether every path of the one pattern is one of the other: true, false, or null where that is not decided. Cost: bounded, some milliseconds. */
    public static function contains(PathPattern $larger, PathPattern $smaller, bool $caseSensitive): ?bool
    {
        try {
            return (new self($smaller->expression, $caseSensitive))->isWithin(new self($larger->expression, $caseSensitive));
        } catch (\OutOfBoundsException) {
            return null;
        }
    }

    /** @throws \OutOfBoundsException */
    private function isWithin(self $larger): bool
    {
        $signs = self::kinds([...array_column(array_merge([], ...$this->steps), 0), ...array_column(array_merge([], ...$larger->steps), 0)]);
        $begin = [$this->closed([0]), $larger->closed([0])];
        $seen = [];
        for ($queue = [$begin]; $queue !== [];) {
            [$mine, $theirs] = array_pop($queue);
            if (in_array($this->end, $mine, true) && ! in_array($larger->end, $theirs, true)) {
                return false;
            }
            foreach ($signs as $sign) {
                $next = $this->after($mine, $sign);
                if ($next === []) {
                    continue;
                }
                $pair = [$next, $larger->after($theirs, $sign)];
                $key = implode(',', $next).'|'.implode(',', $pair[1]);
                if (! isset($seen[$key])) {
                    $seen[$key] = true;
                    $queue[] = $pair;
                }
                if (count($seen) > self::MAX_PAIRS) {
                    throw new \OutOfBoundsException('Too many pairs of states.');
                }
            }
        }

        return true;
    }

    /**
     * One byte of each kind that the sets tell apart.
     *
     * @param  list<string>  $sets
     * @return list<int>
     */
    private static function kinds(array $sets): array
    {
        $sets = array_values(array_unique($sets));
        $kinds = [];
        for ($byte = 0x21; $byte < 0x7F; $byte++) {
            $kinds[implode('', array_map(static fn (string $set): string => $set[$byte], $sets))] ??= $byte;
        }

        return array_values($kinds);
    }

    /**
     * @param  list<int>  $states
     * @return list<int>
     */
    private function after(array $states, int $sign): array
    {
        $next = [];
        foreach ($states as $state) {
            foreach ($this->steps[$state] ?? [] as [$set, $to]) {
                if ($set[$sign] === '1') {
                    $next[] = $to;
                }
            }
        }

        return $this->closed($next);
    }

    /**
     * @param  list<int>  $states
     * @return list<int> with all that are reached without a sign, in order
     */
    private function closed(array $states): array
    {
        $all = array_flip($states);
        while ($states !== []) {
            foreach ($this->free[array_pop($states)] ?? [] as $next) {
                if (! isset($all[$next])) {
                    $all[$next] = true;
                    $states[] = $next;
                }
            }
        }
        ksort($all);

        return array_keys($all);
    }

    /** @return int the state behind one of the alternatives */
    private function alternatives(int $from): int
    {
        $end = $this->state();
        do {
            $begin = $this->state();
            $this->free[$from][] = $begin;
            $this->free[$this->sequence($begin)][] = $end;
        } while ($this->takes('|'));

        return $end;
    }

    private function sequence(int $at): int
    {
        while ($this->rest !== '' && $this->rest[0] !== '|' && $this->rest[0] !== ')') {
            $at = $this->repeated($at);
        }

        return $at;
    }

    private function repeated(int $at): int
    {
        $before = $this->rest;
        $once = $this->piece($at);
        $read = substr($before, 0, strlen($before) - strlen($this->rest));
        [$least, $most] = match (true) {
            $this->takes('*') => [0, null],
            $this->takes('+') => [1, null],
            $this->takes('?') => [0, 1],
            preg_match('/^\{(\d+)(,(\d*))?\}/', $this->rest, $found) === 1 => [
                (int) $found[1],
                isset($found[2]) ? (($found[3] ?? '') === '' ? null : (int) $found[3]) : (int) $found[1],
            ],
            default => [1, 1],
        };
        $this->rest = isset($found[0]) ? substr($this->rest, strlen($found[0])) : $this->rest;
        // Whether it takes as few or as many as it can says nothing of what it matches as a whole.
        $this->takes('?') || $this->takes('+');

        return $least === 1 && $most === 1 ? $once : $this->times($at, $once, $read, $least, $most);
    }

    /** A piece so many times: the first is built already, the others from its text. */
    private function times(int $at, int $once, string $read, int $least, ?int $most): int
    {
        $end = $this->state();
        if ($least === 0) {
            $this->free[$at][] = $end;
        }
        [$from, $behind] = [$at, $once];
        for ($n = 1; $n < max($least, $most ?? 1); $n++) {
            if ($n >= $least) {
                $this->free[$behind][] = $end;
            }
            [$from, $rest] = [$behind, $this->rest];
            $this->rest = $read;
            $behind = $this->piece($from);
            $this->rest = $rest;
        }
        if ($most === null) {
            $this->free[$behind][] = $from;
        }
        $this->free[$behind][] = $end;

        return $end;
    }

    /** A group, a class, or one sign. */
    private function piece(int $at): int
    {
        if (preg_match('/^\((?:\?:)?/', $this->rest, $found) === 1) {
            $this->rest = substr($this->rest, strlen($found[0]));
            $begin = $this->state();
            $this->free[$at][] = $begin;
            $end = $this->alternatives($begin);
            if (! $this->takes(')')) {
                throw new \OutOfBoundsException('A group is not closed.');
            }

            return $end;
        }
        if (
            preg_match('/^(?:\[\^?\]?(?:\\\\.|[^\]\\\\])*\]|\\\\.|[^\\\\])/s', $this->rest, $found) !== 1 ||
            preg_match('/^[*+?{}^$]$/', $found[0]) === 1
        ) {
            throw new \OutOfBoundsException('A sign that is not read.');
        }
        $this->rest = substr($this->rest, strlen($found[0]));
        $end = $this->state();
        $this->steps[$at][] = [$this->set($found[0]), $end];

        return $end;
    }

    /** The bytes that a class or a sign stands for, as 256 marks. */
    private function set(string $piece): string
    {
        return $this->sets[$piece] ??= implode(
            '',
            array_map(
                fn (int $byte): string => @preg_match("\x01^$piece\$\x01sD".($this->caseSensitive ? '' : 'i'), chr($byte)) === 1 ? '1' : '0',
                range(0, 255),
            ),
        );
    }

    private function takes(string $sign): bool
    {
        if (! str_starts_with($this->rest, $sign)) {
            return false;
        }
        $this->rest = substr($this->rest, strlen($sign));

        return true;
    }

    private function state(): int
    {
        if ($this->states >= self::MAX_STATES) {
            throw new \OutOfBoundsException('Too many states.');
        }

        return $this->states++;
    }
}
