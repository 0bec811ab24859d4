<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

use Heronstem\Core\Moment;

/** An entry as somebody gets it: its label, where it leads, what stands under it. */
final readonly class ResolvedEntry
{
    /**
     * @param  string  $entry  the entry it comes from; of a branch every page has the same
     * @param  string|null  $page  the page it leads to
     * @param  string|null  $href  null for what is only seen
     * @param  Hidden|null  $hidden  why visitors do not see it; always null in what visitors get
     * @param  Moment|null  $when  what that is about
     * @param  list<self>  $under
     * @param  string|null  $picture  where the card's picture is served
     * @param  bool  $isLocked  whoever looks may not see the page: the entry tells so with a lock
     * @param  bool  $indexed  false where search engines are asked not to list the page
     */
    public function __construct(
        public string $entry,
        public EntryKind $kind,
        public ?string $page,
        public string $label,
        public ?string $href,
        public string $title = '',
        public bool $newWindow = false,
        public ?Hidden $hidden = null,
        public ?Moment $when = null,
        public array $under = [],
        public string $text = '',
        public ?string $picture = null,
        public bool $indexed = true,
        public bool $isLocked = false,
    ) {
    }

    /** @param  list<self>  $under */
    public function over(array $under): self
    {
        return new self(...[...get_object_vars($this), 'under' => $under]);
    }

    public function hiddenBy(Hidden $hidden): self
    {
        return new self(...[...get_object_vars($this), 'hidden' => $hidden]);
    }
}
