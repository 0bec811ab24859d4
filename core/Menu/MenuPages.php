<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** Port: the pages that menus show, as they are at a moment. */
interface MenuPages
{
    /**
     * @param  list<string>  $ids
     * @return array<string, MenuPage> by identity; pages that are not there are left out
     */
    public function pages(array $ids): array;

    /**
     * The pages of a branch that visitors get, unlisted ones included.
     *
     * @param  string|null  $root  null for the top of the tree
     * @param  int  $depth  1 for the children alone
     * @return iterable<MenuPage> parents before children, siblings in order
     */
    public function below(?string $root, int $depth): iterable;
}
