<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use SebastianBergmann\Diff\Differ;
use SebastianBergmann\Diff\Output\DiffOnlyOutputBuilder;

/**
 * Two versions of words side by side: blocks that are alike stand beside each other, and the words that differ
 * between them are marked. By the longest common run of blocks, then of words (Hunt–McIlroy).
 */
final class Comparison
{
    /** Above so many pairs of words a changed block is marked whole. */
    private const MAX_STEPS = 1_000_000;

    /** @return list<ComparedRow> */
    public static function of(Document $left, Document $right): array
    {
        [$a, $b] = [self::blocks($left), self::blocks($right)];
        $rows = [];
        $alone = [[], []];
        foreach (self::aligned(array_column($a, 1), array_column($b, 1)) as [$i, $j]) {
            if ($i !== null && $j !== null) {
                array_push($rows, ...self::changed(...$alone));
                $alone = [[], []];
                $rows[] = new ComparedRow('same', self::plain($a[$i]), self::plain($b[$j]));
            } elseif ($i !== null) {
                $alone[0][] = $a[$i];
            } else {
                $alone[1][] = $b[(int) $j];
            }
        }

        return [...$rows, ...self::changed(...$alone)];
    }

    /**
     * Blocks between two that are the same: paired in order.
     *
     * @param  list<array{string, string}>  $left
     * @param  list<array{string, string}>  $right
     * @return list<ComparedRow>
     */
    private static function changed(array $left, array $right): array
    {
        $rows = [];
        for ($n = 0; $n < max(count($left), count($right)); $n++) {
            $l = $left[$n] ?? null;
            $r = $right[$n] ?? null;
            $rows[] = match (true) {
                $l === null => new ComparedRow('right-only', null, $r === null ? null : self::plain($r, true)),
                $r === null => new ComparedRow('left-only', self::plain($l, true), null),
                default => self::pair($l, $r),
            };
        }

        return $rows;
    }

    /**
     * @param  array{string, string}  $left
     * @param  array{string, string}  $right
     */
    private static function pair(array $left, array $right): ComparedRow
    {
        $a = preg_split('/(?<=\s)|(?=\s)/u', $left[1], -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $b = preg_split('/(?<=\s)|(?=\s)/u', $right[1], -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $pieces = [[], []];
        foreach (count($a) * count($b) > self::MAX_STEPS ? [] : self::aligned($a, $b) as [$i, $j]) {
            if ($i !== null) {
                self::add($pieces[0], $a[$i], $j === null);
            }
            if ($j !== null) {
                self::add($pieces[1], $b[$j], $i === null);
            }
        }

        return new ComparedRow(
            'changed',
            ['type' => $left[0], 'pieces' => $pieces[0] ?: [['text' => $left[1], 'marked' => true]]],
            ['type' => $right[0], 'pieces' => $pieces[1] ?: [['text' => $right[1], 'marked' => true]]],
        );
    }

    /** @param  list<array{text: string, marked: bool}>  $pieces */
    private static function add(array &$pieces, string $text, bool $marked): void
    {
        $last = count($pieces) - 1;
        if ($last >= 0 && $pieces[$last]['marked'] === $marked) {
            $pieces[$last]['text'] .= $text;
        } else {
            $pieces[] = ['text' => $text, 'marked' => $marked];
        }
    }

    /**
     * @param  array{string, string}  $block
     * @return array{type: string, pieces: list<array{text: string, marked: bool}>}
     */
    private static function plain(array $block, bool $marked = false): array
    {
        return ['type' => $block[0], 'pieces' => [['text' => $block[1], 'marked' => $marked]]];
    }

    /**
     * Pairs of indices in order; null on the side that has no equal. What both begin and end with is paired first; of a
     * large rest those that occur once on either side hold the others apart (patience diff). Cost: never more than MAX_STEPS
     * steps at once, and n log n for the rest.
     *
     * @param  list<string>  $a
     * @param  list<string>  $b
     * @return list<array{int|null, int|null}>
     */
    private static function aligned(array $a, array $b): array
    {
        [$from, $endA, $endB] = [0, count($a), count($b)];
        while ($from < $endA && $from < $endB && $a[$from] === $b[$from]) {
            $from++;
        }
        while ($endA > $from && $endB > $from && $a[$endA - 1] === $b[$endB - 1]) {
            $endA--;
            $endB--;
        }
        $pairs = $from === 0 ? [] : array_map(null, range(0, $from - 1), range(0, $from - 1));
        $middle =
            ($endA - $from) * ($endB - $from) > self::MAX_STEPS
                ? self::apart($a, $b, $from, $endA, $endB)
                : self::common(array_slice($a, $from, $endA - $from), array_slice($b, $from, $endB - $from), $from, $from);
        array_push($pairs, ...$middle);
        for ($i = 0; $endA + $i < count($a); $i++) {
            $pairs[] = [$endA + $i, $endB + $i];
        }

        return $pairs;
    }

    /**
     * The longest common run.
     *
     * @param  list<string>  $a
     * @param  list<string>  $b
     * @return list<array{int|null, int|null}>
     */
    private static function common(array $a, array $b, int $i, int $j): array
    {
        $pairs = [];
        foreach ((new Differ(new DiffOnlyOutputBuilder()))->diffToArray($a, $b) as [, $kind]) {
            $pairs[] = match ($kind) {
                Differ::REMOVED => [$i++, null],
                Differ::ADDED => [null, $j++],
                default => [$i++, $j++],
            };
        }

        return $pairs;
    }

    /**
     * @param  list<string>  $a
     * @param  list<string>  $b
     * @return list<array{int|null, int|null}>
     */
    private static function apart(array $a, array $b, int $from, int $endA, int $endB): array
    {
        $pairs = [];
        $i = $j = $from;
        foreach ([...self::anchors($a, $b, $from, $endA, $endB), [$endA, $endB]] as [$nextA, $nextB]) {
            $isSmall = ($nextA - $i) * ($nextB - $j) <= self::MAX_STEPS;
            array_push(
                $pairs,
                ...$isSmall
                    ? self::common(array_slice($a, $i, $nextA - $i), array_slice($b, $j, $nextB - $j), $i, $j)
                    : [...self::alone($i, $nextA, 0), ...self::alone($j, $nextB, 1)],
            );
            if ($nextA < $endA) {
                $pairs[] = [$nextA, $nextB];
            }
            [$i, $j] = [$nextA + 1, $nextB + 1];
        }

        return $pairs;
    }

    /** @return list<array{int|null, int|null}> */
    private static function alone(int $from, int $end, int $side): array
    {
        return array_map(static fn (int $i): array => $side === 0 ? [$i, null] : [null, $i], $from < $end ? range($from, $end - 1) : []);
    }

    /**
     * What occurs once on either side, as far as it is in the same order: the longest increasing run (Schensted, by piles).
     *
     * @param  list<string>  $a
     * @param  list<string>  $b
     * @return list<array{int, int}>
     */
    private static function anchors(array $a, array $b, int $from, int $endA, int $endB): array
    {
        $once = static fn (array $of, int $end): array => array_keys(
            array_filter(array_count_values(array_slice($of, $from, $end - $from)), static fn (int $times): bool => $times === 1),
        );
        $unique = array_intersect_key(array_flip($once($a, $endA)), array_flip($once($b, $endB)));
        $inB = [];
        for ($j = $from; $j < $endB; $j++) {
            if (isset($unique[$b[$j]])) {
                $inB[$b[$j]] = $j;
            }
        }
        $tops = $before = [];
        for ($i = $from; $i < $endA; $i++) {
            $j = $inB[$a[$i]] ?? null;
            if ($j === null) {
                continue;
            }
            for ($low = 0, $high = count($tops); $low < $high;) {
                $middle = intdiv($low + $high, 2);
                [$low, $high] = $tops[$middle][1] < $j ? [$middle + 1, $high] : [$low, $middle];
            }
            $before[$i] = $low === 0 ? null : $tops[$low - 1];
            $tops[$low] = [$i, $j];
        }
        $anchors = [];
        for ($at = $tops === [] ? null : $tops[count($tops) - 1]; $at !== null; $at = $before[$at[0]]) {
            $anchors[] = $at;
        }

        return array_reverse($anchors);
    }

    /** @return list<array{string, string}> type and text of each block; a list item is one of its own */
    private static function blocks(Document $document): array
    {
        $blocks = [];
        foreach ($document->blocks as $block) {
            $parts = in_array($block['type'], ['bulletList', 'orderedList'], true) ? $block['content'] ?? [] : [$block];
            foreach ($parts as $part) {
                $blocks[] = [(string) $block['type'], self::text($part)];
            }
        }

        return $blocks;
    }

    /** @param  array<string, mixed>  $node */
    private static function text(array $node): string
    {
        if (isset($node['text'])) {
            return (string) $node['text'];
        }
        $shown = match ($node['type'] ?? null) {
            'picture' => $node['attrs']['alt'] ?? '',
            'gallery' => implode(', ', array_column($node['attrs']['pictures'] ?? [], 'alt')),
            'button' => $node['attrs']['text'] ?? '',
            'video' => $node['attrs']['title'] ?? '',
            'file' => $node['attrs']['name'] ?? '',
            'pages', 'divider', 'shared' => '',
            default => null,
        };
        if ($shown !== null) {
            return trim("[{$node['type']}] $shown");
        }

        return implode(
            ($node['type'] ?? '') === 'paragraph' || ($node['type'] ?? '') === 'heading' ? '' : ' ',
            array_map(self::text(...), $node['content'] ?? []),
        );
    }
}
