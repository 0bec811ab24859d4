<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Ledger\Claim;

/**
 * The claims of pages that are carried along plainly, before and after: a page lets its address go, which leads to it from now on if
 * visitors knew it and nobody decided otherwise, and takes the next one, which is free or leads to it already.
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
        return $this->at($key)[0];
    }

    public function planned(string $key): ?Claim
    {
        return $this->at($key)[1];
    }

    /** @return array{Claim|null, Claim|null} what is at an address, and what will be */
    public function at(string $key): array
    {
        $page = $this->pages->formerlyAt($key);
        if ($page !== null) {
            $address = $this->pages->before($page);
            $isKnown = $this->pages->isKnown($page);

            return [
                Claim::ofPage($address, $page, $isKnown),
                $isKnown && ! $this->pages->isLetGo($page) ? Claim::redirectTo($address, $page, true) : null,
            ];
        }
        $page = $this->pages->nextAt($key);
        if ($page === null) {
            return [null, null];
        }
        $address = $this->pages->after($page);
        $comesBack = $this->pages->comesBack($page);

        return [
            $comesBack ? Claim::redirectTo($address, $page, true) : null,
            Claim::ofPage($address, $page, $comesBack || $this->pages->isLive($page)),
        ];
    }
}
