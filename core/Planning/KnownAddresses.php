<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

/** Once a page is live, visitors know its further addresses too. */
final class KnownAddresses
{
    public static function mark(ClaimsInQuestion $question): void
    {
        foreach ($question->about as $about) {
            $claim = $question->claims->planned($about->address->key);
            $page = $claim?->page === null ? null : $question->outcome->find($claim->page);
            if ($claim !== null && ! $claim->everLive && $page?->isLive() === true) {
                $question->claims->set($claim->address->key, $claim->known());
            }
        }
    }
}
