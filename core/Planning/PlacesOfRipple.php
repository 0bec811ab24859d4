<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Access\Marks;
use Heronstem\Core\Ripple\Ripple;

/** In which of the branches that rights speak of the pages of a ripple lie, before it and after it. */
final readonly class PlacesOfRipple
{
    /** Levels of a tree; more is a circle. */
    private const DEEPEST = 100;

    /**
     * @param  array<string, true>  $branches
     * @param  array<string, list<string>>  $before  by page, nearest first
     */
    private function __construct(private Ripple $ripple, private array $branches, private array $before)
    {
    }

    /** @param  list<string>  $branches  those that rights speak of */
    public static function of(Ripple $ripple, Marks $marks, array $branches): self
    {
        return new self($ripple, array_fill_keys($branches, true), $branches === [] ? [] : $marks->around(self::pagesConcerned($ripple), $branches));
    }

    /** @return list<string> the branches around a page as it stands before; around one that is made, where it is put */
    public function before(string $page): array
    {
        return $this->branches === [] ? [] : $this->before[$page] ?? $this->after($page);
    }

    /** @return list<string> the branches around a page as the ripple leaves it; none for null, the top */
    public function after(?string $page): array
    {
        $around = [];
        for ($steps = 0; $this->branches !== [] && $page !== null && $steps < self::DEEPEST; $steps++) {
            $known = $this->ripple->pages->outcome->find($page);
            if ($known === null) {
                return [...$around, ...$this->before[$page] ?? []];
            }
            if (isset($this->branches[$page])) {
                $around[] = $page;
            }
            $page = $known->parent;
        }

        return $around;
    }

    /** @return list<string> */
    private static function pagesConcerned(Ripple $ripple): array
    {
        $ids = [];
        foreach ($ripple->pages->differences as $difference) {
            array_push(
                $ids,
                $difference->page,
                $difference->before['parent'] ?? null,
                $difference->after['parent'] ?? null,
                $ripple->pages->outcome->find($difference->page)?->parent,
            );
        }
        // Who is carried along stands below one of the others, or of those that move.
        foreach ($ripple->pages->outcome->singly() as $page) {
            $ids[] = $page?->parent;
        }
        foreach ($ripple->addresses->claims as $difference) {
            array_push($ids, $difference->before?->page, $difference->before?->heldFor, $difference->after?->page, $difference->after?->heldFor);
        }
        foreach ($ripple->addresses->moves as $move) {
            $ids[] = $move->page;
        }
        array_push($ids, ...$ripple->visitors->pages());
        foreach ($ripple->rewrites() as $effect) {
            $ids[] = $effect->link->page;
        }
        foreach ([$ripple->access->before, $ripple->access->after] as $access) {
            foreach ($access->lines ?? [] as $line) {
                $ids[] = $line->branch;
            }
        }

        return array_values(array_unique(array_map(strval(...), array_filter($ids, static fn (mixed $id): bool => $id !== null))));
    }
}
