<?php

declare(strict_types=1);

namespace App\Desk\Design;

use Heronstem\Core\Content\Collection\ListTerms;
use Heronstem\Core\Content\Layout\LayoutField;
use Heronstem\Core\Content\ListedPage;

/** What the template of a group shows: the groups inside it, and its items as a visitor asked for them. */
final readonly class ShownCollection
{
    /**
     * @param  list<ListedPage>  $groups
     * @param  list<ShownItem>  $items  those on this page of the listing
     * @param  list<LayoutField>  $columns  fields that any item says something in
     * @param  list<LayoutField>  $filters  those by which items can be told apart
     * @param  ListTerms  $terms  as the visitor gave them
     * @param  ListTerms  $sorted  the same with the order that the group has where the visitor asked for none
     * @param  int  $all  items there are
     * @param  int  $found  items that were asked for
     */
    public function __construct(
        public array $groups,
        public array $items,
        public array $columns,
        public array $filters,
        public ListTerms $terms,
        private ListTerms $sorted,
        public bool $isTable,
        public int $all,
        public int $found,
        public int $pages,
        private string $address,
    ) {
    }

    /** Where the list is sorted by a field; by the same one again, the other way round. */
    public function sortedBy(string $key): string
    {
        $isAgain = $this->sorted->sort === $key && ! $this->sorted->isDescending;

        return $this->at($this->terms->sortedBy(($isAgain ? '-' : '').$key));
    }

    /** @return string|null for `aria-sort`; null where the list is not sorted by it */
    public function sortOf(string $key): ?string
    {
        return $this->sorted->sort === $key ? ($this->sorted->isDescending ? 'descending' : 'ascending') : null;
    }

    public function onPage(int $page): string
    {
        return $this->at($this->terms->onPage($page));
    }

    public function address(): string
    {
        return $this->address;
    }

    private function at(ListTerms $terms): string
    {
        $query = $terms->query();

        return $this->address.($query === '' ? '' : "?$query");
    }
}
