<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** Port: the pages of a list as the visitor sees them, in its order. */
interface PageLists
{
    /**
     * @param  array<string, mixed>  $list  attributes of a block `pages`
     * @return list<ListedPage>
     */
    public function pages(array $list): array;
}
