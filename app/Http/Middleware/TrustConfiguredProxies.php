<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Middleware\TrustProxies;

/** What a proxy says of host, scheme and visitor is believed where the installation names that proxy. */
final class TrustConfiguredProxies extends TrustProxies
{
    /** @return list<string>|string|null */
    protected function proxies(): array|string|null
    {
        $named = array_values(array_filter(array_map(trim(...), explode(',', (string) config('heronstem.trusted_proxies')))));

        return $named === ['*'] ? '*' : ($named === [] ? null : $named);
    }
}
