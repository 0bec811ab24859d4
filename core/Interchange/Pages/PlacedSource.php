<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Change\BroughtPage;

/** A whole source, placed in a site: every page of it with what was found, and those that would be made or changed. */
final readonly class PlacedSource
{
    /**
     * @param  list<PlacedPage>  $pages  in the order of the source
     * @param  list<BroughtPage>  $brought  parents before their children
     * @param  string|null  $startPage  the page that becomes the start page
     */
    public function __construct(public array $pages, public array $brought, public ?string $startPage, private SourceTree $tree)
    {
    }

    /**
     * The same, where contents that are there already as they come are known.
     *
     * @param  array<string, true>  $same  by where their pages stand in the source
     */
    public function withSameContent(array $same): self
    {
        $brought = [];
        $unchanged = [];
        foreach ($this->pages as $page) {
            if ($page->before !== null && $page->after !== null && isset($same[$page->given->at]) && $page->before->toFields() === $page->after->toFields()) {
                $page->status = PlacedStatus::Same;
                $unchanged[$page->id] = $page->former === [];
            }
        }
        foreach ($this->brought as $page) {
            if (($unchanged[$page->page->id] ?? false) === false) {
                $brought[] = $page->content !== null && isset($same[$page->content]) ? $page->withoutContent() : $page;
            }
        }

        return new self($this->pages, $brought, $this->startPage, $this->tree);
    }

    /** @return array<string, int> how many pages come of it, by PlacedStatus */
    public function counts(): array
    {
        $counts = array_fill_keys(array_column(PlacedStatus::cases(), 'value'), 0);
        foreach ($this->pages as $page) {
            $counts[$page->status->value]++;
        }

        return $counts;
    }

    /** @return list<PlacedPage> parents before their children, siblings in the order of the source; what is refused where the source has it */
    public function inTreeOrder(): array
    {
        /** @var array<int, list<PlacedPage>> $below */
        $below = [];
        $top = [];
        foreach ($this->pages as $page) {
            if ($page->above === null || $page->isRefused()) {
                $top[] = $page;
            } else {
                $below[spl_object_id($page->above)][] = $page;
            }
        }
        $ordered = [];
        $open = array_reverse($top);
        while ($open !== []) {
            $page = array_pop($open);
            $ordered[] = $page;
            array_push($open, ...array_reverse($below[spl_object_id($page)] ?? []));
        }

        return $ordered;
    }

    /** @return int addresses that lead to pages from then on */
    public function redirects(): int
    {
        return array_sum(array_map(static fn (PlacedPage $page): int => count($page->former), $this->pages));
    }

    /** The identity of the page that an address of the source means, for links between its pages; null for none of them. */
    public function pageAt(string $address): ?string
    {
        $page = $this->tree->at($address);

        return $page === null || $page->isRefused() ? null : $page->id;
    }

    /** The host that the source's addresses name, where they name one. */
    public function host(): ?string
    {
        return $this->tree->host();
    }
}
