<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/** Port: pages and branches that are kept to make new pages from. */
interface StartingPoints
{
    /**
     * The pages of a starting point as they were when it was kept, parents before their children, each under an identity of its own.
     *
     * @return list<Page> none where there is no such starting point
     */
    public function pages(string $id): array;
}
