<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\ChangeRefused;
use Heronstem\Core\Structure\PageKind;
use Heronstem\Core\Structure\Workspace;

/** Leaves a section out of its children's addresses, or takes it into them again. */
final readonly class LeaveOut implements Change
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
            throw new ChangeRefused('page', "“{$page->name}” is no section. Only a section can be left out of its children's addresses; make it one first.");
        }
        $workspace->put($page->with(['leftOut' => $this->out]));
    }

    public function toArray(): array
    {
        return ['kind' => $this->out ? 'leave-out' : 'take-in', 'page' => $this->page];
    }
}
