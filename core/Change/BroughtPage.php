<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Tree\Page;

/** A page that is brought in, as it is to be from then on. */
final readonly class BroughtPage
{
    /**
     * @param  Page  $page  whole; its address is composed with all others
     * @param  bool  $isNew  whether it is made, rather than changed
     * @param  string|null  $content  by which whoever keeps contents finds the one that comes with it; null where its content stays
     * @param  list<Address>  $former  addresses that send on to it from then on
     * @param  bool  $isShown  whether visitors get what comes at once, rather than as an edit that waits
     * @param  bool  $hasTwo  whether a content for visitors comes besides the one that was saved last
     */
    public function __construct(
        public Page $page,
        public bool $isNew,
        public ?string $content = null,
        public array $former = [],
        public bool $isShown = false,
        public bool $hasTwo = false,
    ) {
    }

    /** With the number that its content becomes; where there are two, the one for visitors has the number before. */
    public function withVersion(int $version): self
    {
        $live = $this->hasTwo ? $version - 1 : $version;

        return new self(
            $this->page->with(['contentSaved' => $version, ...$this->isShown ? ['contentLive' => $live] : []]),
            $this->isNew,
            $this->content,
            $this->former,
            $this->isShown,
            $this->hasTwo,
        );
    }

    public function withoutContent(): self
    {
        return new self($this->page, $this->isNew, null, $this->former, $this->isShown);
    }
}
