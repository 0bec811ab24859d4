<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Composition;
use Heronstem\Core\Tree\Page;

/** Composes pages' own addresses from the structure as a batch leaves it. */
final class AddressComposer
{
    /** @var array<string, Address> */
    private array $addresses = [];

    /** @param  \Closure(string): bool  $affected  whether a page's address may differ from the one it has */
    private function __construct(private readonly Workspace $workspace, private readonly \Closure $affected)
    {
    }

    /** @param  \Closure(string): bool  $affected  whether a page's address may differ from the one it has */
    public static function where(Workspace $workspace, \Closure $affected): self
    {
        return new self($workspace, $affected);
    }

    /** Takes no address as it is. */
    public static function anew(Workspace $workspace): self
    {
        return new self($workspace, static fn (): bool => true);
    }

    /**
     * The start page is `/`; a pinned address stands as it is; else it is the address that the parent
     * passes on, and the slug.
     *
     * @throws \Heronstem\Core\Address\InvalidAddress when it would be longer than an address can be
     */
    public function address(Page $page): Address
    {
        if (isset($this->addresses[$page->id])) {
            return $this->addresses[$page->id];
        }
        $rules = $this->workspace->rules();
        $address = match (true) {
            ! ($this->affected)($page->id) => $page->address,
            $page->id === $this->workspace->startPage() => Address::stored('/', $rules),
            $page->pinned !== null => $page->pinned,
            default => Composition::compose(
                $this->passedOnTo($page, fn (string $id): Address => $this->address($this->workspace->pages->known($id, 'place'))),
                $page->slug,
                $rules,
            ),
        };

        return $this->addresses[$page->id] = $address;
    }

    /**
     * The address below which a page stands: its parent's, or that of the one above where a section is left out.
     *
     * @param  \Closure(string): Address  $addressOf  the own address of a page
     */
    public function passedOnTo(Page $page, \Closure $addressOf): ?Address
    {
        while ($page->parent !== null) {
            $page = $this->workspace->pages->known($page->parent, 'place');
            if (! $page->leftOut) {
                return $addressOf($page->id);
            }
        }

        return null;
    }
}
