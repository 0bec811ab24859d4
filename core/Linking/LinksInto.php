<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

/** Port: the links in pages' content that lead to pages of the site. */
interface LinksInto
{
    /**
     * How many links in content lead to these pages.
     *
     * @param  list<string>  $pages
     */
    public function countInto(array $pages): int;

    /**
     * The links in content that are written as one of these addresses.
     *
     * @param  list<string>  $keys  keys of addresses
     * @return iterable<RawLink>  by page and by href, in a settled order
     */
    public function rawTo(array $keys): iterable;

    /**
     * The links that are written as addresses in the content of these pages, or of all.
     *
     * @param  list<string>|null  $pages
     * @return iterable<RawLink>  by page and by href, in a settled order
     */
    public function rawOn(?array $pages): iterable;
}
