<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** How the pages of a site lie inside one another, by their addresses. */
final class PageTree
{
    /** @var array<string, string|null> */
    private array $parents = [];

    /** @var array<string, list<string>> */
    private array $children = [];

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

    public static function bare(string $address): string
    {
        return strtolower(rtrim($address, '/'));
    }
}
