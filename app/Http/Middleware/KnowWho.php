<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Desk\Accounts\SignedInLately;
use App\Desk\LookingAs;
use App\Desk\RightsOn;
use App\Models\Site;
use Heronstem\Core\Access\Who;
use Heronstem\Core\InputRefused;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Auth\AuthManager;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;
use Symfony\Component\HttpFoundation\Response;

/** Whoever sends a personal token is the one it was made for; everybody else is who signed in with this browser. */
final readonly class KnowWho
{
    /** Where a session keeps when its person signed in, or confirmed it: seconds since 1970. */
    public const SIGNED_IN = 'signed_in_at';

    /** Where a session keeps as whom its person looks. */
    public const LOOKS_AS = 'looks_as';

    public function __construct(private AuthManager $auth, private SignedInLately $lately, private RightsOn $rights)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $guard = $request->bearerToken() === null ? 'web' : 'sanctum';
        if ($this->auth->guard($guard)->guest()) {
            throw new AuthenticationException();
        }
        $this->auth->shouldUse($guard);
        if ($guard === 'web') {
            $at = $request->session()->get(self::SIGNED_IN);
            $this->lately->session(is_int($at) ? $at : null);
            $this->look($request);
        } else {
            $this->lately->token();
        }

        return $next($request);
    }

    /** @throws AuthorizationException when somebody who looks as another would act */
    private function look(Request $request): void
    {
        $looking = self::lookingIn($request);
        $this->rights->lookAs($looking);
        $route = $request->route();
        $site = $route instanceof Route ? $route->parameter('site') : null;
        if ($looking === null || ! ($site instanceof Site) || $site->id !== $looking->site || $request->isMethodSafe()) {
            return;
        }
        $isLooking =
            $route instanceof Route && (in_array('can:see,site', $route->gatherMiddleware(), true) || str_ends_with($route->uri(), '/looking-as'));
        if (! $isLooking) {
            throw new AuthorizationException("You look at this site as {$looking->name}, and act as nobody. Stop viewing to do something yourself.");
        }
    }

    /** As whom the browser looks; what makes no sense is nobody. */
    public static function lookingIn(Request $request): ?LookingAs
    {
        $kept = $request->hasSession() ? $request->session()->get(self::LOOKS_AS) : null;
        try {
            return is_array($kept) && is_int($kept['site'] ?? null) && is_string($kept['name'] ?? null)
                ? new LookingAs($kept['site'], Who::read($kept['who'] ?? null, 'who'), $kept['name'])
                : null;
        } catch (InputRefused) {
            return null;
        }
    }
}
