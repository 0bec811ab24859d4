<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\Site;
use App\Models\Visitor;
use Illuminate\Cache\RateLimiter;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Contracts\Encryption\Encrypter;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Contracts\View\Factory as Views;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Cookie;

/**
 * Signing in at a public site: one form, one cookie that the server alone can read, no session. A password that is
 * changed ends every sign-in made with the old one.
 */
final readonly class VisitorAccount
{
    private const COOKIE = 'heronstem_visitor';

    private const DAYS = 30;

    public function __construct(private Encrypter $encrypter, private Hasher $hasher, private RateLimiter $limiter, private Views $views)
    {
    }

    public function signedIn(Request $request, Site $site): ?Visitor
    {
        $cookie = $request->cookies->get(self::COOKIE);
        if (! is_string($cookie)) {
            return null;
        }
        try {
            $kept = $this->encrypter->decrypt($cookie);
        } catch (DecryptException) {
            return null;
        }
        $visitor = is_array($kept) ? Visitor::query()->where('site_id', $site->id)->whereKey((int) ($kept['visitor'] ?? 0))->first() : null;

        return $visitor !== null && hash_equals($this->mark($visitor), (string) ($kept['mark'] ?? '')) && ($kept['until'] ?? 0) > now()->getTimestamp() ? $visitor : null;
    }

    /** @param  \Closure(): array<string, mixed>  $frame what every layout shows */
    public function answer(Request $request, Site $site, string $address, \Closure $frame): Response
    {
        if ($request->isMethod('POST') && ! $this->isFromHere($request)) {
            return new Response('This form was sent from elsewhere.', 403, ['Content-Type' => 'text/plain; charset=utf-8']);
        }

        return match (true) {
            $address === '/_account/sign-in' && $request->isMethod('POST') => $this->signIn($request, $site, $frame),
            $address === '/_account/sign-in' && $request->isMethodCacheable() => $this->form($frame, '', null),
            $address === '/_account/sign-out' && $request->isMethod('POST') => $this->leave(),
            default => new Response('There is nothing here.', 404, ['Content-Type' => 'text/plain; charset=utf-8']),
        };
    }

    /** @param  \Closure(): array<string, mixed>  $frame */
    private function signIn(Request $request, Site $site, \Closure $frame): Response
    {
        $mail = mb_strtolower(trim($request->string('mail')->value()));
        $attempts = "visitor:{$site->id}:$mail|{$request->ip()}";
        if ($this->limiter->tooManyAttempts($attempts, (int) config('heronstem.sign_in_attempts'))) {
            return $this->form($frame, $mail, 'Too many wrong attempts. Try again in '.$this->limiter->availableIn($attempts).' seconds.', 429);
        }
        $visitor = Visitor::query()->where('site_id', $site->id)->where('email', $mail)->first();
        // A password is checked even where nobody has the address, so that the time taken tells nothing.
        $isRight = $this->hasher->check($request->string('password')->value(), $visitor->password ?? $this->hasher->make('nobody'));
        if ($visitor === null || ! $isRight) {
            $this->limiter->hit($attempts);

            return $this->form($frame, $mail, 'Mail address and password do not go together. Check both; capitals count in the password.', 422);
        }
        $this->limiter->clear($attempts);
        $until = now()->addDays(self::DAYS);
        $kept = $this->encrypter->encrypt(['visitor' => $visitor->id, 'mark' => $this->mark($visitor), 'until' => $until->getTimestamp()]);

        return $this->goTo('/', Cookie::create(self::COOKIE, $kept, $until)->withSecure($request->isSecure())->withSameSite('lax'));
    }

    private function leave(): Response
    {
        return $this->goTo('/', Cookie::create(self::COOKIE, '', 1));
    }

    private function goTo(string $address, Cookie $cookie): Response
    {
        $response = new Response('', 303, ['Location' => $address, 'Cache-Control' => 'no-store']);
        $response->headers->setCookie($cookie);

        return $response;
    }

    /** @param  \Closure(): array<string, mixed>  $frame */
    private function form(\Closure $frame, string $mail, ?string $refused, int $status = 200): Response
    {
        return new Response($this->views->make('site.sign-in', [...$frame(), 'mail' => $mail, 'refused' => $refused])->render(), $status, ['Content-Type' => 'text/html; charset=utf-8', 'Cache-Control' => 'no-store']);
    }

    /** Browsers say where a form comes from (Fetch Metadata, or Origin in older ones). */
    private function isFromHere(Request $request): bool
    {
        $origin = $request->headers->get('Origin');

        return $origin === null || $origin === $request->getSchemeAndHttpHost();
    }

    private function mark(Visitor $visitor): string
    {
        return hash('sha256', $visitor->password);
    }
}
