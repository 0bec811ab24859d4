<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Desk\Accounts\SignedInLately;
use App\Desk\Plans\KeepPlans;
use App\Desk\Plans\SeenAsPlanned;
use App\Desk\RightsOn;
use App\Http\Api\JsonBody;
use App\Http\Api\Problem;
use App\Http\WholeAnswer;
use App\Models\Plan;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Refusal;
use Illuminate\Auth\AuthManager;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;
use Symfony\Component\HttpFoundation\Response;

/**
 * Requests that name a plan are about the site as the plan leaves it: what is read is read of that, and what somebody types into a
 * page becomes a step of the plan. What a plan cannot hold is refused rather than done to the living site.
 */
final readonly class InPlan
{
    /** By which a request names the plan. */
    public const HEADER = 'Heronstem-Plan';

    /** Marks a request whose change has become a step already. */
    public const STEP = 'heronstem.step';

    /** What is asked by POST and writes nothing. */
    private const READS = '#/(?:ripple(?:/[a-z-]+)?|ripple-findings|found|address|menus/[^/]+/(?:arranged|read)|pages/[^/]+/(?:source|source-read|shown|reviewed)|shown|explain|patterns/tried|crawling/tried|search-grid/measured|addresses/tried)$#D';

    /** What plans are kept and shown by is put together only for requests that name one: it is most of what a request needs. */
    public function __construct(private AuthManager $auth, private RightsOn $rights, private SignedInLately $lately, private Container $container)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $named = $request->header(self::HEADER);
        $route = $request->route();
        $key = $route instanceof Route ? $route->parameter('site') : null;
        if (! is_string($named) || ! is_string($key) || $this->isOfPlans($request)) {
            return $next($request);
        }
        $user = $this->user($request);
        $site = Site::query()->where('key', $key)->first();
        if ($user === null || $site === null || ! $this->rights->held($user, $site)->rights->maySomewhere(Right::See)) {
            return $next($request); // whoever asks is turned away as always
        }
        try {
            $plan = Identity::names($named)
                ? Plan::query()->where('site_id', $site->id)->where('ulid', $named)->where('state', 'open')->first()
                : null;
            if ($plan === null) {
                throw new InputRefused('plan', 'This plan is gone, or switched on already. Leave it to see the living site.');
            }
            $this->note($request, $plan, $site, $user);
        } catch (Refusal|BeyondRights $no) {
            return Problem::from($no) ?? throw $no;
        }
        $this->lately->token();

        return $this->container->make(SeenAsPlanned::class)->during($plan, static fn (): Response => WholeAnswer::of($next($request)));
    }

    /** What is typed into a page becomes a step; what else would be written is refused. */
    private function note(Request $request, Plan $plan, Site $site, User $user): void
    {
        if (
            $request->isMethodSafe() ||
            preg_match(self::READS, $request->getPathInfo()) === 1 ||
            preg_match('#/(?:presence|draft)$#D', $request->getPathInfo()) === 1
        ) {
            return;
        }
        $change = $this->step($request);
        if ($change === null) {
            throw new InputRefused('plan', "This cannot be prepared in a plan. Leave “{$plan->name}” to do it on the living site.");
        }
        $batch = (new ChangeReader($site->rules(), $site->zone, $site->ownAddresses()))->batch([$change]);
        $this->container->make(KeepPlans::class)->add($plan, $user, $batch, $this->rights->of($user, $site));
        $request->attributes->set(self::STEP, true);
    }

    /** @return array<string, mixed>|null */
    private function step(Request $request): ?array
    {
        if (preg_match('#/pages/([0-9A-Z]{26})(/content)?$#D', $request->getPathInfo(), $of) !== 1) {
            return null;
        }
        $body = JsonBody::decode($request->getContent());

        return match (true) {
            $request->isMethod('PATCH') && ! isset($of[2]) => ['kind' => 'describe', ...$body, 'page' => $of[1]],
            $request->isMethod('PUT') && isset($of[2]) => [
                'kind' => 'set-content',
                'page' => $of[1],
                'document' => is_array($body['document'] ?? null) ? $body['document'] : [],
            ],
            default => null,
        };
    }

    private function isOfPlans(Request $request): bool
    {
        return preg_match('#/sites/[^/]+/plans(?:/|$)#', $request->getPathInfo()) === 1;
    }

    private function user(Request $request): ?User
    {
        $user = $this->auth->guard($request->bearerToken() === null ? 'web' : 'sanctum')->user();

        return $user instanceof User ? $user : null;
    }
}
