<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\OutlineRows;
use App\Store\PageFilter;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Visitors\Guest;

/** The outline: what it opens with, one branch, and what a filter finds. */
final readonly class ReadOutline
{
    /** Most rows that a filter shows. */
    private const MAX_FOUND = 200;

    /** Most branches that are opened at once. */
    private const MAX_OPEN = 50;

    public function __construct(private OutlineRows $rows, private SeenBy $seen)
    {
    }

    /**
     * @param  list<string>  $open  branches that somebody left open
     * @param  string|null  $reveal  a page whose line is opened besides
     * @return array<string, mixed>
     */
    public function opened(Site $site, array $open, ?string $reveal): array
    {
        return $this->asAnybody($site, fn (): array => $this->branches($site, $open, $reveal));
    }

    /**
     * What is marked as closed is what anybody at all does not see.
     *
     * @param  \Closure(): array<string, mixed>  $read
     * @return array<string, mixed>
     */
    private function asAnybody(Site $site, \Closure $read): array
    {
        return $this->seen->during(Guest::anybody(), $site, $read);
    }

    /**
     * @param  list<string>  $open
     * @return array<string, mixed>
     */
    private function branches(Site $site, array $open, ?string $reveal): array
    {
        $line = $reveal === null ? [] : $this->rows->lineTo($site, $reveal);
        $top = $this->rows->children($site, null);
        $branches = [
            [
                'parent' => null,
                'total' => count($top) < OutlineRows::PIECE ? count($top) : $this->rows->childCount($site, null),
                'offset' => 0,
                'rows' => $top,
            ],
        ];
        $room = OutlineRows::FIRST - count($top);
        foreach ($this->rows->branches($site, array_values(array_unique([...$line, ...array_slice($open, 0, self::MAX_OPEN)]))) as $parent => $rows) {
            if ($room <= 0) {
                break;
            }
            $rows = array_slice($rows, 0, $room);
            $room -= count($rows);
            $branches[] = ['parent' => $parent, 'total' => $this->rows->childCount($site, $parent), 'offset' => 0, 'rows' => $rows];
        }

        return ['counts' => $this->rows->counts($site), 'branches' => $branches];
    }

    /** @return array<string, mixed> */
    public function branch(Site $site, ?string $parent, int $offset): array
    {
        return $this->asAnybody(
            $site,
            fn (): array => [
                'parent' => $parent,
                'total' => $this->rows->childCount($site, $parent),
                'offset' => $offset,
                'rows' => $this->rows->children($site, $parent, $offset),
            ],
        );
    }

    /**
     * @param  array{text: string, state: string, kind: string, layout: string, tag: string}  $asked
     * @param  string  $sort  a column of OutlineRows::SORTS instead of the tree's order
     * @return array<string, mixed>
     *
     * @throws InputRefused
     */
    public function filtered(Site $site, array $asked, string $sort = ''): array
    {
        $filter = PageFilter::of($asked);
        if ($sort !== '' && ! isset(OutlineRows::SORTS[preg_replace('/^-/', '', $sort)])) {
            throw new InputRefused('sort', 'Pages are sorted by '.implode(', ', array_keys(OutlineRows::SORTS)).'; with a hyphen before it, the highest first.', 'name');
        }
        if (! $filter->asksNothing()) {
            $read = fn (): array => $sort === ''
                ? $this->rows->matching($site, $filter, self::MAX_FOUND)
                : $this->rows->sorted($site, $filter, $sort, self::MAX_FOUND);

            return $this->asAnybody($site, fn (): array => $this->found($site, $filter, ...$read()));
        }

        return $this->found($site, $filter, 0, []);
    }

    /**
     * @param  list<\stdClass>  $rows
     * @return array<string, mixed>
     */
    private function found(Site $site, PageFilter $filter, int $total, array $rows): array
    {
        return [
            'total' => $total,
            'facets' => array_map(static fn (array $counts): object => (object) $counts, $this->rows->facets($site, $filter)),
            'rows' => $rows,
        ];
    }

    /**
     * @param  array{text: string, state: string, kind: string, layout: string, tag: string}  $asked
     * @return list<string> identities of all pages that a filter finds, at most as many as a batch names
     */
    public function ids(Site $site, array $asked): array
    {
        return $this->rows->ids($site, PageFilter::of($asked), Batch::MAX_PAGES);
    }
}
