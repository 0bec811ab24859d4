<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\Claim;
use Heronstem\Core\Menu\MenuEffect;

/** Everything that follows from a batch, computed before anything is written. */
final readonly class Ripple
{
    /**
     * @param  list<AddressMove>  $moves  pages that only inherit included
     * @param  list<Claim>  $redirectsWritten
     * @param  list<Claim>  $redirectsDropped  because a page takes the address back
     * @param  list<MenuEffect>  $menu
     * @param  int  $linksFollow  links in words that lead to moved pages, and follow by themselves
     * @param  int  $sitemapEntries  sitemap entries that come, go or change
     * @param  list<string>  $goLive
     * @param  list<string>  $goOffline
     * @param  list<Conflict>  $conflicts  open: nothing can be applied before each has its way out
     * @param  list<Note>  $notes
     * @param  list<PageDifference>  $pages  the exact inverse's material
     * @param  list<ClaimDifference>  $claims
     * @param  array<string, Page|null>  $outcome  every page as it will be, by identity
     */
    public function __construct(
        public array $moves,
        public array $redirectsWritten,
        public array $redirectsDropped,
        public array $menu,
        public int $linksFollow,
        public int $sitemapEntries,
        public array $goLive,
        public array $goOffline,
        public array $conflicts,
        public array $notes,
        public array $pages,
        public array $claims,
        public array $outcome,
    ) {
    }

    public function canBeApplied(): bool
    {
        return $this->conflicts === [];
    }

    public function changesNothing(): bool
    {
        return $this->pages === [] && $this->claims === [] && $this->conflicts === [];
    }

    /** Whether visitors notice, so that it is shown before it is done. */
    public function matters(): bool
    {
        $seen = array_filter($this->moves, static fn (AddressMove $move): bool => $move->seen);

        return $seen !== [] || $this->conflicts !== [] || $this->notes !== [] || $this->goOffline !== [];
    }

    /**
     * Stands for all that the ripple would write. Two ripples with one digest are the same,
     * so a ripple shown a while ago may be applied as long as the digest has not changed.
     */
    public function digest(): string
    {
        $effects = [
            array_map(static fn (PageDifference $d): array => $d->toArray(), $this->pages),
            array_map(static fn (ClaimDifference $d): array => $d->toArray(), $this->claims),
            array_map(static fn (Conflict $c): array => [$c->address->path, $c->page, $c->held->page], $this->conflicts),
        ];

        return hash('sha256', json_encode($effects, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
    }
}
