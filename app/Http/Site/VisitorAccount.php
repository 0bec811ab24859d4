<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\PasswordCheck;
use App\Desk\SignInAttempts;
use App\Models\Site;
use App\Models\Visitor;
use Illuminate\Contracts\View\Factory as Views;
use Illuminate\Database\ConnectionInterface;
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

    public function __construct(
        private ConnectionInterface $db,
        private PasswordCheck $passwords,
        private SignInAttempts $attempts,
        private Views $views,
        private VisitorForms $forms,
    ) {
    }

    public function signedIn(Request $request, Site $site): ?Visitor
    {
        $token = $this->token($request);
        if ($token === null) {
            return null;
        }
        $kept = $this->db->selectOne('select visitor_id, mark from visitor_sign_ins where token = ? and until > now()', [$token]);
        $visitor = $kept === null ? null : Visitor::query()->where('site_id', $site->id)->whereKey($kept->visitor_id)->first();

        return $visitor !== null && $visitor->isAdmitted() && hash_equals($this->mark($visitor), $kept->mark) ? $visitor : null;
    }

    /** What the cookie holds, as it is kept: whoever reads the database cannot sign in with it. */
    private function token(Request $request): ?string
    {
        $cookie = $request->cookies->all()[self::COOKIE] ?? null;

        return is_string($cookie) && preg_match('/^[0-9a-f]{64}$/D', $cookie) === 1 ? hash('sha256', $cookie) : null;
    }

    /** @param  \Closure(): array<string, mixed>  $frame what every layout shows */
    public function answer(Request $request, Site $site, string $address, ?Visitor $signedIn, \Closure $frame): Response
    {
        if ($request->isMethod('POST') && ! self::isFromHere($request, $site)) {
            return new Response('This form was sent from elsewhere.', 403, ['Content-Type' => 'text/plain; charset=utf-8']);
        }

        return match (true) {
            $address === '/_account/sign-in' && $request->isMethod('POST') => $this->signIn($request, $site, $frame),
            $address === '/_account/sign-in' && $request->isMethodCacheable() => $this->form(
                $frame,
                '',
                null,
                Doorway::wayBack($request->query->all()['to'] ?? null),
            ),
            $address === '/_account/sign-out' && $request->isMethod('POST') => $this->leave($request),
            default => $this->forms->answer($request, $site, $address, $signedIn, $frame) ??
                new Response('There is nothing here.', 404, ['Content-Type' => 'text/plain; charset=utf-8']),
        };
    }

    /** @param  \Closure(): array<string, mixed>  $frame */
    private function signIn(Request $request, Site $site, \Closure $frame): Response
    {
        $mail = mb_strtolower(trim($this->typed($request, 'mail')));
        $place = "site-{$site->id}";
        $ip = (string) $request->ip();
        $to = Doorway::wayBack($request->request->all()['to'] ?? null);
        $wait = $this->attempts->wait($place, $mail, $ip);
        if ($wait > 0) {
            return $this->form($frame, $mail, "Too many wrong attempts. Try again in $wait seconds.", $to, 429);
        }
        $visitor = Visitor::query()->where('site_id', $site->id)->where('email', $mail)->first();
        if (! $this->passwords->isRight($this->typed($request, 'password'), $visitor?->password) || $visitor === null) {
            $this->attempts->wasWrong($place, $mail, $ip);

            return $this->form($frame, $mail, 'Mail address and password do not go together. Check both; capitals count in the password.', $to, 422);
        }
        if (! $visitor->isAdmitted()) {
            return $this->form(
                $frame,
                $mail,
                $visitor->disabled_at !== null
                    ? 'This account has been closed. Ask whoever looks after this site.'
                    : 'Nobody has let you in yet. You can sign in as soon as somebody has.',
                $to,
                403,
            );
        }
        $this->attempts->wasRight($place, $mail, $ip);
        $visitor->forceFill(['last_at' => now()])->save();
        $until = now()->addDays(self::DAYS);
        $token = bin2hex(random_bytes(32));
        $this->db->delete('delete from visitor_sign_ins where until < now()');
        $this->db->insert('insert into visitor_sign_ins (token, visitor_id, mark, until) values (?, ?, ?, ?)', [
            hash('sha256', $token),
            $visitor->id,
            $this->mark($visitor),
            $until->toIso8601ZuluString(),
        ]);
        $isSecure = $request->isSecure() || str_starts_with($site->origin, 'https://');

        return $this->goTo($to, Cookie::create(self::COOKIE, $token, $until)->withSecure($isSecure)->withSameSite('lax'));
    }

    /** What was typed into a field; nothing where it is no text that can be read. */
    private function typed(Request $request, string $field): string
    {
        $typed = $request->request->all()[$field] ?? '';

        return is_string($typed) && mb_check_encoding($typed, 'UTF-8') ? mb_substr(str_replace("\0", '', $typed), 0, 300) : '';
    }

    /** Ends the sign-in itself, so that a copy of the cookie opens nothing any more. */
    private function leave(Request $request): Response
    {
        $this->db->delete('delete from visitor_sign_ins where token = ?', [(string) $this->token($request)]);

        return $this->goTo('/', Cookie::create(self::COOKIE, '', 1));
    }

    private function goTo(string $address, Cookie $cookie): Response
    {
        $response = new Response('', 303, ['Location' => $address, 'Cache-Control' => 'no-store']);
        $response->headers->setCookie($cookie);

        return $response;
    }

    /** @param  \Closure(): array<string, mixed>  $frame */
    private function form(\Closure $frame, string $mail, ?string $refused, string $to, int $status = 200): Response
    {
        return new Response(
            $this->views->make('site.sign-in', [...$frame(), 'mail' => $mail, 'refused' => $refused, 'to' => $to])->render(),
            $status,
            [
                'Content-Type' => 'text/html; charset=utf-8',
                'Cache-Control' => 'no-store',
            ],
        );
    }

    /** Browsers say where a form comes from (Fetch Metadata, or Origin in older ones); behind a proxy it is the site's own address that counts. */
    public static function isFromHere(Request $request, Site $site): bool
    {
        $origin = $request->headers->get('Origin');

        return $origin === null || in_array($origin, [$request->getSchemeAndHttpHost(), $site->origin], true);
    }

    private function mark(Visitor $visitor): string
    {
        return hash('sha256', $visitor->password);
    }
}
