<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** How the pages of a site lie inside one another, by their addresses; siblings in the order in which they are given. */
final class PageTree
{
    /** @var array<string, string|null> */
    private array $parents = [];

    /** @var array<string, list<string>> */
    private array $children = [];

    /** @var list<string> pages at the top, but for the home page */
    private array $tops = [];

    /** @var array<string, int>|null place of each when they are read from the top down, once asked for */
    private ?array $places = null;

    /** @param  array<string, Candidate>  $pages */
    public function __construct(array $pages)
    {
        $at = [];
        foreach ($pages as $page) {
            $at[self::bare($page->address)] = $page->id;
        }
        foreach ($pages as $page) {
            $parent = null;
            for ($path = self::bare($page->address); $parent === null && ($end = strrpos($path, '/')) !== false && $end > 0;) {
                $path = substr($path, 0, $end);
                $parent = $at[$path] ?? null;
            }
            $this->parents[$page->id] = $parent;
            if ($parent !== null) {
                $this->children[$parent][] = $page->id;
            } elseif (self::bare($page->address) !== '') {
                $this->tops[] = $page->id;
            }
        }
    }

    public function parent(string $page): ?string
    {
        return $this->parents[$page] ?? null;
    }

    /** @return list<string> */
    public function children(string $page): array
    {
        return $this->children[$page] ?? [];
    }

    /** @return list<string> pages at the top, but for the home page */
    public function tops(): array
    {
        return $this->tops;
    }

    /** Where a page comes when all are read from the top down. */
    public function place(string $page): int
    {
        if ($this->places === null) {
            $this->places = [];
            for ($open = array_reverse($this->tops); $open !== [];) {
                $next = array_pop($open);
                $this->places[$next] = count($this->places);
                array_push($open, ...array_reverse($this->children($next)));
            }
        }

        return $this->places[$page] ?? -1;
    }

    public static function bare(string $address): string
    {
        return strtolower(rtrim($address, '/'));
    }
}
