<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

/** Port: where pages stand among the branches of which rights say something, as the site is before a batch. */
interface Marks
{
    /**
     * @param  list<string>  $pages
     * @param  list<string>  $branches  pages at the top of branches
     * @return array<string, list<string>> for each page that is on the site the branches that it lies in, nearest first, its own first of all
     */
    public function around(array $pages, array $branches): array;

    /** @return array<string, int> the children of a page (of the top for null) with their positions, in order */
    public function childOrder(?string $parent): array;
}
