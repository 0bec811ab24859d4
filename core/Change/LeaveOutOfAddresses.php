<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Workspace\Workspace;

/** Leaves a section out of its children's addresses, or takes it into them again. */
final readonly class LeaveOutOfAddresses implements Change
{
    use NamesItsPage;

    private function __construct(public string $page, private bool $out)
    {
    }

    public static function of(string $page): self
    {
        return new self($page, true);
    }

    public static function undone(string $page): self
    {
        return new self($page, false);
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->page($this->page);
        if ($this->out && $page->kind !== PageKind::Section) {
            throw new InputRefused('page', "“{$page->name}” is no section. Only a section can be left out of its children's addresses; make it one first.");
        }
        $workspace->put($page->with(['leftOut' => $this->out]));
    }

    public function toArray(): array
    {
        return ['kind' => $this->out ? 'leave-out' : 'take-in', 'page' => $this->page];
    }
}
