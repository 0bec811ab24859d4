<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\AnswerVisitor;
use App\Models\Site;
use Heronstem\Core\Visitors\PageAccess;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** A site whose own address is https is answered by https alone: whoever asks by http is sent there, straight to where the answer is. */
final readonly class SecureTransport
{
    public function __construct(private AnswerVisitor $visitors)
    {
    }

    /** Where somebody who asks by http is sent; null where they need not go. */
    public function before(Request $request, Site $site): ?Response
    {
        if (! self::isSecure($site) || ! self::isAskedOpenly($request)) {
            return null;
        }
        $asked = $request->server->getString('REQUEST_URI', '/');
        $resolution = str_starts_with($asked, '/_') ? null : $this->visitors->resolve($asked, $site);
        $sends = $resolution?->sendsWith();
        $to = $sends === null ? $asked : (string) $resolution?->location;
        $isPermanent = $sends === null || in_array($sends, [301, 308], true);

        return self::sent($request, str_starts_with($to, '/') ? $site->origin.$to : $to, $isPermanent);
    }

    /**
     * Where somebody is sent who asks by http for a page, or is led to one, that answers by https alone on a site that does not.
     *
     * @param  string  $to  the address that answers
     */
    public function beforePage(Request $request, Site $site, ?PageAccess $access, string $to, bool $isPermanent = true): ?Response
    {
        $isDue = $access?->https === true && str_starts_with($to, '/') && ! self::isSecure($site) && self::isAskedOpenly($request);

        return $isDue ? self::sent($request, self::secureOrigin($site).$to, $isPermanent) : null;
    }

    /** A proxy that nobody has named says how it was asked: it is not believed, and not sent round in circles either. */
    private static function isAskedOpenly(Request $request): bool
    {
        return ! $request->isSecure() && ! $request->headers->has('X-Forwarded-Proto') && ! $request->headers->has('Forwarded');
    }

    private static function sent(Request $request, string $to, bool $isPermanent): Response
    {
        $status = $request->isMethodCacheable() ? ($isPermanent ? 301 : 302) : ($isPermanent ? 308 : 307);

        return new Response('', $status, ['Location' => $to, 'Cache-Control' => 'no-cache']);
    }

    private static function secureOrigin(Site $site): string
    {
        $port = (int) config('heronstem.https_port');

        return 'https://'.parse_url($site->origin, PHP_URL_HOST).($port === 443 ? '' : ":$port");
    }

    /** RFC 6797: told by https alone, since by http it counts for nothing. */
    public function mark(AnyResponse $response, Request $request, Site $site): void
    {
        $seconds = (int) config('heronstem.hsts');
        if ($seconds > 0 && self::isSecure($site) && $request->isSecure()) {
            $response->headers->set('Strict-Transport-Security', "max-age=$seconds");
        }
    }

    private static function isSecure(Site $site): bool
    {
        return str_starts_with($site->origin, 'https://');
    }
}
