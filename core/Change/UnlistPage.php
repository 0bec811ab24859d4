<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Leaves a page out of menus, lists and the sitemap: it is reached by its address only. */
final readonly class UnlistPage implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('unlist-page', Subject::Pages);
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if (! $page->listed) {
            throw new NothingToChange('page', "“{$page->name}” is unlisted already.");
        }
        $workspace->pages->put($page->with(['listed' => false]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Unlisted {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'unlist-page', 'page' => $this->page];
    }
}
