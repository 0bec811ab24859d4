<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ledger\Claim;

/** Own addresses that their pages let go. Those that visitors knew go on as redirects to the page, unless somebody else takes them, or they are another spelling now. */
final readonly class ReleasedAddresses
{
    /** @param  array<string, string>  $pages  by key of the address */
    private function __construct(private array $pages)
    {
    }

    public static function of(ClaimsInQuestion $question): self
    {
        $released = [];
        foreach ($question->outcome->singly() as $id => $page) {
            $before = $question->workspace->pages->before($id);
            if ($before === null || $before->isBinned()) {
                continue;
            }
            $old = $before->address;
            if (
                ($page === null || $page->isBinned() || $page->address->key !== $old->key) &&
                $question->claims->now($old->key)?->isPageOf($id) === true
            ) {
                $released[$old->key] = $id;
            }
        }

        return new self($released);
    }

    public function includes(string $key): bool
    {
        return isset($this->pages[$key]);
    }

    public function keepAnswering(ClaimsInQuestion $question, RestoredClaims $restored): void
    {
        foreach ($this->pages as $key => $id) {
            $page = $question->outcome->find($id);
            $claim = $question->claims->now((string) $key);
            if ($claim === null || $question->claims->isPlanned((string) $key) || $page?->isBinned() === true) {
                continue;
            }
            $elsewhere = $question->lookedUpElsewhere($claim->address);
            if ($elsewhere === null) {
                $question->claims->set((string) $key, $claim->everLive ? Claim::redirectTo($claim->address, $id, true) : null);

                continue;
            }
            $question->claims->set((string) $key, null);
            if ($claim->everLive && ! $restored->includes((string) $key) && $question->claims->planned($elsewhere->key) === null) {
                $question->claims->set($elsewhere->key, Claim::redirectTo($elsewhere, $id, true));
            }
        }
    }
}
