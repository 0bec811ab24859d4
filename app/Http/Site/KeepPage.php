<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\Cache\KeepPages;
use App\Http\Middleware\BehindNginx;
use App\Models\Site;
use App\Short\Anybody;
use Illuminate\Http\Request;
use Illuminate\Http\Response as Answer;
use Symfony\Component\HttpFoundation\Response;

/**
 * Lets the web server in front keep a page for visitors who are not signed in: until something that it is made of changes, or something
 * on the site begins or ends by itself. What is not changed is looked at anew now and then all the same.
 */
final readonly class KeepPage
{
    /** Says how long, on the way to the web server. */
    public const HEADER = 'X-Keep';

    /** Says of a page for how many seconds others may keep it. */
    public const SECONDS = 'X-Keep-Elsewhere';

    /** Seconds after which a page is rendered anew although nothing is known to have changed, and for which it may stand meanwhile. */
    private const FRESH = 600;

    /** Seconds for which it stands where it cannot be rendered: the database is away. */
    private const IN_NEED = 86_400;

    public function __construct(private KeepPages $pages)
    {
    }

    /** @param  \Closure(): Response  $answer */
    public function around(Request $request, Site $site, \Closure $answer): Response
    {
        $isPlain = $request->isMethod('GET') && ! str_contains($request->server->getString('REQUEST_URI'), '?');
        if (! $isPlain || ! self::isFromAnybody($request)) {
            $response = $answer();
            $response->headers->remove(self::SECONDS);

            return $response;
        }
        $key = $request->server->getString(BehindNginx::KEY);
        if (! $this->pages->isForThis($key, (int) $request->server->getString('ASKED_AT'))) {
            // The web server asks itself once more, and has it.
            return new Answer('', 200, ['X-Accel-Redirect' => $request->server->getString('REQUEST_URI')]);
        }
        [$response, $seconds] = $this->pages->around($site, $key, $answer, self::isForAll(...));
        $seconds -= $this->letOthersKeep($response, $seconds);
        if ($seconds > 0) {
            $response->headers->set(self::HEADER, self::lifetime($seconds));
            // Once, and not for everybody anew: the web server opens it for those who cannot read it.
            $response->setContent((string) gzencode((string) $response->getContent(), 6));
            $response->headers->set('Content-Encoding', 'gzip');
        }

        return $response;
    }

    /**
     * Browsers and caches on the way keep it without asking, where nothing of the site begins or ends before they would have it anew.
     *
     * @return int seconds for which whoever is given it now may show it
     */
    private function letOthersKeep(Response $response, int $until): int
    {
        $wanted = (int) $response->headers->get(self::SECONDS);
        $response->headers->remove(self::SECONDS);
        if ($wanted === 0 || $wanted >= $until) {
            return 0;
        }
        $response->headers->set('Cache-Control', "public, max-age=$wanted");

        return $wanted;
    }

    /** Whether others would be answered alike, and a web server in front asks that may keep the answer. */
    public static function isFromAnybody(Request $request): bool
    {
        return $request->server->has(BehindNginx::KEY) &&
            $request->server->get('FORGETTING', '0') !== '1' &&
            Anybody::asks($request->server->all(), $request->cookies->all());
    }

    private static function isForAll(Response $response): bool
    {
        return $response->getStatusCode() === 200 &&
            str_starts_with((string) $response->headers->get('Content-Type'), 'text/html') &&
            $response->headers->hasCacheControlDirective('public') &&
            $response->headers->getCookies() === [];
    }

    /** @param  int  $seconds  until something of the site changes by itself: nothing is shown beyond that */
    private static function lifetime(int $seconds): string
    {
        $fresh = min(self::FRESH, $seconds);

        return sprintf(
            'public, max-age=%d, stale-while-revalidate=%d, stale-if-error=%d',
            $fresh,
            min(self::FRESH, $seconds - $fresh),
            min(self::IN_NEED, $seconds - $fresh),
        );
    }
}
