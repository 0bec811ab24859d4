<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\SlugMaker;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Workspace;

/** Gives a page another name. Its slug follows while nobody chose one and visitors never saw the page. */
final readonly class Rename implements Change
{
    use NamesItsPage;

    public function __construct(public string $page, public PageName $name)
    {
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->page($this->page)->named($this->name->text);
        if (! $page->everLive && ! $page->slugByHand) {
            $page = $page->withSlug((new SlugMaker($workspace->rules()))->make($page->name), false);
        }
        $workspace->put($page);
    }

    public function toArray(): array
    {
        return ['kind' => 'rename', 'page' => $this->page, 'name' => $this->name->text];
    }
}
