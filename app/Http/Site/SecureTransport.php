<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\AnswerVisitor;
use App\Models\Site;
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
        // A proxy that nobody has named says how it was asked: it is not believed, and not sent round in circles either.
        if (! self::isSecure($site) || $request->isSecure() || $request->headers->has('X-Forwarded-Proto') || $request->headers->has('Forwarded')) {
            return null;
        }
        $asked = $request->server->getString('REQUEST_URI', '/');
        $resolution = str_starts_with($asked, '/_') ? null : $this->visitors->resolve($asked, $site);
        $sends = $resolution?->sendsWith();
        $to = $sends === null ? $asked : (string) $resolution?->location;
        $isPermanent = $sends === null || in_array($sends, [301, 308], true);
        $status = $request->isMethodCacheable() ? ($isPermanent ? 301 : 302) : ($isPermanent ? 308 : 307);

        return new Response('', $status, ['Location' => str_starts_with($to, '/') ? $site->origin.$to : $to, 'Cache-Control' => 'no-cache']);
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
