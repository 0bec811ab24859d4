<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** Compares an old address with a page by their words alone. What neither side can answer for counts against, not for nothing. */
final class Comparing
{
    /** What a section says that this site does not know weighs little: sections are called otherwise on every site. */
    private const UNKNOWN_SECTION = 0.25;

    /** Share of the words of titles that stand for something, from which on they are in a language of this site. */
    private const SAME_LANGUAGE = 0.6;

    /** A number that no page has mostly counts pages of the old site. */
    private const UNKNOWN_NUMBER = 0.15;

    /** @var array<string, float> by word */
    private array $weights = [];

    /** @var array<string, array<string, true>> by the last part of an address: many pages end alike */
    private array $trigrams = [];

    /** How much a word of a title counts that this site does not know. */
    private float $unknownInTitles = 1.0;

    public function __construct(private readonly Vocabulary $vocabulary)
    {
    }

    /**
     * Titles in a language that this site does not have say little by words that it does not know.
     *
     * @param  float  $known  share of the words of all titles that stand for something here
     */
    public function titlesAreKnown(float $known): void
    {
        $this->unknownInTitles = $known >= self::SAME_LANGUAGE ? 1.0 : $known / self::SAME_LANGUAGE;
    }

    public function of(OldWords $old, PageWords $page): Likeness
    {
        $said = $this->said($old->last, $page);
        $own = $this->own($old->known, $page);
        [$around, $against] = $this->around($old->before, $page);
        // Titles name the site as well, headings say little on some: the one that says the page says it.
        $title = $old->saysTitle
            ? max(0.0, ...array_map(fn (array $words): float => $this->said($words, $page, $this->unknownInTitles), $old->called))
            : null;
        $spelt = self::alike($old->trigrams, $this->trigrams[$page->spelt] ??= Trigrams::of($page->spelt));
        $path = 0.4 * $said + 0.27 * $own + 0.18 * $around + 0.15 * $spelt;
        $byTitle = $title === null ? 0.0 : 0.55 * $title + 0.45 * $own;
        $why = match (true) {
            $byTitle > $path => 'Its title is the page’s name.',
            $said >= 0.75 && $own >= 0.75 => 'Its last part says what the page says.',
            $said >= 0.6 => 'Its last part is much like the page’s.',
            $around >= 0.6 => 'The words of its path are those of the page’s.',
            $own >= 0.6 => 'It has the words of the page’s name.',
            default => 'It is spelt much like the page’s address.',
        };

        return new Likeness(
            $title === null ? $path : max($byTitle, 0.5 * ($byTitle + $path)),
            max($said, $title ?? 0.0),
            $own,
            $around,
            $against,
            $why,
        );
    }

    /** @param  array<string, array<string, float>>  $words  readings by word */
    private function said(array $words, PageWords $page, float $unknown = 1.0): float
    {
        $found = $all = 0.0;
        foreach ($words as $word => $readings) {
            $best = 0.0;
            $weight = $readings === [] ? $this->weight((string) $word) * (ctype_digit((string) $word) ? self::UNKNOWN_NUMBER : $unknown) : 0.0;
            foreach ($readings as $reading => $surely) {
                $best = max($best, $surely * $page->says((string) $reading));
                $weight = max($weight, $this->weight((string) $reading));
            }
            $found += $weight * $best;
            $all += $weight;
        }

        return $all === 0.0 ? 0.0 : $found / $all;
    }

    /** @param  array<string, float>  $known  how surely the old page says a word, by word */
    private function own(array $known, PageWords $page): float
    {
        $best = 0.0;
        foreach ([$page->slug, $page->name, $page->heading] as $said) {
            $found = $all = 0.0;
            foreach ($said as $word => $_) {
                $weight = $this->weight((string) $word);
                $found += $weight * ($known[$word] ?? 0.0);
                $all += $weight;
            }
            $best = $all === 0.0 ? $best : max($best, $found / $all);
        }

        return $best;
    }

    /**
     * @param  array<string, array<string, float>>  $words
     * @return array{float, float} how much of what stands before its end the page is inside of, and how much that the site knows it is not
     */
    private function around(array $words, PageWords $page): array
    {
        if ($words === []) {
            // At the top of the old site: a page near the top of this one.
            return [count($page->above) === 0 ? 0.6 : 0.4, 0.0];
        }
        $found = $known = $all = 0.0;
        foreach ($words as $word => $readings) {
            $weight = $readings === [] ? self::UNKNOWN_SECTION * $this->weight((string) $word) : 0.0;
            $all += $weight;
            $best = 0.0;
            foreach ($readings as $reading => $surely) {
                $weight = max($weight, $this->weight((string) $reading));
                $itself = $page->says((string) $reading) === 1.0 ? 0.9 : 0.0;
                $best = max($best, $surely * (isset($page->above[$reading]) ? 1.0 : $itself));
            }
            $found += $weight * $best;
            $known += $readings === [] ? 0.0 : $weight;
        }
        $all += $known;

        return $all === 0.0 ? [0.0, 0.0] : [$found / $all, ($known - $found) / $all];
    }

    private function weight(string $word): float
    {
        return $this->weights[$word] ??= $this->vocabulary->weight($word);
    }

    /**
     * Dice's coefficient.
     *
     * @param  array<string, true>  $a
     * @param  array<string, true>  $b
     */
    private static function alike(array $a, array $b): float
    {
        return (2 * count(array_intersect_key($a, $b))) / max(1, count($a) + count($b));
    }
}
