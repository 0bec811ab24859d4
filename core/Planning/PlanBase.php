<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageDifference;

/**
 * What a plan began with: the fields of pages that it changes, as they were when that was prepared. Where the living site has
 * something else there since, the plan and the site contradict each other, and somebody is asked.
 */
final readonly class PlanBase
{
    /** Fields that change without anybody meaning it: other pages came or went beside. */
    private const NOT_MEANT = ['position' => true, PageDifference::SAVED => true, 'everLive' => true];

    /** @param  array<string, array<string, scalar|null>>  $fields  by page and field */
    public function __construct(public array $fields = [])
    {
    }

    /** With what the plan changes now and did not before. What it began with stays. */
    public function with(Ripple $ripple): self
    {
        $fields = [];
        foreach (self::before($ripple) as $page => $before) {
            $fields[$page] = ($this->fields[$page] ?? []) + $before;
        }

        return new self($fields);
    }

    /**
     * Where the living site has changed what the plan changes as well.
     *
     * @return list<Contradiction>
     */
    public function contradictions(Ripple $now): array
    {
        $found = [];
        foreach ($now->pages->differences as $difference) {
            foreach (array_diff_key($difference->before ?? [], self::NOT_MEANT) as $field => $is) {
                $was = $this->fields[$difference->page] ?? [];
                if ($difference->after !== null && array_key_exists($field, $was) && $was[$field] !== $is) {
                    $page = $now->pages->outcome->find($difference->page);
                    $found[] = new Contradiction(
                        $difference->page,
                        $page->name ?? '',
                        (string) $field,
                        $was[$field],
                        $is,
                        $difference->after[$field] ?? null,
                    );
                }
            }
        }

        return $found;
    }

    /** The same, where the plan's word holds against what is on the site now. */
    public function accepting(Ripple $now, string $page): self
    {
        return new self(array_replace($this->fields, array_intersect_key(self::before($now), [$page => true])));
    }

    /** @return array<string, array<string, scalar|null>> by page and field */
    private static function before(Ripple $ripple): array
    {
        $fields = [];
        foreach ($ripple->pages->differences as $difference) {
            if ($difference->before !== null && $difference->after !== null) {
                $fields[$difference->page] = array_diff_key($difference->before, self::NOT_MEANT);
            }
        }

        return $fields;
    }
}
