<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Workspace\Workspace;

/** Leaves a section out of the addresses of what is below it. */
final readonly class LeaveOutOfAddresses implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('leave-out-of-addresses', Subject::Pages);
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if ($page->kind !== PageKind::Section) {
            throw new InputRefused(
                'page',
                "“{$page->name}” is no section. Only a section can be left out of its children's addresses; make it one first.",
            );
        }
        $workspace->pages->put($page->with(['leftOut' => true]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Left {$outcome->page($this->page)} out of the addresses below";
    }

    public function toArray(): array
    {
        return ['kind' => 'leave-out-of-addresses', 'page' => $this->page];
    }
}
