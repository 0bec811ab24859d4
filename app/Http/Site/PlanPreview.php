<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\Plans\PlanLink;
use App\Desk\Plans\SeenAsPlanned;
use App\Http\WholeAnswer;
use App\Models\Plan;
use App\Models\Site;
use Illuminate\Http\Request;
use Illuminate\Http\Response as Answer;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Response;

/** The public site as a plan would leave it, for whoever came by the plan's secret link; everybody else gets the living site. */
final readonly class PlanPreview
{
    private const COOKIE = 'heronstem_plan';

    public function __construct(private PlanLink $link, private SeenAsPlanned $planned)
    {
    }

    /** Whether a request may be for what a plan would leave: by its link, or with the cookie that this gave. */
    public static function mayConcern(Request $request): bool
    {
        return str_starts_with($request->getPathInfo(), PlanLink::PATH) || $request->cookies->has(self::COOKIE);
    }

    /** @param  \Closure(Site): Response  $answer  as the site is */
    public function answer(Request $request, Site $site, \Closure $answer): Response
    {
        $path = $request->getPathInfo();
        if (str_starts_with($path, PlanLink::PATH)) {
            return $this->begin($request, $site, substr($path, strlen(PlanLink::PATH)));
        }
        $token = $request->cookies->get(self::COOKIE);
        $plan = is_string($token) ? $this->link->plan($site, $token) : null;
        if ($plan === null || ! $request->isMethodCacheable()) {
            return $answer($site);
        }
        $response = $this->planned->during($plan, static fn (): Response => WholeAnswer::of($answer(Site::query()->findOrFail($site->id))));
        $response->headers->add(['Cache-Control' => 'private, no-store', 'X-Robots-Tag' => 'noindex, nofollow']);

        return self::isHtml($response) ? $response->setContent($this->noted((string) $response->getContent(), $plan)) : $response;
    }

    private function begin(Request $request, Site $site, string $token): Response
    {
        $plan = $token === 'end' ? null : $this->link->plan($site, $token);
        if ($plan === null && $token !== 'end') {
            return new Answer('This link shows nothing any more. Ask whoever gave it to you for another one.', 404, [
                'Content-Type' => 'text/plain; charset=utf-8',
                'Cache-Control' => 'no-store',
                'X-Robots-Tag' => 'noindex',
            ]);
        }
        $response = new Answer('', 302, ['Location' => '/', 'Cache-Control' => 'no-store', 'Referrer-Policy' => 'no-referrer']);
        $response->headers->setCookie(
            $plan === null
                ? Cookie::create(self::COOKIE, '', 1)
                : Cookie::create(
                    self::COOKIE,
                    $token,
                    0,
                    '/',
                    null,
                    str_starts_with($site->origin, 'https:') || $request->isSecure(),
                    true,
                    false,
                    Cookie::SAMESITE_LAX,
                ),
        );

        return $response;
    }

    private function noted(string $html, Plan $plan): string
    {
        $name = htmlspecialchars($plan->name, ENT_QUOTES | ENT_HTML5);
        $note =
            "<p class=\"preview-note\">Preview of the plan “{$name}”: visitors do not see this. <a href=\"".
            PlanLink::PATH.
            'end">Leave the preview</a></p>';

        return (string) preg_replace('/<body[^>]*>/', '$0'.addcslashes($note, '\\$'), $html, 1);
    }

    private static function isHtml(Response $response): bool
    {
        return str_starts_with((string) $response->headers->get('Content-Type'), 'text/html');
    }
}
