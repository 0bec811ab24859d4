<?php

declare(strict_types=1);

namespace Heronstem\Core;

/**
 * Short texts by key, held compressed in pieces: a large change has very many that are nearly alike. Those that are asked for in the order
 * in which they were put cost little; each piece that is asked for out of turn is unpacked anew (some 0.2 ms).
 */
final class PackedTexts implements \Countable
{
    /** Texts that are compressed with one another. */
    private const PIECE = 400;

    /** Pieces unpacked last that are held: several passes may be under way at a time. */
    private const LATELY = 6;

    /** Of zlib's nine: the quickest. It finds what is alike as well as the others. */
    private const LEVEL = 1;

    /** @var array<string, int|string|null> the number of the piece that holds a text; itself, if there is nothing to hold */
    private array $at = [];

    /** @var array<string, string> those of the piece that is being filled */
    private array $filling = [];

    /** @var array<int, string> compressed, by number */
    private array $pieces = [];

    /** @var array<int, int> texts of a piece that still stand, by its number */
    private array $standing = [];

    /** @var array<int, array<string, string>> unpacked, by number, the one asked for last at the end */
    private array $lately = [];

    private int $next = 0;

    /** @param  positive-int  $piece  texts that are compressed with one another */
    public function __construct(private readonly int $piece = self::PIECE)
    {
    }

    /** A key that is known keeps its place. */
    public function put(string $key, ?string $text): void
    {
        $at = $this->at[$key] ?? null;
        if (is_int($at) && $at !== $this->next) {
            $this->leave($at);
        } else {
            unset($this->filling[$key]);
        }
        if ($text === null || $text === '') {
            $this->at[$key] = $text;

            return;
        }
        $this->at[$key] = $this->next;
        $this->filling[$key] = $text;
        if (count($this->filling) >= $this->piece) {
            $this->close();
        }
    }

    /** Whether something was put there, be it null. */
    public function has(string $key): bool
    {
        return array_key_exists($key, $this->at);
    }

    /** Null also where nothing was put. */
    public function find(string $key): ?string
    {
        $at = $this->at[$key] ?? null;

        return is_int($at) ? $this->filling[$key] ?? $this->piece($at)[$key] : $at;
    }

    /** @return \Generator<int, string> in the order in which they were put first; what is put meanwhile is not among them */
    public function keys(): \Generator
    {
        foreach ($this->at as $key => $_) {
            yield (string) $key;
        }
    }

    /**
     * @template T
     *
     * @param  array<string, T>  $byKey
     * @return array<string, T> without what is of keys that are known here
     */
    public function others(array $byKey): array
    {
        return array_diff_key($byKey, $this->at);
    }

    public function count(): int
    {
        return count($this->at);
    }

    private function close(): void
    {
        $this->pieces[$this->next] = (string) gzcompress(serialize($this->filling), self::LEVEL);
        $this->standing[$this->next] = count($this->filling);
        $this->filling = [];
        $this->next++;
    }

    /** One text of a piece is put elsewhere. */
    private function leave(int $piece): void
    {
        if (--$this->standing[$piece] === 0) {
            unset($this->pieces[$piece], $this->standing[$piece], $this->lately[$piece]);
        }
    }

    /** @return array<string, string> */
    private function piece(int $number): array
    {
        $held = $this->lately[$number] ?? null;
        if ($held === null) {
            /** @var array<string, string> $held */
            $held = unserialize((string) gzuncompress($this->pieces[$number]), ['allowed_classes' => false]);
            if (count($this->lately) >= self::LATELY) {
                unset($this->lately[array_key_first($this->lately)]);
            }
        } elseif ($number !== array_key_last($this->lately)) {
            unset($this->lately[$number]);
        }

        return $this->lately[$number] = $held;
    }
}
