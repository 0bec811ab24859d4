<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressShift;

/**
 * A page below one whose address changes, in the few words that it takes to carry it along. Where it is plain, everything that
 * becomes of it follows from what becomes of the page on top: nothing else has to be read of it.
 */
final readonly class CarriedPage
{
    /**
     * @param  Address  $address  as it is
     * @param  bool  $isShown  visitors find it in menus, lists and, if nothing speaks against that, in the sitemap
     * @param  bool  $isKnown  visitors ever got an answer at its address
     * @param  bool  $comesBack  the address it would get leads to it already, as a former one of its own
     * @param  bool  $isPlain  whether it is carried along as it is, see plain()
     */
    public function __construct(
        public string $id,
        public ?string $parent,
        public string $name,
        public string $layout,
        public Address $address,
        public bool $isLive,
        public bool $isShown,
        public bool $isKnown,
        public bool $comesBack,
        public bool $isPlain,
    ) {
    }

    /**
     * @param  bool|null  $isKnown  whether visitors ever got an answer at its address; null where it does not hold that as its own
     * @param  bool  $isFree  whether nobody claims the address that it would get
     * @param  bool  $comesBack  whether that leads to it, known to visitors and held for nobody else
     */
    public static function of(Page $page, AddressShift $shift, ?bool $isKnown, bool $isFree, bool $comesBack): self
    {
        $isPlain = self::plain($page) && $isKnown !== null && $shift->of($page->address) !== null && ($isFree || $comesBack);

        return new self(
            $page->id,
            $page->parent,
            $page->name,
            $page->layout,
            $page->address,
            $page->isLive(),
            $page->isShown() && in_array($page->kind, [PageKind::Page, PageKind::Download], true),
            $isKnown === true,
            $isPlain && $comesBack,
            $isPlain,
        );
    }

    /**
     * Whether it has its address from its parent and its slug, passes on just that, and neither it nor pages below it are told to
     * search engines or closed to visitors in a way of its own.
     */
    private static function plain(Page $page): bool
    {
        return $page->pinned === null &&
            ! $page->leftOut &&
            $page->access === null &&
            $page->branchSearch->isSilent() &&
            $page->search->own->isSilent() &&
            $page->search->canonical->kind === CanonicalKind::Itself;
    }
}
