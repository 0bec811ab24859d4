<?php

declare(strict_types=1);

namespace App\Http;

use App\Desk\Cache\NodeMemory;
use Illuminate\Cache\RateLimiter;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Http\Request;

/**
 * How fast somebody may ask the API. It guards a node from being asked too much, so each node counts for itself, in the memory that its
 * workers share; where there is none, with everything else that is kept. (Wrong passwords are counted for all nodes.)
 */
final class ApiPace extends RateLimiter
{
    public function __construct(NodeMemory $memory)
    {
        parent::__construct($memory->orKept());
        $this->for(
            'api',
            static fn (Request $request): Limit => Limit::perMinute((int) config('heronstem.api_rate'))->by(
                (string) ($request->user()?->getAuthIdentifier() ?? $request->ip()),
            ),
        );
    }
}
