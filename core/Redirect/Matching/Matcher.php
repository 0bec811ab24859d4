<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/**
 * Finds for old addresses the pages they became. Each is compared with the pages that share words with it, the rarest words first
 * (Comparing); then what is known of its neighbours in the old site is spread over both trees until it settles (Spreading, after
 * similarity flooding, Melnik, Garcia-Molina and Rahm 2002), and siblings are told apart. How sure that is says Certainty.
 *
 * Cost: building, linear in the pages; matching, in the pages that share a word with the old address, the rarest words first.
 */
final class Matcher
{
    /** Pages that are compared closely. */
    private const CLOSELY = 16;

    /** How alike another page must be, against the likeliest, to be named beside it. */
    private const WORTH_NAMING = 0.5;

    /** Pages that the words of one address may bring in, the rarest first; the rarest always does. */
    private const MAX_BROUGHT_IN = 3000;

    /** Old pages that tell of each other at once. */
    private const PIECE = 3000;

    /** Titles from which on a word that most of them have is the old site's own name, or the like. */
    private const MANY_TITLES = 4;

    /** How sure it is that a page which the old one names as itself is it. */
    private const NAMED = 0.98;

    /** How sure it is that what was the home page is it still. */
    private const HOME = 0.95;

    /** @var array<string, Candidate> */
    private array $pages = [];

    /** @var array<string, list<string>> pages by a word of their own */
    private array $index = [];

    /** @var array<string, string> page by former or own address, in lower case */
    private array $exact = [];

    /** @var array<string, PageWords> */
    private array $words = [];

    /** @var array<string, true> words that most titles of the list have */
    private array $common = [];

    private readonly Vocabulary $vocabulary;

    private readonly PageTree $tree;

    private readonly Comparing $comparing;

    /** @param  iterable<Candidate>  $pages */
    public function __construct(iterable $pages)
    {
        $this->vocabulary = new Vocabulary();
        foreach ($pages as $page) {
            $this->pages[$page->id] = $page;
            foreach ([...$page->former, $page->address] as $address) {
                $this->exact[PageTree::bare($address)] = $page->id;
            }
        }
        $this->tree = new PageTree($this->pages);
        foreach ($this->pages as $page) {
            $this->words[$page->id] = $this->wordsOf($page);
            $own = $this->words[$page->id]->own();
            $this->vocabulary->add(array_map(strval(...), array_keys($own + $this->words[$page->id]->above)));
            // What a page is inside of does not bring it in: Spreading does, where the rest of the list speaks for that.
            foreach ($own as $word => $_) {
                $this->index[$word][] = $page->id;
            }
        }
        $this->comparing = new Comparing($this->vocabulary);
    }

    /** @param  string  $title  of the old page, where it is known */
    public function match(string $old, string $title = ''): Proposal
    {
        return $this->matchAll([new OldPage($old, $title)])[0];
    }

    /**
     * @param  list<OldPage>  $old  of one site: they tell something of each other
     * @param  array<string, string>  $settled  by old address: the page that somebody said it became, which teaches of the others
     * @param  array<string, array<string, float>>  $glossary  as Glossary reads it
     * @return list<Proposal> in the same order
     */
    public function matchAll(array $old, array $settled = [], array $glossary = []): array
    {
        $settled = array_filter($settled, fn (string $page): bool => isset($this->pages[$page]));
        $titles = self::titles($old);
        $this->common = self::common($titles);
        $this->learn($old, $settled, $glossary);
        $this->comparing->titlesAreKnown($this->knownInTitles($titles));
        $paths = array_map(static fn (OldPage $page): string => $page->path(), $old);
        // What lies together is matched together; all at once would take the memory of a large list.
        asort($paths, SORT_STRING);
        $proposals = [];
        foreach (array_chunk(array_keys($paths), self::PIECE) as $piece) {
            $found = $this->together(array_map(static fn (int $n): OldPage => $old[$n], $piece), $piece, $settled);
            foreach ($piece as $at => $n) {
                $proposals[$n] = $found[$at];
            }
        }
        ksort($proposals);

        return array_values($proposals);
    }

    /**
     * @param  list<OldPage>  $old
     * @param  list<int>  $places  of these in the whole list
     * @param  array<string, string>  $settled
     * @return list<Proposal>
     */
    private function together(array $old, array $places, array $settled): array
    {
        $likeness = $known = [];
        /** @var \WeakMap<OldPage, OldWords> $read */
        $read = new \WeakMap();
        $words = fn (OldPage $page): OldWords => ($read[$page] ??= OldWords::of($page, $this->vocabulary, $this->common));
        foreach ($old as $n => $page) {
            $known[$n] = $this->known($page, $settled[$page->address] ?? null);
            if ($known[$n] !== null) {
                [$is, $certainly] = $known[$n];
                $likeness[$n] = [$is => $certainly];

                continue;
            }
            $likeness[$n] = [];
            foreach ($this->candidates($words($page)) as $id) {
                $likeness[$n][$id] = $this->comparing->of($words($page), $this->words[$id]);
            }
        }
        $spread = new Spreading(
            $this->tree,
            $old,
            $places,
            $likeness,
            fn (OldPage $page, string $id): Likeness => $this->comparing->of($words($page), $this->words[$id]),
        );
        $familiar = self::familiar(array_map($words, $old));
        $proposals = [];
        foreach ($old as $n => $page) {
            if ($known[$n] !== null) {
                [$is, $certainly] = $known[$n];
                $proposals[] = new Proposal($page->address, $this->pages[$is], $certainly->score, $certainly->why, []);
            } else {
                $proposals[] = $this->proposal(
                    $page,
                    $spread->beliefs($n),
                    $spread->likenesses($n),
                    $spread->support($n),
                    $spread->elsewhere($n),
                    $familiar,
                );
            }
        }

        return $proposals;
    }

    /**
     * @param  list<OldPage>  $old
     * @param  array<string, string>  $settled
     * @param  array<string, array<string, float>>  $glossary
     */
    private function learn(array $old, array $settled, array $glossary): void
    {
        $this->vocabulary->teach($glossary);
        $lessons = new Lessons();
        foreach ($settled === [] ? [] : $old as $page) {
            $became = $settled[$page->address] ?? null;
            if ($became !== null) {
                $lessons->learn(OldWords::of($page, $this->vocabulary, $this->common), $this->words[$became]);
            }
        }
        // What somebody wrote down is not put in question by what rows seem to say.
        $this->vocabulary->teach($glossary + $lessons->learnt());
    }

    /**
     * @param  list<OldPage>  $old
     * @return list<list<string>> words of each title that is known
     */
    private static function titles(array $old): array
    {
        $titled = array_values(array_filter($old, static fn (OldPage $page): bool => $page->title !== ''));

        return array_map(static fn (OldPage $page): array => Words::of($page->title), $titled);
    }

    /**
     * @param  list<list<string>>  $titles
     * @return float share of their words that stands for something here; 1 where there are none
     */
    private function knownInTitles(array $titles): float
    {
        $words = array_merge(...$titles);
        $known = array_filter($words, fn (string $word): bool => $this->vocabulary->readings($word) !== [] || $this->vocabulary->apart($word) !== []);

        return $words === [] ? 1.0 : count($known) / count($words);
    }

    /**
     * @param  list<list<string>>  $titles
     * @return array<string, true> words that most of them have
     */
    private static function common(array $titles): array
    {
        if (count($titles) < self::MANY_TITLES) {
            return [];
        }
        $times = array_count_values(array_merge(...array_map(array_unique(...), $titles)));

        return array_fill_keys(array_map(strval(...), array_keys(array_filter($times, static fn (int $n): bool => 2 * $n > count($titles)))), true);
    }

    /** @return array{string, Likeness}|null the page that an old address is known to have become */
    private function known(OldPage $old, ?string $settled): ?array
    {
        if ($settled !== null) {
            return [$settled, new Likeness(1.0, 1.0, 1.0, 1.0, 0.0, 'Somebody said so.')];
        }
        $page = $this->exact[PageTree::bare($old->path())] ?? null;
        if ($page !== null && ($old->query() === '' || PageTree::bare($old->path()) !== '')) {
            return [$page, new Likeness(1.0, 1.0, 1.0, 1.0, 0.0, 'This address leads to the page already.')];
        }
        foreach ($old->furtherPaths() as $path) {
            $page = PageTree::bare($path) === '' ? null : $this->exact[PageTree::bare($path)] ?? null;
            if ($page !== null) {
                return [$page, new Likeness(self::NAMED, 1.0, 1.0, 1.0, 0.0, 'It names an address of the page as its own.')];
            }
        }
        $home = $this->exact[''] ?? null;

        return $home !== null && $old->isHome() ? [$home, new Likeness(self::HOME, 1.0, 1.0, 1.0, 0.0, 'It was a home page.')] : null;
    }

    /**
     * @param  array<string, float>  $beliefs  the most first
     * @param  array<string, Likeness>  $likeness
     */
    private function proposal(OldPage $old, array $beliefs, array $likeness, float $support, float $elsewhere, float $familiar): Proposal
    {
        $ids = array_map(strval(...), array_keys($beliefs));
        if ($ids === []) {
            return new Proposal($old->address, null, 0.0, 'No page shares a word with it.', [], NoPage::of(null, $familiar));
        }
        $best = $beliefs[$ids[0]];
        $next = array_slice(array_filter($ids, static fn (string $id): bool => $beliefs[$id] >= self::WORTH_NAMING * $best), 1, 3);
        $of = $likeness[$ids[0]];
        $sure = Certainty::of($of, $best, $beliefs[$ids[1] ?? ''] ?? 0.0, $support, $elsewhere);

        return new Proposal(
            $old->address,
            $this->pages[$ids[0]],
            $sure,
            $of->score < 0.35 ? 'Pages beside it lead there.' : $of->why,
            array_map(fn (string $id): Candidate => $this->pages[$id], $next),
            NoPage::of($sure, $familiar),
        );
    }

    /**
     * @param  list<OldWords>  $old
     * @return float share of what they say at their ends, and are called, that stands for something here; 1 where they say nothing
     */
    private static function familiar(array $old): float
    {
        $known = $all = 0;
        foreach ($old as $words) {
            foreach ([$words->last, ...$words->called] as $said) {
                $all += count($said);
                $known += count(array_filter($said));
            }
        }

        return $all === 0 ? 1.0 : $known / $all;
    }

    /** @return list<string> pages that share words, those with the rarest first */
    private function candidates(OldWords $old): array
    {
        $weights = [];
        foreach ([[$old->last, 1.0], [$old->title(), 1.0], [$old->before, 0.5]] as [$words, $counts]) {
            foreach ($words as $readings) {
                foreach ($readings as $reading => $surely) {
                    $weights[$reading] = max($weights[$reading] ?? 0.0, $counts * $surely);
                }
            }
        }
        uksort($weights, fn (string|int $a, string|int $b): int => count($this->index[$a] ?? []) <=> count($this->index[$b] ?? []));
        $found = [];
        $broughtIn = 0;
        foreach ($weights as $word => $surely) {
            $of = $this->index[$word] ?? [];
            $broughtIn += count($of);
            if ($found !== [] && $broughtIn > self::MAX_BROUGHT_IN) {
                break;
            }
            $weight = $surely * $this->vocabulary->weight((string) $word);
            foreach ($of as $id) {
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

    private function wordsOf(Candidate $page): PageWords
    {
        $segments = explode('/', trim($page->address, '/'));
        $last = (string) array_pop($segments);
        $above = implode(' ', $segments);
        for ($up = $this->tree->parent($page->id); $up !== null; $up = $this->tree->parent($up)) {
            $above .= " {$this->pages[$up]->name}";
        }
        $set = static fn (string $text): array => array_fill_keys(Words::of($text), true);

        return new PageWords($set($last), $set($page->name), $set($page->heading), $set($above), $last);
    }
}
