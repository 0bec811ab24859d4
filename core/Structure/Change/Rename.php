<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Address\SlugMaker;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\Name;
use Heronstem\Core\Structure\Workspace;

/** Gives a page another name. Its slug follows while nobody chose one and visitors never saw the page. */
final readonly class Rename implements Change
{
    use NamesItsPage;

    public function __construct(public string $page, public Name $name)
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
