<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Lists a page in menus, lists and the sitemap. */
final readonly class ListPage implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('list-page', Subject::Pages);
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if ($page->listed) {
            throw new NothingToChange('page', "“{$page->name}” is listed already.");
        }
        $workspace->pages->put($page->with(['listed' => true]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Listed {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'list-page', 'page' => $this->page];
    }
}
