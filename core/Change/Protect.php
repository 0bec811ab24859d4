<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Protects a page, so that nobody but the owner of the site retires it. */
final readonly class Protect implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('protect', Subject::Pages);
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        $workspace->guardOwner('Only the owner of the site says which pages are protected. Ask them.');
        if ($page->isProtected) {
            throw new NothingToChange('page', "“{$page->name}” is protected already.");
        }
        $workspace->pages->put($page->with(['isProtected' => true]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Protected {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'protect', 'page' => $this->page];
    }
}
