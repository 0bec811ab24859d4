<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Workspace;

/** Sets a page's whole address by hand. It then follows neither name nor parent; pages below it follow it. */
final readonly class Pin implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page, public Address $address)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('pin', Subject::Page, Field::text('address'));
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->address());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if ($this->address->path === '/') {
            throw new InputRefused('address', 'The address / belongs to the start page. To have this page there, make it the start page.');
        }
        $workspace->pages->put($page->with(['pinned' => $this->address]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Pinned {$outcome->page($this->page)} to {$this->address->readable()}";
    }

    public function toArray(): array
    {
        return ['kind' => 'pin', 'page' => $this->page, 'address' => $this->address->path];
    }
}
