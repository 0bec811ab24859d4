<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\Slug;
use Heronstem\Core\Workspace\Workspace;

/** Sets a page's slug by hand; from then on it no longer follows the name. */
final readonly class SetSlug implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page, public Slug $slug)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('set-slug', Subject::Page, Field::text('slug'));
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->slug());
    }

    public function on(Workspace $workspace): void
    {
        $workspace->pages->put($workspace->pages->page($this->page)->withSlug($this->slug, true));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Set the slug of {$outcome->page($this->page)} to “{$this->slug->text}”";
    }

    public function toArray(): array
    {
        return ['kind' => 'set-slug', 'page' => $this->page, 'slug' => $this->slug->text];
    }
}
