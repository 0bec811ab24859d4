<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

use Heronstem\Core\Moment;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageState;

/** A page as far as menus are concerned, at a moment. */
final readonly class MenuPage
{
    /**
     * @param  string  $href  where an entry leads: a pointer straight to where it points, so that nobody takes a detour
     * @param  string|null  $picture  where the page's first picture is served
     * @param  bool  $indexed  search engines may list it
     * @param  Hidden|null  $hidden  why visitors do not get the page at that moment
     * @param  bool  $isOpen  whoever looks may see it
     * @param  Moment|null  $when  from when on they do, or since when no more
     */
    public function __construct(
        public string $id,
        public ?string $parent,
        public int $position,
        public string $name,
        public string $href,
        public bool $listed,
        public ?Hidden $hidden = null,
        public ?Moment $when = null,
        public string $text = '',
        public ?string $picture = null,
        public bool $indexed = true,
        public bool $isOpen = true,
    ) {
    }

    public static function of(Page $page, Moment $at, ?string $href = null, bool $isOpen = true): self
    {
        [$hidden, $when] = self::visibility($page->state, $page->from, $page->until, $at);

        return new self(
            $page->id,
            $page->parent,
            $page->position,
            $page->name,
            $href ?? $page->address->path,
            $page->listed,
            $hidden,
            $when,
            isOpen: $isOpen,
        );
    }

    /** @return array{Hidden|null, Moment|null} why visitors do not get a page in this state with this schedule, and the moment it is about */
    public static function visibility(PageState $state, ?Moment $from, ?Moment $until, Moment $at): array
    {
        $isOver = $until !== null && ! $until->isAfter($at);
        $hasBegun = $from !== null && ! $from->isAfter($at);

        return match (true) {
            $state === PageState::Binned => [Hidden::Bin, null],
            $isOver => [Hidden::Over, $until],
            $state === PageState::Live, $hasBegun => [null, null],
            $from !== null => [Hidden::NotYet, $from],
            $state === PageState::InReview => [Hidden::InReview, null],
            $state === PageState::Draft => [Hidden::Draft, null],
            default => [Hidden::Offline, null],
        };
    }

    /** In menus that are filled from the tree. */
    public function isShown(): bool
    {
        return $this->hidden === null && $this->listed;
    }
}
