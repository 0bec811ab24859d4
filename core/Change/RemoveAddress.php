<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Workspace\AddressWish;
use Heronstem\Core\Workspace\Workspace;

/** Takes a further or former address from a page. If visitors knew it, it is recorded as gone. */
final readonly class RemoveAddress implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page, public Address $address)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('remove-address', Subject::Page, Field::text('address'));
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->address());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        $held = $workspace->ledger->claimsOn([$this->address])[$this->address->key] ?? null;
        if ($held === null || $held->page !== $page->id || ! in_array($held->kind, [ClaimKind::Also, ClaimKind::Redirect], true)) {
            throw new InputRefused(
                'address',
                $held?->isPageOf($page->id) === true
                    ? "{$this->address->readable()} is the own address of “{$page->name}”. Change its slug or place instead."
                    : "“{$page->name}” does not answer at {$this->address->readable()} besides its own address.",
            );
        }
        $workspace->wish(new AddressWish($page->id, $this->address, null));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Removed {$this->address->readable()} from {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'remove-address', 'page' => $this->page, 'address' => $this->address->path];
    }
}
