<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Lets managers retire a page again that was protected. */
final readonly class Unprotect implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('unprotect', Subject::Pages);
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        $workspace->guardOwner('Only the owner of the site says which pages are protected. Ask them.');
        if (! $page->isProtected) {
            throw new NothingToChange('page', "“{$page->name}” is not protected.");
        }
        $workspace->pages->put($page->with(['isProtected' => false]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Removed the protection of {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'unprotect', 'page' => $this->page];
    }
}
