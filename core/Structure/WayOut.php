<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\Slug;

/** One way out of a conflict: what to add to the batch so that it can be applied. */
final readonly class WayOut
{
    /**
     * @param  list<Change>  $changes  to be added to the batch
     * @param  list<Decision>  $decisions  likewise
     */
    private function __construct(public WayOutKind $kind, public array $changes, public array $decisions, public ?Slug $slug)
    {
    }

    public static function freeSlug(string $page, Slug $slug): self
    {
        return new self(WayOutKind::FreeSlug, [new Change\SetSlug($page, $slug)], [], $slug);
    }

    public static function swap(Page $wanting, Slug $wanted, Page $holding): self
    {
        return new self(WayOutKind::Swap, [new Change\SetSlug($wanting->id, $wanted), new Change\SetSlug($holding->id, $wanting->slug)], [], $wanting->slug);
    }

    public static function replaceRedirect(Decision $decision): self
    {
        return new self(WayOutKind::ReplaceRedirect, [], [$decision], null);
    }

    public static function chooseAnother(): self
    {
        return new self(WayOutKind::ChooseAnother, [], [], null);
    }
}
