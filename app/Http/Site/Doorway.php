<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\SeenBy;
use App\Desk\SignInAttempts;
use App\Models\Page;
use App\Models\Site;
use App\Models\Visitor;
use Heronstem\Core\Moment;
use Heronstem\Core\Visitors\Gates;
use Heronstem\Core\Visitors\Guest;
use Heronstem\Core\Visitors\Others;
use Heronstem\Core\Visitors\PagePassword;
use Illuminate\Contracts\Container\Container;
use Illuminate\Contracts\Encryption\Encrypter;
use Illuminate\Contracts\View\Factory as Views;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Cookie;

/**
 * Who stands before a closed page, and what they get there. That somebody knows a page's password is kept in a cookie that only the
 * server can write; another password for the page, and it opens nothing any more.
 */
final readonly class Doorway
{
    private const COOKIE = 'heronstem_opened';

    /** Hours for which a password need not be typed again. */
    private const HOURS = 12;

    /** Pages whose passwords are remembered. */
    private const MOST = 30;

    /** Longest address that somebody is brought back to. */
    private const LONGEST = 2000;

    public function __construct(
        private SeenBy $seen,
        private Container $container,
        private Views $views,
        private SignInAttempts $attempts,
        private Encrypter $encrypter,
    ) {
    }

    /** Most pages stand open, and are shown by whoever asks here. */
    private function pages(): PageResponse
    {
        return $this->container->make(PageResponse::class);
    }

    public function guest(Request $request, ?Visitor $visitor): Guest
    {
        return new Guest($visitor !== null, $visitor->roles ?? [], (string) $request->ip(), $this->known($request));
    }

    /**
     * What whoever may not see the page gets in its place; null where they may.
     *
     * @param  string  $asked  as it came, for coming back to it
     * @param  string  $normal  its normal form
     */
    public function before(Page $page, Site $site, Gates $gates, Guest $guest, string $asked, string $normal, ?Visitor $visitor): ?Response
    {
        $access = $this->seen->access($page, $gates);
        if ($access === null || $access->admits($guest)) {
            return null;
        }

        return match ($access->answerTo($guest)) {
            Others::SignIn => new Response('', 303, [
                'Location' => '/_account/sign-in?to='.rawurlencode($asked),
                'Cache-Control' => 'no-store',
                'X-Robots-Tag' => 'noindex',
            ]),
            Others::Password => $this->form($site, $visitor, $asked, null, 403),
            Others::Refused => $this->refused($site, $visitor),
            Others::Missing => $this->pages()->missed($normal === '' ? '/' : $normal, $site, $visitor),
        };
    }

    /** Somebody typed a password for the page at an address. */
    public function open(Request $request, Site $site, ?Page $page, Gates $gates, ?Visitor $visitor): Response
    {
        $to = self::wayBack($request->request->all()['to'] ?? null);
        $typed = $request->request->all()['password'] ?? '';
        $access = $page === null ? null : $this->seen->access($page, $gates);
        if ($access?->password === null) {
            // What the password was for is open by now, or was never there: whoever goes there gets its answer.
            return new Response('', 303, ['Location' => $to, 'Cache-Control' => 'no-store']);
        }
        $place = "gate-{$site->id}";
        $which = hash('sha256', $access->password->kept);
        $ip = (string) $request->ip();
        $wait = $this->attempts->wait($place, $which, $ip);
        if ($wait > 0) {
            return $this->form($site, $visitor, $to, "Too many wrong attempts. Try again in $wait seconds.", 429);
        }
        if (! is_string($typed) || ! $access->password->isRight($typed)) {
            $this->attempts->wasWrong($place, $which, $ip);

            return $this->form($site, $visitor, $to, 'This is not the password of this page. Capitals count.', 422);
        }
        $this->attempts->wasRight($place, $which, $ip);
        $known = array_slice(array_values(array_unique([$access->password->kept, ...$this->known($request)])), 0, self::MOST);
        $response = new Response('', 303, ['Location' => $to, 'Cache-Control' => 'no-store']);
        $isSecure = $request->isSecure() || str_starts_with($site->origin, 'https://');
        $until = Moment::at(now()->addHours(self::HOURS)->getTimestamp());
        $response->headers->setCookie(
            Cookie::create(self::COOKIE, $this->encrypter->encrypt(['site' => $site->ulid, 'known' => $known]), $until->seconds)
                ->withSecure($isSecure)
                ->withSameSite('lax'),
        );

        return $response;
    }

    /** The address that somebody wanted to go to, where it is one of this site; else the start. */
    public static function wayBack(mixed $to): string
    {
        $isHere = is_string($to) && strlen($to) <= self::LONGEST && preg_match('#^/(?![/\\\\])[\x21-\x7e]*$#D', $to) === 1;

        return $isHere ? $to : '/';
    }

    /** @return list<string> passwords as pages keep them */
    private function known(Request $request): array
    {
        $cookie = $request->cookies->all()[self::COOKIE] ?? null;
        try {
            $kept = is_string($cookie) ? $this->encrypter->decrypt($cookie) : null;
        } catch (\Illuminate\Contracts\Encryption\DecryptException) {
            return [];
        }
        $known = is_array($kept) && is_array($kept['known'] ?? null) ? $kept['known'] : [];

        return array_values(array_filter($known, static fn (mixed $each): bool => PagePassword::stored($each) !== null));
    }

    private function form(Site $site, ?Visitor $visitor, string $to, ?string $refused, int $status): Response
    {
        return self::closed(
            $this->views->make('site.password', [...$this->pages()->frame($site, $visitor), 'to' => $to, 'refused' => $refused])->render(),
            $status,
        );
    }

    private function refused(Site $site, ?Visitor $visitor): Response
    {
        return self::closed($this->views->make('site.closed', $this->pages()->frame($site, $visitor))->render(), 403);
    }

    private static function closed(string $html, int $status): Response
    {
        return new Response($html, $status, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'no-store',
            'X-Robots-Tag' => 'noindex',
        ]);
    }
}
