<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\Address\AddressShift;

/**
 * Port: the pages of one site, read by branch and neighbourhood, never as a whole.
 * A page in the bin is found by its identity, and takes part in nothing else unless said.
 */
interface Pages
{
    public function page(string $id): ?Page;

    /**
     * These pages and all their ancestors, those in the bin included; unknown ones are left out.
     *
     * @param  list<string>  $ids
     * @return iterable<Page>
     */
    public function withAncestors(array $ids): iterable;

    /**
     * A page and everything below it, parents before their children: of a page in the tree what is in the tree,
     * of one that was put in the bin what it took along.
     *
     * @return iterable<Page>
     */
    public function branch(string $id): iterable;

    /**
     * Everything in the tree below a page of it, parents before their children, each in few words: with what is at its address
     * and at the one that it would get.
     *
     * @return iterable<CarriedPage>
     */
    public function carried(string $id, AddressShift $shift): iterable;

    /**
     * Every page of the tree, parents before their children: for what is set for the whole site.
     *
     * @return iterable<Page>
     */
    public function whole(): iterable;

    /**
     * Pages that name one of these as their canonical one.
     *
     * @param  list<string>  $pages
     * @return iterable<Page>
     */
    public function namingAsCanonical(array $pages): iterable;

    /**
     * Pages of the tree that set something for their branch: few, on most sites.
     *
     * @return list<string>
     */
    public function settingBranches(): array;

    /**
     * Pages of the tree that have a tag.
     *
     * @return iterable<Page>
     */
    public function tagged(string $tag): iterable;

    /**
     * The children of a page (of the site's top for null) with their positions, in order.
     *
     * @return array<string, int>
     */
    public function childOrder(?string $parent): array;

    /**
     * The same for several pages at once.
     *
     * @param  list<string>  $parents
     * @return array<string, array<string, int>> by parent; one without children may be left out
     */
    public function childOrders(array $parents): array;

    /**
     * Pages that were put in the bin on their own and were somewhere below this page.
     *
     * @return iterable<Page>
     */
    public function binnedBelow(string $id): iterable;

    /**
     * What people have on these pages that would go with them.
     *
     * @param  list<string>  $pages
     * @return iterable<PersonAtPage>
     */
    public function peopleAt(array $pages): iterable;
}
