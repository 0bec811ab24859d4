<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

/** Port: the pages of one site, read by branch and neighbourhood, never as a whole. */
interface Pages
{
    public function page(string $id): ?Page;

    /**
     * A page and everything below it, parents before their children.
     *
     * @return iterable<Page>
     */
    public function branch(string $id): iterable;

    /**
     * The children of a page (of the site's top for null) with their positions, in order.
     *
     * @return array<string, int>
     */
    public function childOrder(?string $parent): array;
}
