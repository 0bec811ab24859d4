<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\SilentAddresses;
use App\Store\Violations;

/** Whether a stored site keeps its invariants: what breaks one, and addresses that visitors knew and that answer nothing. */
final readonly class CheckSite
{
    public function __construct(private Violations $violations, private SilentAddresses $silent, private Resolvers $resolvers)
    {
    }

    /** @return list<array{invariant: string, what: string}> */
    public function violations(Site $site): array
    {
        return $this->violations->of($site);
    }

    /** @return list<array<string, mixed>> */
    public function unanswered(Site $site): array
    {
        return $this->silent->of($site, $this->resolvers->for($site)->resolve(...));
    }
}
