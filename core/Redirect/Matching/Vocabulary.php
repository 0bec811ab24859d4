<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/**
 * The words that the pages of a site have, how rare each is, and what an unknown word may stand for among them: two that are joined, a
 * slip of spelling, a short form or another word for the same thing, a beginning, or a word that is alike in another language.
 */
final class Vocabulary
{
    /** Letters from which on a word may be a slip, and a cognate. */
    private const SHORTEST_SLIP = 4;

    private const SHORTEST_COGNATE = 5;

    /** How alike the trigrams of cognates are (Dice). */
    private const COGNATE = 0.55;

    /** Words that are joined to one, at most, and how surely they are what was meant. */
    private const MOST_JOINED = 4;

    private const JOINED = 0.9;

    /** @var array<string, int> pages by word */
    private array $pages = [];

    private int $count = 0;

    /** @var array<string, list<string>> words by their trigrams, made when first asked for */
    private array $trigrams = [];

    /** @var array<string, array<string, float>> readings by word, once asked for */
    private array $readings = [];

    /** @var array<string, array<string, float>> what was learnt that a word stands for, and how surely */
    private array $taught = [];

    /** @var array<string, array<string, float>> by joined word, once asked for */
    private array $apart = [];

    /** @param  list<string>  $words  of one page */
    public function add(array $words): void
    {
        $this->count++;
        foreach (array_unique($words) as $word) {
            $this->pages[$word] = ($this->pages[$word] ?? 0) + 1;
        }
    }

    public function has(string $word): bool
    {
        return isset($this->pages[$word]);
    }

    /** The rarer, the more: inverse document frequency. A word that no page has counts like the rarest. */
    public function weight(string $word): float
    {
        return log(1 + $this->count / (0.5 + ($this->pages[$word] ?? 0)));
    }

    /** @param  array<string, array<string, float>>  $lessons  how surely a word stands for one that pages have, by both */
    public function teach(array $lessons): void
    {
        $this->taught = $lessons;
        $this->readings = $this->apart = [];
    }

    /**
     * What a word may stand for among those that pages have, and how surely.
     *
     * @return array<string, float> from 0 to 1 by word; none where it stands for nothing
     */
    public function readings(string $word): array
    {
        return $this->readings[$word] ??= $this->read($word);
    }

    /** @return array<string, float> */
    private function read(string $word): array
    {
        $found = ($this->has($word) ? [$word => 1.0] : []) + ($this->taught[$word] ?? []);
        foreach (array_filter(SameThing::of($word), $this->has(...)) as $other) {
            $found[$other] = max($found[$other] ?? 0.0, $this->has($word) ? 0.5 : 0.8);
        }

        return $found === [] ? $this->near($word) : $found;
    }

    /**
     * The words that are joined to one: known, one behind the other, of which one may have a slip.
     *
     * @return array<string, float> how surely each is meant, by word; none where it is not made of such
     */
    public function apart(string $word): array
    {
        $likely = $this->readings($word) === [] ? 0.0 : max($this->readings($word));

        return $likely > 0.7 ? [] : ($this->apart[$word] ??= $this->joined($word, self::MOST_JOINED));
    }

    /** @return array<string, float> */
    private function joined(string $word, int $parts): array
    {
        for ($at = strlen($word) - 3; $parts > 1 && $at >= 3; $at--) {
            [$first, $rest] = [$this->known(substr($word, 0, $at)), substr($word, $at)];
            if ($first !== null) {
                $behind = $this->known($rest) === null ? $this->joined($rest, $parts - 1) : [(string) $this->known($rest) => self::JOINED];
                if ($behind !== []) {
                    return [$first => self::JOINED] + $behind;
                }
            }
        }

        return $parts === self::MOST_JOINED ? $this->joinedWithSlip($word) : [];
    }

    /** @return array<string, float> */
    private function joinedWithSlip(string $word): array
    {
        for ($at = strlen($word) - self::SHORTEST_SLIP; $at >= self::SHORTEST_SLIP; $at--) {
            [$first, $rest] = [substr($word, 0, $at), substr($word, $at)];
            [$known, $other] = $this->known($first) !== null ? [$this->known($first), $rest] : [$this->known($rest), $first];
            $near = $known === null ? [] : array_filter($this->near($other), static fn (float $how): bool => $how > 0.7);
            if ($near !== []) {
                return [(string) $known => self::JOINED] +
                    array_map(static fn (float $how): float => self::JOINED * $how, array_slice($near, 0, 1, true));
            }
        }

        return [];
    }

    private function known(string $word): ?string
    {
        return $this->has($word) ? $word : ($this->has(Words::stem($word)) ? Words::stem($word) : null);
    }

    /** @return array<string, float> */
    private function near(string $word): array
    {
        $length = strlen($word);
        if ($length < self::SHORTEST_SLIP || ctype_digit($word)) {
            return [];
        }
        $this->trigrams === [] && $this->index();
        $shared = [];
        $own = Trigrams::of($word);
        $sound = self::sounds($word);
        foreach ($own as $trigram => $_) {
            foreach ($this->trigrams[$trigram] ?? [] as $other) {
                $shared[$other] = ($shared[$other] ?? 0) + 1;
            }
        }
        $found = [];
        foreach ($shared as $other => $common) {
            $other = (string) $other;
            $longer = max($length, strlen($other));
            $slips = $longer - min($length, strlen($other)) > 2 ? 9 : self::slips($word, $other);
            $alike = (2 * $common) / (count($own) + count(Trigrams::of($other)));
            $how = match (true) {
                $slips <= ($longer >= 7 ? 2 : 1) && $longer >= 5 => 0.85 - 0.1 * ($slips - 1),
                strlen($other) >= self::SHORTEST_SLIP && (str_starts_with($other, $word) || str_starts_with($word, $other)) => 0.7,
                $length >= self::SHORTEST_COGNATE && $alike >= self::COGNATE => 0.4 + 0.4 * $alike,
                $sound === self::sounds($other) => 0.75,
                default => 0.0,
            };
            if ($how > 0.0) {
                $found[$other] = $how;
            }
        }
        arsort($found);

        return array_slice($found, 0, 4, true);
    }

    private function index(): void
    {
        foreach (array_keys($this->pages) as $word) {
            foreach (Trigrams::of((string) $word) as $trigram => $_) {
                $this->trigrams[$trigram][] = (string) $word;
            }
        }
    }

    /** Letters left out, put in, mistaken or swapped (Damerau and Levenshtein, of neighbours). */
    private static function slips(string $a, string $b): int
    {
        $slips = levenshtein($a, $b);
        if ($slips === 2 && strlen($a) === strlen($b)) {
            for ($i = 0; $i + 1 < strlen($a); $i++) {
                if ($a[$i] !== $b[$i]) {
                    return $a[$i] === $b[$i + 1] && $a[$i + 1] === $b[$i] && substr($a, $i + 2) === substr($b, $i + 2) ? 1 : 2;
                }
            }
        }

        return $slips;
    }

    /** How a word sounds across languages that write it otherwise: contact and kontakt, photo and foto. */
    private static function sounds(string $word): string
    {
        $word = strtr($word, [
            'ph' => 'f',
            'ck' => 'k',
            'ch' => 'k',
            'sch' => 'sk',
            'c' => 'k',
            'q' => 'k',
            'z' => 's',
            'w' => 'v',
            'th' => 't',
            'y' => 'i',
            'ae' => 'a',
            'oe' => 'o',
            'ue' => 'u',
        ]);

        return (string) preg_replace('/(.)\1+/', '$1', rtrim($word, 'aeiou'));
    }
}
