<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/**
 * Spreads over both trees what is known of some pages: what lies in the same section of the old site mostly lies in the same branch of
 * this one, and a section is what its members are. A few rounds, after which little changes; then siblings that want the same page are told apart.
 */
final class Spreading
{
    private const ROUNDS = 4;

    /** Pages kept for each old one from round to round. */
    private const KEPT = 8;

    /** How much what is above, and what is below, counts beside the words. */
    private const UP = 0.28;

    private const DOWN = 0.34;

    /** How much a place among siblings counts. */
    private const ORDER = 0.2;

    /** From which belief on a page is known well enough to tell of those beside it. */
    private const KNOWN = 0.5;

    private const AHEAD = 0.06;

    /** How much of a belief in what is above holds for a page further below. */
    private const FURTHER = 0.6;

    /** Children that a section may bring in. */
    private const MOST_CHILDREN = 40;

    /** @var list<OldPage> with sections that are named in addresses only */
    private array $old;

    /** @var array<int, int|null> */
    private array $above = [];

    /** @var array<int, list<int>> */
    private array $below = [];

    /** @var array<int, array<string, Likeness>> */
    private array $likeness;

    /** @var array<int, array<string, float>> */
    private array $beliefs = [];

    /** @var array<int, int> in the list; of a section, that of the first in it */
    private array $places;

    /** @var array<int, list<int>>|null as siblings() gives them, once asked for */
    private ?array $siblings = null;

    /** @var array<int, array{string, float}> what an old page is by its place among its siblings, and how far that says something */
    private array $inOrder = [];

    /** @var array<int, float> how much of the belief in the best comes from neighbours */
    private array $support = [];

    /**
     * @param  list<OldPage>  $old
     * @param  list<int>  $places  in the list, of the old pages
     * @param  array<int, array<string, Likeness>>  $likeness  by page
     * @param  \Closure(OldPage, string): Likeness  $compare
     */
    public function __construct(private readonly PageTree $tree, array $old, array $places, array $likeness, private readonly \Closure $compare)
    {
        [$this->old, $this->places, $this->likeness] = [$old, $places, $likeness];
        $this->arrange();
        foreach ($this->likeness as $n => $pages) {
            $this->beliefs[$n] = self::top(array_map(static fn (Likeness $each): float => $each->score, $pages));
        }
        if (count($this->old) > 1) {
            for ($round = 0; $round < self::ROUNDS; $round++) {
                $this->round();
                $round + 1 === self::ROUNDS ?: $this->order();
            }
            $this->tellApart();
        }
    }

    /** @return array<string, float> the most first */
    public function beliefs(int $n): array
    {
        return $this->beliefs[$n];
    }

    /** @return array<string, Likeness> */
    public function likenesses(int $n): array
    {
        return $this->likeness[$n];
    }

    public function support(int $n): float
    {
        return $this->support[$n] ?? 0.0;
    }

    /** How far what is above it has become something that the page found for it is not inside of. */
    public function elsewhere(int $n): float
    {
        $above = $this->above[$n] ?? null;
        $best = array_key_first($this->beliefs[$n]);

        return $above === null || $best === null
            ? 0.0
            : max(0.0, max([0.0, ...$this->beliefs[$above] ?? []]) - ($this->up($n, (string) $best) ?? 0.0));
    }

    /** Sections of the old site: those that are in the list, and those that only stand in addresses. */
    private function arrange(): void
    {
        $at = [];
        foreach ($this->old as $n => $page) {
            $at[self::key($page->path())] ??= $n;
        }
        for ($n = 0; $n < count($this->old); $n++) {
            $key = self::key($this->old[$n]->path());
            $up = substr($key, 0, (int) strrpos($key, '/'));
            if ($up !== '' && ! isset($at[$up])) {
                $at[$up] = count($this->old);
                $this->old[] = new OldPage($up);
                $this->likeness[$at[$up]] = [];
                $this->places[] = PHP_INT_MAX;
            }
            $this->above[$n] = $up === '' ? null : $at[$up];
            if ($this->above[$n] !== null) {
                $this->below[$this->above[$n]][] = $n;
            }
        }
    }

    private function round(): void
    {
        $next = [];
        foreach ($this->old as $n => $page) {
            $this->bringIn($n);
            $below = $this->down($n);
            $beliefs = [];
            foreach ($this->likeness[$n] as $id => $likeness) {
                [$up, $down] = [$this->up($n, (string) $id), $below === null ? null : $below[$id] ?? 0.0];
                $beliefs[$id] =
                    ($likeness->score + self::UP * ($up ?? 0.0) + self::DOWN * ($down ?? 0.0)) /
                    (1 + ($up === null ? 0.0 : self::UP) + ($down === null ? 0.0 : self::DOWN));
            }
            if (isset($this->inOrder[$n])) {
                [$id, $says] = $this->inOrder[$n];
                $beliefs[$id] = ($beliefs[$id] ?? 0.0) + self::ORDER * $says;
            }
            $next[$n] = self::top($beliefs);
            $best = (string) array_key_first($next[$n]);
            $this->support[$n] = max($this->up($n, $best) ?? 0.0, $below[$best] ?? 0.0);
        }
        $this->beliefs = $next;
    }

    /** Siblings that share no word with anything, by their places, where the list runs in the order of the pages. */
    private function order(): void
    {
        $known = $this->known();
        $sure = array_filter($known, fn (int $n): bool => $this->places[$n] !== PHP_INT_MAX, ARRAY_FILTER_USE_KEY);
        uksort($sure, fn (int $a, int $b): int => $this->places[$a] <=> $this->places[$b]);
        $this->inOrder = [];
        if (! InOrder::runs(array_values(array_map($this->tree->place(...), $sure)))) {
            return;
        }
        $siblings = $this->siblings ??= $this->siblings();
        // What everything is in is the old site, by whatever name.
        $whole = count($siblings[-1]) === 1 ? $siblings[-1][0] : null;
        foreach ($siblings as $section => $old) {
            $is = $section === -1 ? null : array_key_first($this->beliefs[$section]);
            $new = match (true) {
                $section === -1, $section === $whole, $is !== null && $this->tree->place((string) $is) < 0 => $this->tree->tops(),
                $is === null => [],
                default => $this->tree->children((string) $is),
            };
            $this->inOrder += $new === [] ? [] : InOrder::between($old, $new, array_intersect_key($known, array_flip($old)));
        }
    }

    /** @return array<int, string> pages that are believed in, ahead of the next, and by one old page alone */
    private function known(): array
    {
        $known = $times = [];
        foreach ($this->beliefs as $n => $beliefs) {
            [$best, $next] = [...array_values($beliefs), 0.0, 0.0];
            if ($best >= self::KNOWN && $best - $next >= self::AHEAD) {
                $known[$n] = (string) array_key_first($beliefs);
                $times[$known[$n]] = ($times[$known[$n]] ?? 0) + 1;
            }
        }

        return array_filter($known, static fn (string $page): bool => $times[$page] === 1);
    }

    /** @return array<int, list<int>> in the order of the list, by what is above them; -1 for nothing */
    private function siblings(): array
    {
        foreach (array_reverse(array_keys($this->old)) as $n) {
            $above = $this->above[$n] ?? null;
            if ($above !== null) {
                $this->places[$above] = min($this->places[$above], $this->places[$n]);
            }
        }
        $siblings = [];
        foreach ($this->above as $n => $above) {
            $siblings[$above ?? -1][] = $n;
        }
        foreach ($siblings as &$each) {
            usort($each, fn (int $a, int $b): int => $this->places[$a] <=> $this->places[$b]);
        }

        return $siblings;
    }

    /** Pages that its neighbours speak for, also where it shares no word with them. */
    private function bringIn(int $n): void
    {
        $ids = [];
        $above = $this->above[$n] ?? null;
        if ($above !== null) {
            foreach (array_slice($this->beliefs[$above] ?? [], 0, 2, true) as $id => $belief) {
                if ($belief > 0.35) {
                    array_push($ids, ...array_slice($this->tree->children((string) $id), 0, self::MOST_CHILDREN));
                }
            }
        }
        foreach (array_slice($this->below[$n] ?? [], 0, self::MOST_CHILDREN) as $child) {
            $id = array_key_first($this->beliefs[$child] ?? []);
            if ($id !== null && $this->beliefs[$child][$id] > 0.4) {
                $parent = $this->tree->parent((string) $id);
                array_push($ids, ...array_filter([$parent, $parent === null ? null : $this->tree->parent($parent)]));
            }
        }
        if (isset($this->inOrder[$n])) {
            $ids[] = $this->inOrder[$n][0];
        }
        foreach ($ids as $id) {
            $this->likeness[$n][$id] ??= ($this->compare)($this->old[$n], $id);
        }
    }

    /** How far what is above the one is what the other is inside of; null where nothing is above. */
    private function up(int $n, string $id): ?float
    {
        $above = $this->above[$n] ?? null;
        if ($above === null || ($this->beliefs[$above] ?? []) === []) {
            return null;
        }
        $best = 0.0;
        $share = 1.0;
        for ($up = $this->tree->parent($id), $steps = 0; $up !== null && $steps < 3; $up = $this->tree->parent($up), $steps++) {
            $best = max($best, $share * ($this->beliefs[$above][$up] ?? 0.0));
            $share *= self::FURTHER;
        }

        return $best;
    }

    /**
     * How far what is below the one lies below others.
     *
     * @return array<string, float>|null by page; null where nothing is below
     */
    private function down(int $n): ?array
    {
        $below = array_slice($this->below[$n] ?? [], 0, self::MOST_CHILDREN);
        if ($below === []) {
            return null;
        }
        $sums = [];
        foreach ($below as $child) {
            $best = [];
            foreach ($this->beliefs[$child] ?? [] as $page => $belief) {
                $parent = $this->tree->parent((string) $page);
                $further = $parent === null ? null : $this->tree->parent($parent);
                if ($parent !== null) {
                    $best[$parent] = max($best[$parent] ?? 0.0, $belief);
                }
                if ($further !== null) {
                    $best[$further] = max($best[$further] ?? 0.0, self::FURTHER * $belief);
                }
            }
            foreach ($best as $id => $belief) {
                $sums[$id] = ($sums[$id] ?? 0.0) + $belief;
            }
        }
        // One child alone says little.
        $share = min(1.0, (1 + count($below)) / 4) / count($below);

        return array_map(static fn (float $sum): float => $sum * $share, $sums);
    }

    /** Of old siblings that want the same page the likeliest has it; another takes its next, where that is nearly as likely and free. */
    private function tellApart(): void
    {
        $wanted = [];
        foreach ($this->beliefs as $n => $beliefs) {
            $best = array_key_first($beliefs);
            if ($best !== null) {
                $wanted[$this->above[$n] ?? -1][$best][] = $n;
            }
        }
        foreach ($wanted as $bySibling) {
            foreach ($bySibling as $page => $siblings) {
                if (count($siblings) < 2) {
                    continue;
                }
                usort($siblings, fn (int $a, int $b): int => $this->beliefs[$b][$page] <=> $this->beliefs[$a][$page]);
                $first = self::said($this->old[$siblings[0]]);
                foreach (array_slice($siblings, 1) as $n) {
                    // Forms of the same page, to print or of another day, go where it goes.
                    if (self::said($this->old[$n]) === $first) {
                        continue;
                    }
                    $other = array_keys($this->beliefs[$n])[1] ?? null;
                    if ($other !== null && ! isset($bySibling[$other]) && $this->beliefs[$n][$other] >= 0.8 * $this->beliefs[$n][$page]) {
                        $this->beliefs[$n] = [$other => $this->beliefs[$n][$page]] + $this->beliefs[$n];
                    }
                }
            }
        }
    }

    private static function said(OldPage $old): string
    {
        return implode(' ', Words::of($old->path()));
    }

    private static function key(string $path): string
    {
        return strtolower((string) preg_replace('#(?:/(?:index|default|home)?\.\w{2,5}|\.\w{2,5}|/)$#', '', rtrim($path, '/')));
    }

    /**
     * @param  array<string, float>  $beliefs
     * @return array<string, float>
     */
    private static function top(array $beliefs): array
    {
        arsort($beliefs);

        return array_slice($beliefs, 0, self::KEPT, true);
    }
}
