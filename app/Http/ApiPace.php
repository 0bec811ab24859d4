<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Cache\RateLimiter;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Cache\Factory;
use Illuminate\Http\Request;

/**
 * How fast somebody may ask the API. It guards a node from being asked too much, so each node counts for itself, in the memory that its
 * workers share; where there is none, with everything else that is kept. (Wrong passwords are counted for all nodes.)
 */
final class ApiPace extends RateLimiter
{
    public function __construct(Factory $cache)
    {
        parent::__construct($cache->store(function_exists('apcu_enabled') && apcu_enabled() ? 'node' : null));
        $this->for(
            'api',
            static fn (Request $request): Limit => Limit::perMinute((int) config('heronstem.api_rate'))->by(
                (string) ($request->user()?->getAuthIdentifier() ?? $request->ip()),
            ),
        );
    }
}
