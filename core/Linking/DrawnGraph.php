<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

/** A link graph as it is drawn: where each page stands, and the way by which each is reached first. */
final readonly class DrawnGraph
{
    /**
     * @param  list<array{float, float}>  $places  by page
     * @param  list<float>  $rings  radius of each, from one click on
     * @param  list<array{int, int}>  $ways  from the page that leads to each first
     */
    private function __construct(public array $places, public array $rings, public array $ways)
    {
    }

    /**
     * Cost: linear in the links, besides the layout.
     *
     * @param  list<int|null>  $clicks  by page, in the order of the tree; null where nothing leads to it
     * @param  list<array{int, int}>  $links  of contents, of the tree, and from the start page to what menus lead to
     * @param  list<int|null>  $parents  in the tree, which is the way that is drawn where it is one of the shortest
     */
    public static function of(array $clicks, array $links, array $parents): self
    {
        $from = array_fill(0, count($clicks), null);
        foreach ($links as [$a, $b]) {
            $isShortest = $clicks[$a] !== null && $clicks[$b] === $clicks[$a] + 1;
            if ($isShortest && ($from[$b] === null || $parents[$b] === $a || ($parents[$b] !== $from[$b] && $a < $from[$b]))) {
                $from[$b] = $a;
            }
        }
        // What no link that is drawn leads to stands with those that nothing leads to.
        $reached = [];
        foreach ($clicks as $page => $each) {
            $reached[] = $each === 0 || $from[$page] !== null ? $each : null;
        }
        [$places, $rings] = GraphLayout::of($reached, array_values($from));
        $ways = [];
        foreach ($from as $page => $before) {
            if ($before !== null) {
                $ways[] = [$before, $page];
            }
        }

        return new self($places, $rings, $ways);
    }
}
