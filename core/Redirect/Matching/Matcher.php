<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/**
 * Finds for old addresses the pages they became. Candidates come from an inverted index of the words of paths, names and headings,
 * where rare words weigh more (inverse document frequency); then the last segment, the words of the whole path, the trigrams of
 * the path and the title are compared. The confidence comes from how alike the best is and how far ahead of the next.
 *
 * Cost: building, linear in the pages; matching, in the pages that share a word with the old address, the rarest words first.
 */
final class Matcher
{
    /** Pages that are compared closely. */
    private const CLOSELY = 25;

    /** How alike another page must be, against the likeliest, to be named beside it. */
    private const WORTH_NAMING = 0.4;

    /** Pages that the words of one address may bring in, the rarest first; the rarest always does. */
    private const MAX_BROUGHT_IN = 6000;

    /** @var array<string, Candidate> */
    private array $pages = [];

    /** @var array<string, array<string, true>> pages by word */
    private array $index = [];

    /** @var array<string, string> page by former or own address, in lower case */
    private array $exact = [];

    /** @var array<string, array{list<string>, list<string>, list<string>, string}> words of last segment, path, and name with heading, and the last segment itself; by page */
    private array $words = [];

    /** @var array<string, float> by word, once asked for */
    private array $weights = [];

    /** @param  iterable<Candidate>  $pages */
    public function __construct(iterable $pages)
    {
        foreach ($pages as $page) {
            $this->pages[$page->id] = $page;
            $last = self::last($page->address);
            $this->words[$page->id] = [Words::of($last), Words::of($page->address), Words::of("{$page->name} {$page->heading}"), $last];
            foreach ([...$this->words[$page->id][1], ...$this->words[$page->id][2]] as $word) {
                $this->index[$word][$page->id] = true;
            }
            foreach ([...$page->former, $page->address] as $address) {
                $this->exact[self::bare($address)] = $page->id;
            }
        }
    }

    /** @param  string  $title  of the old page, where it is known */
    public function match(string $old, string $title = ''): Proposal
    {
        $path = (string) preg_replace('#^https?://[^/]*#i', '', $old);
        $path = substr($path, 0, strcspn($path, '?#'));
        $known = $this->exact[self::bare($path)] ?? null;
        if ($known !== null) {
            return new Proposal($old, $this->pages[$known], 1.0, 'This address leads to the page already.', []);
        }
        $query = Words::of((string) preg_replace('/[?&]?[^=&?]*=/', ' ', (string) strpbrk($old, '?') ?: ''));
        $last = $this->lastKnown($path);
        $words = Words::of($path);
        $of = [$this->known(Words::of($last)), $this->known([...$words, ...$query]), Words::of($title)];
        $scores = $whys = [];
        foreach ($this->candidates([...$of[1], ...$of[2]]) as $id) {
            [$scores[$id], $whys[$id]] = $this->score((string) $id, $of, $last);
        }
        if ($scores === []) {
            return new Proposal($old, null, 0.0, 'No page shares a word with it.', []);
        }
        arsort($scores);
        $ids = array_map(strval(...), array_keys($scores));
        $best = $scores[$ids[0]];
        $second = isset($ids[1]) ? $scores[$ids[1]] : 0.0;

        return new Proposal(
            $old,
            $this->pages[$ids[0]],
            $this->confidence($best, $second, [...$words, ...$of[2]]),
            $whys[$ids[0]],
            array_map(
                fn (string $id): Candidate => $this->pages[$id],
                array_slice(array_filter($ids, static fn (string $id): bool => $scores[$id] >= self::WORTH_NAMING * $best), 1, 3),
            ),
        );
    }

    /**
     * @param  list<string>  $words
     * @return list<string> pages that share words, those with the rarest first
     */
    private function candidates(array $words): array
    {
        $words = array_values(array_filter(array_unique($words), fn (string $word): bool => isset($this->index[$word])));
        usort($words, fn (string $a, string $b): int => count($this->index[$a]) <=> count($this->index[$b]));
        $found = [];
        $broughtIn = 0;
        foreach ($words as $word) {
            $of = $this->index[$word];
            $broughtIn += count($of);
            if ($found !== [] && $broughtIn > self::MAX_BROUGHT_IN) {
                break;
            }
            $weight = $this->weight($word);
            foreach ($of as $id => $_) {
                $found[$id] = ($found[$id] ?? 0.0) + $weight;
            }
        }

        return self::heaviest($found);
    }

    /**
     * The few with most weight, the most first: all need not be sorted for that.
     *
     * @param  array<string, float>  $weights
     * @return list<string>
     */
    private static function heaviest(array $weights): array
    {
        $best = [];
        $least = 0.0;
        foreach ($weights as $id => $weight) {
            if ($weight <= $least && count($best) >= self::CLOSELY) {
                continue;
            }
            $best[$id] = $weight;
            if (count($best) >= 2 * self::CLOSELY) {
                arsort($best);
                $best = array_slice($best, 0, self::CLOSELY, true);
                $least = end($best);
            }
        }
        arsort($best);

        return array_map(strval(...), array_slice(array_keys($best), 0, self::CLOSELY));
    }

    /**
     * @param  array{list<string>, list<string>, list<string>}  $of
     * @return array{float, string} from 0 to 1, and the strongest reason
     */
    private function score(string $id, array $of, string $lastOld): array
    {
        [$last, $all, $name, $lastNew] = $this->words[$id];
        $parts = [
            'Its last part is much like the page’s.' => [0.34, max($this->alike($of[0], $last), 0.96 * $this->alike($of[0], $name))],
            'The words of its path are those of the page’s.' => [0.26, $this->alike($of[1], $all)],
            'It has the words of the page’s name.' => [0.16, $this->within($name === [] ? $last : $name, [...$of[1], ...$of[2]])],
            'It is spelt much like the page’s address.' => [0.12, self::trigrams($lastOld, $lastNew)],
        ];
        if ($of[2] !== []) {
            $parts['Its title is the page’s name.'] = [0.5, $this->alike($of[2], $name)];
        }
        $sum = $weights = 0.0;
        $why = '';
        $strongest = 0.0;
        foreach ($parts as $says => [$weight, $value]) {
            $sum += $weight * $value;
            $weights += $weight;
            if ($weight * $value > $strongest) {
                [$why, $strongest] = [$says, $weight * $value];
            }
        }

        return [$sum / $weights, $why];
    }

    /**
     * Weight of the words that two have in common over that of all they have (a weighted Jaccard index).
     *
     * @param  list<string>  $a
     * @param  list<string>  $b
     */
    private function alike(array $a, array $b): float
    {
        $common = $all = 0.0;
        $inA = array_flip($a);
        $inB = array_flip($b);
        foreach ($inA + $inB as $word => $_) {
            $weight = $this->weight((string) $word);
            $all += $weight;
            $common += isset($inA[$word], $inB[$word]) ? $weight : 0.0;
        }

        return $all === 0.0 ? 0.0 : $common / $all;
    }

    /**
     * How much of the first is in the second.
     *
     * @param  list<string>  $a
     * @param  list<string>  $b
     */
    private function within(array $a, array $b): float
    {
        $found = $all = 0.0;
        foreach (array_unique($a) as $word) {
            $all += $this->weight($word);
            $found += in_array($word, $b, true) ? $this->weight($word) : 0.0;
        }

        return $all === 0.0 ? 0.0 : $found / $all;
    }

    /** The rarer, the more; a word that no page has counts like the rarest. */
    private function weight(string $word): float
    {
        return $this->weights[$word] ??= log(1 + count($this->pages) / (0.5 + count($this->index[$word] ?? [])));
    }

    /** Dice's coefficient of the trigrams of two texts. */
    private static function trigrams(string $a, string $b): float
    {
        $of = static function (string $text): array {
            $text = '  '.strtolower((string) preg_replace('/[^A-Za-z0-9]+/', ' ', $text)).' ';
            $found = [];
            for ($i = 0; $i + 3 <= strlen($text); $i++) {
                $found[substr($text, $i, 3)] = true;
            }

            return $found;
        };
        [$x, $y] = [$of($a), $of($b)];

        return (2 * count(array_intersect_key($x, $y))) / max(1, count($x) + count($y));
    }

    /**
     * Fitted on generated relaunches (tests/Core/Redirect/MatcherTest): a best that is alike and alone is right, the less so the more
     * words no page of the site has.
     *
     * @param  list<string>  $words  of the old address and its title
     */
    private function confidence(float $best, float $second, array $words): float
    {
        $margin = $best <= 0.0 ? 0.0 : ($best - $second) / $best;
        $known = $words === [] ? 0.0 : count($this->known($words)) / count($words);
        $logit = -8.2 + 6.0 * $best + 6.0 * $margin + 4.0 * $known;

        return round(min(0.99, 1 / (1 + exp(-$logit))), 3);
    }

    /** The last part of an old path that has a word of some page: what stands behind it tells pages of the old site apart, not of this one. */
    private function lastKnown(string $path): string
    {
        foreach (array_reverse(explode('/', $path)) as $segment) {
            if ($this->known(Words::of($segment)) !== []) {
                return $segment;
            }
        }

        return self::last($path);
    }

    /**
     * @param  list<string>  $words
     * @return list<string> those that some page has
     */
    private function known(array $words): array
    {
        return array_values(array_filter($words, fn (string $word): bool => isset($this->index[$word])));
    }

    private static function last(string $path): string
    {
        $segments = array_values(array_filter(explode('/', $path), static fn (string $segment): bool => Words::of($segment) !== []));

        return $segments === [] ? '' : $segments[count($segments) - 1];
    }

    private static function bare(string $address): string
    {
        return strtolower(rtrim($address, '/'));
    }
}
