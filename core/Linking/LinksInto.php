<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

/** Port: the links in pages' words that lead to pages of the site. */
interface LinksInto
{
    /**
     * How many links in words lead to these pages.
     *
     * @param  list<string>  $pages
     */
    public function countInto(array $pages): int;

    /**
     * The links in words that are written as one of these addresses.
     *
     * @param  list<string>  $keys  keys of addresses
     * @return iterable<RawLink>  by page and by href, in a settled order
     */
    public function rawTo(array $keys): iterable;
}
