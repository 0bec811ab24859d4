<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\Slug;
use Heronstem\Core\Workspace\Workspace;

/** Sets a page's slug by hand; from then on it no longer follows the name. */
final readonly class SetSlug implements Change
{
    use NamesItsPage;

    public function __construct(public string $page, public Slug $slug)
    {
    }

    public function on(Workspace $workspace): void
    {
        $workspace->put($workspace->page($this->page)->withSlug($this->slug, true));
    }

    public function toArray(): array
    {
        return ['kind' => 'set-slug', 'page' => $this->page, 'slug' => $this->slug->text];
    }
}
