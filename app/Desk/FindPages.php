<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\GoToHits;

/** Pages for somebody who types a part of a name or an address. */
final readonly class FindPages
{
    /** Most pages found. */
    private const MAX_FOUND = 12;

    public function __construct(private GoToHits $hits)
    {
    }

    /** @return list<\stdClass> */
    public function find(Site $site, string $text): array
    {
        $text = mb_substr(trim($text), 0, 200);

        return $text === '' ? [] : $this->hits->find($site, $text, self::MAX_FOUND);
    }
}
