<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/**
 * What rows that somebody settled teach of the others: a word of the old site that nothing on its page accounts for stands for a word of the page
 * that nothing in the old address accounts for. Words that keep coming together are surer than two that met once.
 */
final class Lessons
{
    /** How surely a word stands for another: it was the only one left on either side, or mostly came with it. */
    private const SURELY = 0.9;

    /** It was one of several. */
    private const PERHAPS = 0.6;

    /** How often, of the times a word was left over, another has to be left over with it. */
    private const MOSTLY = 0.6;

    /** Words left over from which on a row says nothing. */
    private const TOO_MANY = 4;

    /** @var array<string, int> times a word of the old site was left over */
    private array $left = [];

    /** @var array<string, array<string, int>> times it was left over with a word of this one */
    private array $together = [];

    /** @var array<string, array<string, true>> words that were the only ones left */
    private array $alone = [];

    public function learn(OldWords $old, PageWords $page): void
    {
        $own = $page->own();
        $known = self::readings($old->whole());
        $left = array_diff_key($page->slug, $known) ?: array_diff_key($page->name, $known);
        $this->note(self::unanswered($old->last, $own), self::strings($left));
        $this->note(self::unanswered($old->title(), $own + $page->above), self::strings(array_diff_key($page->heading + $page->name, $known)));
        $this->note(self::unanswered($old->before, $own + $page->above), self::strings(array_diff_key($page->above, $known)));
    }

    /** @return array<string, array<string, float>> how surely a word of the old site stands for one of this, by both */
    public function learnt(): array
    {
        $learnt = [];
        foreach ($this->together as $old => $others) {
            foreach ($others as $new => $times) {
                $share = $times / $this->left[$old];
                $surely = $share >= self::MOSTLY && (isset($this->alone[$old][$new]) || $times > 1);
                $how = $share * ($surely ? self::SURELY : self::PERHAPS / count($others));
                if ($how > 0.2) {
                    $learnt[(string) $old][(string) $new] = $how;
                }
            }
        }

        return $learnt;
    }

    /**
     * @param  list<string>  $old
     * @param  list<string>  $new
     */
    private function note(array $old, array $new): void
    {
        if ($old === [] || $new === [] || count($old) > self::TOO_MANY || count($new) > self::TOO_MANY) {
            return;
        }
        foreach ($old as $word) {
            $this->left[$word] = ($this->left[$word] ?? 0) + 1;
            foreach ($new as $other) {
                $this->together[$word][$other] = ($this->together[$word][$other] ?? 0) + 1;
                if (count($old) === 1 && count($new) === 1) {
                    $this->alone[$word][$other] = true;
                }
            }
        }
    }

    /**
     * @param  array<string, array<string, float>>  $words  readings by word
     * @param  array<string, true>  $page
     * @return list<string> those that stand for nothing the page says
     */
    private static function unanswered(array $words, array $page): array
    {
        return self::strings(array_filter($words, static fn (array $readings): bool => array_intersect_key($readings, $page) === []));
    }

    /**
     * @param  array<string, array<string, float>>  $words
     * @return array<string, float>
     */
    private static function readings(array $words): array
    {
        return array_replace([], ...array_values($words));
    }

    /**
     * @param  array<array-key, mixed>  $words
     * @return list<string>
     */
    private static function strings(array $words): array
    {
        return array_map(strval(...), array_keys($words));
    }
}
