<?php

declare(strict_types=1);

namespace Heronstem\Core;

/**
 * Values that are worked out one by one whenever they are asked for, instead of being kept: a large change has very many of them.
 *
 * @template-covariant T
 *
 * @implements \IteratorAggregate<int, T>
 */
final class Series implements \Countable, \IteratorAggregate
{
    /**
     * @param  \Closure(): iterable<T>  $values
     * @param  int<0, max>|null  $count
     */
    private function __construct(private readonly \Closure $values, private ?int $count)
    {
    }

    /**
     * @template U
     *
     * @param  \Closure(): iterable<U>  $values  gives the same ones each time
     * @param  int<0, max>|null  $count  how many there are, where that is known
     * @return self<U>
     */
    public static function from(\Closure $values, ?int $count = null): self
    {
        return new self($values, $count);
    }

    /**
     * @template U
     *
     * @param  list<U>  $values
     * @return self<U>
     */
    public static function of(array $values): self
    {
        return new self(static fn (): array => $values, count($values));
    }

    public function getIterator(): \Generator
    {
        $n = 0;
        foreach (($this->values)() as $value) {
            yield $n++ => $value;
        }
    }

    /** Cost: all of them the first time, where nobody said how many there are. */
    public function count(): int
    {
        return $this->count ??= iterator_count($this->getIterator());
    }

    public function isEmpty(): bool
    {
        return $this->count === null ? ! $this->getIterator()->valid() : $this->count === 0;
    }

    /**
     * Those for which something holds.
     *
     * @param  \Closure(T): bool  $holds
     * @return list<T>
     */
    public function where(\Closure $holds): array
    {
        return $this->having($holds)->toList();
    }

    /**
     * The same, one by one again.
     *
     * @param  \Closure(T): bool  $holds
     * @return self<T>
     */
    public function having(\Closure $holds): self
    {
        return new self(function () use ($holds): \Generator {
            foreach ($this as $value) {
                if ($holds($value)) {
                    yield $value;
                }
            }
        }, null);
    }

    /**
     * What is made of each.
     *
     * @template U
     *
     * @param  \Closure(T): U  $made
     * @return list<U>
     */
    public function each(\Closure $made): array
    {
        return $this->made($made)->toList();
    }

    /**
     * What is made of each, one by one again.
     *
     * @template U
     *
     * @param  \Closure(T): U  $made
     * @return self<U>
     */
    public function made(\Closure $made): self
    {
        return new self(function () use ($made): \Generator {
            foreach ($this as $value) {
                yield $made($value);
            }
        }, $this->count);
    }

    /**
     * So many of them, from one on.
     *
     * @return list<T>
     */
    public function some(int $many, int $from = 0): array
    {
        $some = [];
        foreach ($this as $n => $value) {
            if ($n >= $from + $many) {
                break;
            }
            if ($n >= $from) {
                $some[] = $value;
            }
        }

        return $some;
    }

    /** @return list<T> */
    public function toList(): array
    {
        return iterator_to_array($this->getIterator(), false);
    }

    /**
     * In their order, so many at a time, the last fewer.
     *
     * @param  positive-int  $size
     * @return \Generator<int, non-empty-list<T>>
     */
    public function inPieces(int $size): \Generator
    {
        $piece = [];
        foreach ($this as $value) {
            $piece[] = $value;
            if (count($piece) === $size) {
                yield $piece;
                $piece = [];
            }
        }
        if ($piece !== []) {
            yield $piece;
        }
    }
}
