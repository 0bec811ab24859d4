<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Tree\Page;

/**
 * Every page that a batch touches or carries along, as it will be, with the address it gets; in the order in which they were touched,
 * then those carried along. Holds of each the address alone, and reads the rest from the workspace.
 *
 * @implements \IteratorAggregate<string, Page|null>
 */
final class PagesAfter implements \Countable, \IteratorAggregate
{
    /** @var array<string, string|bool> the address and, where it is another, its key; true for the one it has, false for a page that goes */
    private array $pages = [];

    private CarriedPages $carried;

    public function __construct(private readonly PageOverlay $workspace)
    {
        $this->carried = new CarriedPages();
    }

    /** Pages that are carried along plainly from now on: nothing is looked at of each but its address. */
    public function carry(CarriedPages $pages): void
    {
        $this->carried = $pages;
        $this->workspace->carry($pages);
    }

    /**
     * Some of them are looked at by themselves after all.
     *
     * @param  list<string>  $ids
     */
    public function single(array $ids): void
    {
        $this->workspace->expect($ids);
        foreach ($ids as $id) {
            $address = $this->carried->after($id);
            $this->carried->drop($id);
            $this->addAt($this->workspace->known($id), $address);
        }
    }

    public function carried(): CarriedPages
    {
        return $this->carried;
    }

    /** A page with what the workspace says of it; one that is not there any more goes. */
    public function add(string $id): void
    {
        $this->pages[$id] = $this->workspace->find($id) !== null;
    }

    public function addAt(Page $page, Address $address): void
    {
        $this->pages[$page->id] = match (true) {
            $address->path === $page->address->path && $address->key === $page->address->key => true,
            $address->path === $address->key => $address->path,
            default => "$address->path\0$address->key",
        };
    }

    /** Whether the batch concerns the page, one that goes included. */
    public function has(?string $id): bool
    {
        return $id !== null && (isset($this->pages[$id]) || $this->carried->has($id));
    }

    /** Null for a page that goes, and for one that the batch does not concern. */
    public function find(?string $id): ?Page
    {
        if ($id !== null && $this->carried->has($id)) {
            return $this->workspace->known($id)->at($this->carried->after($id));
        }
        $address = $id === null ? false : $this->pages[$id] ?? false;
        $page = $address === false || $id === null ? null : $this->workspace->find($id);
        if (! is_string($address)) {
            return $page;
        }
        $end = strpos($address, "\0");

        return $page?->at($end === false ? Address::kept($address, $address) : Address::kept(substr($address, 0, $end), substr($address, $end + 1)));
    }

    /** What the page is called; null as find() says. */
    public function name(?string $id): ?string
    {
        return $id !== null && $this->carried->has($id) ? $this->carried->name($id) : $this->find($id)?->name;
    }

    /** The address that the page has then; null as find() says. */
    public function address(?string $id): ?Address
    {
        return $id !== null && $this->carried->has($id) ? $this->carried->after($id) : $this->find($id)?->address;
    }

    /** @return list<string> */
    public function ids(): array
    {
        return [...$this->singleIds(), ...$this->carried->ids()];
    }

    /** @return list<string> all but those that are carried along plainly */
    public function singleIds(): array
    {
        return array_map(strval(...), array_keys($this->pages));
    }

    public function getIterator(): \Generator
    {
        yield from $this->singly();
        foreach ($this->carried->ids() as $id) {
            yield $id => $this->find($id);
        }
    }

    /** @return \Generator<string, Page|null> all but those that are carried along plainly */
    public function singly(): \Generator
    {
        foreach ($this->pages as $id => $_) {
            yield (string) $id => $this->find((string) $id);
        }
    }

    public function count(): int
    {
        return count($this->pages) + $this->carried->count();
    }
}
