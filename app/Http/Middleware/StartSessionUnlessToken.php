<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Request;
use Illuminate\Session\DatabaseSessionHandler;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Session\Store;
use Illuminate\Support\Facades\DB;

/**
 * A request that carries a personal token has no session: none is begun, and none of the browser's is used. Requests of one browser
 * run beside each other: one that changes nothing of the session does not write back what another has changed meanwhile.
 */
final class StartSessionUnlessToken extends StartSession
{
    /** Stands in every session that was written. */
    private const KEPT = 'kept';

    /** Seconds after which it is noted that a session is still in use. */
    private const NOTED = 60;

    private ?string $begun = null;

    /** @param  Request  $request */
    public function handle($request, \Closure $next): mixed
    {
        return $request->bearerToken() === null ? parent::handle($request, $next) : $next($request);
    }

    /** @param  Store  $session */
    protected function startSession(Request $request, $session)
    {
        $started = parent::startSession($request, $session);
        $this->begun = $session->has(self::KEPT) ? self::read($session) : null;

        return $started;
    }

    /** Nobody is sent back to where they came from last. */
    protected function storeCurrentUrl(Request $request, $session): void
    {
    }

    /** @param  Request  $request */
    protected function saveSession($request): void
    {
        $session = $this->manager->driver();
        if (! $session instanceof Store || $this->begun !== self::read($session)) {
            $session->put(self::KEPT, true);
            parent::saveSession($request);
        } elseif ($session->getHandler() instanceof DatabaseSessionHandler) {
            $now = now()->getTimestamp();
            DB::table('sessions')->where('id', $session->getId())->where('last_activity', '<', $now - self::NOTED)->update(['last_activity' => $now]);
        } else {
            parent::saveSession($request);
        }
    }

    private static function read(Store $session): string
    {
        return $session->getId().serialize($session->all());
    }
}
