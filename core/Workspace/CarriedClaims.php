<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Ledger\Claim;

/**
 * The claims of pages that are carried along plainly, before and after: a page lets its address go, which leads to it from now on if
 * visitors knew it, and takes the next one, which is free or leads to it already.
 */
final readonly class CarriedClaims
{
    public function __construct(public CarriedPages $pages)
    {
    }

    public function knows(string $key): bool
    {
        return $this->pages->formerlyAt($key) !== null || $this->pages->nextAt($key) !== null;
    }

    public function now(string $key): ?Claim
    {
        $page = $this->pages->formerlyAt($key);
        if ($page !== null) {
            return Claim::ofPage($this->pages->before($page), $page, $this->pages->isKnown($page));
        }
        $page = $this->pages->nextAt($key);

        return $page === null || ! $this->pages->comesBack($page) ? null : Claim::redirectTo($this->pages->after($page), $page, true);
    }

    public function planned(string $key): ?Claim
    {
        $page = $this->pages->nextAt($key);
        if ($page !== null) {
            return Claim::ofPage($this->pages->after($page), $page, $this->pages->comesBack($page) || $this->pages->isLive($page));
        }
        $page = $this->pages->formerlyAt($key);

        return $page === null || ! $this->pages->isKnown($page) ? null : Claim::redirectTo($this->pages->before($page), $page, true);
    }
}
