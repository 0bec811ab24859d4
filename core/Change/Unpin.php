<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Lets a pinned address go: the page is again where its parent and slug put it. */
final readonly class Unpin implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('unpin', Subject::Pages);
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if ($page->pinned === null) {
            throw new NothingToChange('page', "The address of “{$page->name}” is not pinned.");
        }
        $workspace->pages->put($page->with(['pinned' => null]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Unpinned {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'unpin', 'page' => $this->page];
    }
}
