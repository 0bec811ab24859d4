<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageDifference;

/** What two plans do to the same site: to pages by one of them alone, by both alike, and by both otherwise. */
final readonly class ComparedPlans
{
    /**
     * @param  list<string>  $onlyFirst  pages
     * @param  list<string>  $onlySecond
     * @param  list<string>  $alike
     * @param  array<string, list<string>>  $otherwise  what differs, as people call it, by page
     */
    private function __construct(public array $onlyFirst, public array $onlySecond, public array $alike, public array $otherwise)
    {
    }

    /** Null for a plan that does nothing. */
    public static function of(?Ripple $first, ?Ripple $second): self
    {
        [$one, $two] = [self::byPage($first), self::byPage($second)];
        $alike = $otherwise = [];
        foreach (array_intersect_key($one, $two) as $page => $difference) {
            $differs = self::differing($difference, $two[$page]);
            $differs === [] ? ($alike[] = (string) $page) : ($otherwise[(string) $page] = $differs);
        }
        $names = static fn (array $pages): array => array_map(strval(...), array_keys($pages));

        return new self($names(array_diff_key($one, $two)), $names(array_diff_key($two, $one)), $alike, $otherwise);
    }

    /** @return array<string, PageDifference> */
    private static function byPage(?Ripple $ripple): array
    {
        return array_column($ripple?->pages->differences->each(static fn (PageDifference $of): array => [$of->page, $of]) ?? [], 1, 0);
    }

    /** @return list<string> aspects of which the two leave something else */
    private static function differing(PageDifference $one, PageDifference $two): array
    {
        if ($one->after === null || $two->after === null) {
            return $one->after === $two->after ? [] : ['whether it is there'];
        }
        $fields = [];
        foreach ($one->after + $two->after as $field => $ignored) {
            // What a plan leaves alone is as it is: then the other alone changes it.
            $left = array_key_exists($field, $one->after) ? $one->after[$field] : $one->before[$field] ?? ($two->before[$field] ?? null);
            $right = array_key_exists($field, $two->after) ? $two->after[$field] : $two->before[$field] ?? ($one->before[$field] ?? null);
            if ($field !== 'position' && $left !== $right) {
                $fields[] = PageDifference::aspectOf((string) $field);
            }
        }

        return array_values(array_unique($fields));
    }
}
