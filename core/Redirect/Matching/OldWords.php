<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** What an old address says, as it is compared: its words by where they stand, with what each may stand for. */
final readonly class OldWords
{
    /** @var array<string, float> how surely it says a word that pages have, anywhere, by word */
    public array $known;

    /** Whether what it is called has a word that stands for something. */
    public bool $saysTitle;

    /**
     * @param  array<string, array<string, float>>  $last  readings by word, of the last part that says something
     * @param  array<string, array<string, float>>  $before  of the parts before it
     * @param  list<array<string, array<string, float>>>  $called  of each text that says what it is called
     * @param  array<string, true>  $trigrams  of the last part as it is written
     */
    private function __construct(public array $last, public array $before, public array $called, public array $trigrams)
    {
        $known = [];
        foreach ($this->whole() as $readings) {
            foreach ($readings as $reading => $surely) {
                $known[$reading] = max($known[$reading] ?? 0.0, $surely);
            }
        }
        $this->known = $known;
        $this->saysTitle = array_filter($this->title()) !== [];
    }

    /** @param  array<string, true>  $common  words that most titles of the old site have, which tell none of its pages apart */
    public static function of(OldPage $old, Vocabulary $words, array $common = []): self
    {
        $parts = [];
        foreach (explode('/', $old->path()) as $segment) {
            if (Words::of($segment) !== []) {
                $parts[] = $segment;
            }
        }
        $query = Words::of($old->query());
        // What stands behind the last part with a known word tells pages of the old site apart, not of this one: unless it is all there is.
        $last = array_pop($parts) ?? '';
        $lastWords = [...Words::of($last), ...$query];
        if ($parts !== [] && self::read($lastWords, $words) === []) {
            $above = end($parts);
            if (self::read(Words::of($above), $words) !== []) {
                array_pop($parts);
                $lastWords = [...Words::of($above), ...$lastWords];
                $last = $above;
            }
        }

        return new self(
            self::all($lastWords, $words),
            self::all(array_merge([], ...array_map(Words::of(...), $parts)), $words),
            array_values(
                array_filter(
                    array_map(
                        static fn (string $text): array => self::all(
                            array_values(array_filter(Words::of($text), static fn (string $word): bool => ! isset($common[$word]))),
                            $words,
                        ),
                        $old->called(),
                    ),
                ),
            ),
            Trigrams::of($last),
        );
    }

    /** @return array<string, array<string, float>> */
    public function whole(): array
    {
        return $this->last + $this->before + $this->title();
    }

    /** @return array<string, array<string, float>> readings by word, of everything that it is called */
    public function title(): array
    {
        return array_replace([], ...$this->called);
    }

    /**
     * @param  list<string>  $words
     * @return array<string, array<string, float>>
     */
    private static function all(array $words, Vocabulary $vocabulary): array
    {
        $all = [];
        foreach ($words as $word) {
            $parts = $vocabulary->apart($word);
            foreach ($parts as $part => $surely) {
                $all[$part] ??= [$part => $surely];
            }
            if ($parts === []) {
                // What stands beside it spelt right is not what it was meant to be.
                $all[$word] = array_filter(
                    $vocabulary->readings($word),
                    static fn (string|int $reading): bool => (string) $reading === $word || ! in_array((string) $reading, $words, true),
                    ARRAY_FILTER_USE_KEY,
                );
            }
        }

        return $all;
    }

    /**
     * @param  list<string>  $words
     * @return list<string> those that stand for something
     */
    private static function read(array $words, Vocabulary $vocabulary): array
    {
        return array_values(
            array_filter($words, static fn (string $word): bool => $vocabulary->readings($word) !== [] || $vocabulary->apart($word) !== []),
        );
    }
}
