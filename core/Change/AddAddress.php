<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Workspace\AddressWish;
use Heronstem\Core\Workspace\Workspace;

/** Lets a page also answer at a further address: served there, or sent on to its own. */
final readonly class AddAddress implements RequestedChange
{
    use HasShape, NamesItsPage;

    private function __construct(public string $page, public Address $address, private ClaimKind $answer)
    {
    }

    public static function serving(string $page, Address $address): self
    {
        return new self($page, $address, ClaimKind::Also);
    }

    public static function sendingOn(string $page, Address $address): self
    {
        return new self($page, $address, ClaimKind::Redirect);
    }

    public static function shape(): Shape
    {
        return Shape::of('add-address', Subject::Page, Field::text('address'), Field::oneOf('answer', ['serve', 'send-on'])->optional());
    }

    public static function read(ChangeInput $input): self
    {
        return match ($input->has('answer') ? $input->text('answer') : 'serve') {
            'serve' => self::serving($input->page(), $input->address()),
            'send-on' => self::sendingOn($input->page(), $input->address()),
            default => throw new InputRefused('answer', 'A further address serves the page (serve) or redirects to it (send-on).'),
        };
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if ($page->address->equals($this->address)) {
            throw new NothingToChange('address', "{$this->address->readable()} is the own address of “{$page->name}” already.");
        }
        foreach ($workspace->wishes() as $wish) {
            if ($wish->kind !== null && $wish->page !== $page->id && $wish->address->equals($this->address)) {
                throw new InputRefused(
                    'address',
                    "{$this->address->readable()} goes to “{$workspace->pages->page(
                        $wish->page,
                    )->name}” in this very batch. One address belongs to one page.",
                );
            }
        }
        $workspace->wish(new AddressWish($page->id, $this->address, $this->answer));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Let {$outcome->page($this->page)} also answer at {$this->address->readable()}";
    }

    public function toArray(): array
    {
        return [
            'kind' => 'add-address',
            'page' => $this->page,
            'address' => $this->address->path,
            'answer' => $this->answer === ClaimKind::Also ? 'serve' : 'send-on',
        ];
    }
}
