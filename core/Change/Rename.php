<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\SlugMaker;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Workspace;

/** Gives a page another name. Its slug follows while nobody chose one and visitors never saw the page. */
final readonly class Rename implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page, public PageName $name)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('rename', Subject::Page, Field::text('name'));
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->name());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page)->named($this->name->text);
        if (! $page->everLive && ! $page->slugByHand) {
            $page = $page->withSlug((new SlugMaker($workspace->rules()))->make($page->name), false);
        }
        $workspace->pages->put($page);
    }

    public function sentence(Outcome $outcome): string
    {
        return "Renamed {$outcome->formerPage($this->page)} to {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'rename', 'page' => $this->page, 'name' => $this->name->text];
    }
}
