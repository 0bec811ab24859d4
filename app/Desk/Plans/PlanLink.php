<?php

declare(strict_types=1);

namespace App\Desk\Plans;

use App\Models\Plan;
use App\Models\Site;

/** The secret link of a plan: whoever has it sees the site as the plan would leave it. Kept is only its hash. */
final readonly class PlanLink
{
    /** Below which a site answers to such links. */
    public const PATH = '/_plan/';

    public function make(Plan $plan): string
    {
        $token = bin2hex(random_bytes(24));
        $plan->update(['token' => hash('sha256', $token)]);

        return $plan->site->origin.self::PATH.$token;
    }

    public function plan(Site $site, string $token): ?Plan
    {
        return preg_match('/^[0-9a-f]{48}$/D', $token) === 1
            ? Plan::query()->where('site_id', $site->id)->where('state', 'open')->where('token', hash('sha256', $token))->first()
            : null;
    }
}
