<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Takes a section into the addresses of what is below it again. */
final readonly class IncludeInAddresses implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('include-in-addresses', Subject::Pages);
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page());
    }

    public function on(Workspace $workspace): void
    {
        $workspace->pages->put($workspace->pages->page($this->page)->with(['leftOut' => false]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Included {$outcome->page($this->page)} in the addresses below";
    }

    public function toArray(): array
    {
        return ['kind' => 'include-in-addresses', 'page' => $this->page];
    }
}
