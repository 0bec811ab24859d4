<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\Accounts\VisitorAccounts;
use App\Desk\Accounts\VisitorLinks;
use App\Desk\PasswordCheck;
use App\Desk\SignInAttempts;
use App\Models\Site;
use App\Models\Visitor;
use Heronstem\Core\InputRefused;
use Illuminate\Contracts\View\Factory as Views;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The pages behind `/_account/` on which visitors look after their accounts: plain forms, no scripts, never kept by caches. */
final readonly class VisitorForms
{
    public function __construct(
        private VisitorAccounts $accounts,
        private VisitorLinks $links,
        private PasswordCheck $passwords,
        private SignInAttempts $attempts,
        private Views $views,
    ) {
    }

    /**
     * @param  \Closure(): array<string, mixed>  $frame  what every layout shows
     * @return Response|null null for an address that is none of theirs
     */
    public function answer(Request $request, Site $site, string $address, ?Visitor $visitor, \Closure $frame): ?Response
    {
        $sends = $request->isMethod('POST');
        if (! $sends && ! $request->isMethodCacheable()) {
            return null;
        }

        return match (true) {
            $address === '/_account/sign-up' && $this->accounts->signUp($site)->isOpen() => $sends
                ? $this->signUp($request, $site, $frame)
                : $this->page($frame, 'sign-up', ['typed' => ['name' => '', 'mail' => '']]),
            $address === '/_account/forgotten' => $sends
                ? $this->forgotten($request, $site, $frame)
                : $this->page($frame, 'forgotten', ['mail' => '']),
            $address === '/_account/set' => $this->set($request, $site, $frame),
            $address === '/_account' && $visitor === null => self::goTo('/_account/sign-in?to=%2F_account'),
            $address === '/_account' && $visitor !== null => $sends
                ? $this->change($request, $site, $visitor, $frame)
                : $this->page($frame, 'account', ['account' => $visitor, 'done' => null]),
            default => null,
        };
    }

    /** @param  \Closure(): array<string, mixed>  $frame */
    private function signUp(Request $request, Site $site, \Closure $frame): Response
    {
        $typed = ['name' => self::typed($request, 'name'), 'mail' => self::typed($request, 'mail')];
        if (! $this->accounts->mayAsk((string) $request->ip(), $typed['mail'])) {
            return $this->page($frame, 'sign-up', ['typed' => $typed, 'refused' => 'Too many letters were asked for. Try again later.'], 429);
        }
        try {
            $this->accounts->ask($site, $typed['name'], $typed['mail']);
        } catch (InputRefused $refused) {
            return $this->page($frame, 'sign-up', ['typed' => $typed, 'refused' => $refused->reason], 422);
        }

        return $this->page($frame, 'letter-sent', ['mail' => $typed['mail']]);
    }

    /** @param  \Closure(): array<string, mixed>  $frame */
    private function forgotten(Request $request, Site $site, \Closure $frame): Response
    {
        $mail = self::typed($request, 'mail');
        if (! $this->accounts->mayAsk((string) $request->ip(), $mail)) {
            return $this->page($frame, 'forgotten', ['mail' => $mail, 'refused' => 'Too many letters were asked for. Try again later.'], 429);
        }
        $this->accounts->forgotten($site, $mail);

        return $this->page($frame, 'letter-sent', ['mail' => $mail]);
    }

    /** @param  \Closure(): array<string, mixed>  $frame */
    private function set(Request $request, Site $site, \Closure $frame): Response
    {
        $link = $request->isMethod('POST') ? self::typed($request, 'link') : $request->query->all()['link'] ?? '';
        $visitor = is_string($link) && preg_match('/^[0-9a-f]{48}$/D', $link) === 1 ? $this->links->find($link, $site) : null;
        if ($visitor === null) {
            return $this->page($frame, 'link-over', [], 404);
        }
        if (! $request->isMethod('POST')) {
            return $this->page($frame, 'set-password', ['account' => $visitor, 'link' => $link]);
        }
        try {
            $this->accounts->setByLink($visitor, self::typed($request, 'password'));
        } catch (InputRefused $refused) {
            return $this->page($frame, 'set-password', ['account' => $visitor, 'link' => $link, 'refused' => $refused->reason], 422);
        }

        return $visitor->isAdmitted() ? self::goTo('/_account/sign-in') : $this->page($frame, 'waits', []);
    }

    /** @param  \Closure(): array<string, mixed>  $frame */
    private function change(Request $request, Site $site, Visitor $visitor, \Closure $frame): Response
    {
        $act = self::typed($request, 'act');
        $shown = fn (?string $done, ?string $refused = null, int $status = 200): Response => $this->page(
            $frame,
            'account',
            ['account' => $visitor, 'done' => $done, 'refused' => $refused],
            $status,
        );
        try {
            if ($act === 'name') {
                $this->accounts->rename($visitor, self::typed($request, 'name'));

                return $shown('Your name is changed.');
            }
            $refused = $this->notThem($request, $site, $visitor);
            if ($refused !== null) {
                return $shown(null, $refused, 422);
            }
            if ($act === 'password') {
                $this->accounts->changePassword($visitor, self::typed($request, 'new'));

                return self::goTo('/_account/sign-in?to=%2F_account');
            }
            if ($act === 'delete') {
                $this->accounts->delete($visitor);

                return self::goTo('/');
            }
        } catch (InputRefused $refused) {
            return $shown(null, $refused->reason, 422);
        }

        return $shown(null);
    }

    /** Why the password that was typed does not show that it is them. */
    private function notThem(Request $request, Site $site, Visitor $visitor): ?string
    {
        $place = "site-{$site->id}";
        $ip = (string) $request->ip();
        $wait = $this->attempts->wait($place, $visitor->email, $ip);
        if ($wait > 0) {
            return "Too many wrong attempts. Try again in $wait seconds.";
        }
        if (! $this->passwords->isRight(self::typed($request, 'password'), $visitor->password)) {
            $this->attempts->wasWrong($place, $visitor->email, $ip);

            return 'This is not your password. Capitals count.';
        }

        return null;
    }

    /** What was typed into a field; nothing where it is no text that can be read. */
    private static function typed(Request $request, string $field): string
    {
        $typed = $request->request->all()[$field] ?? '';

        return is_string($typed) && mb_check_encoding($typed, 'UTF-8') ? mb_substr(str_replace("\0", '', $typed), 0, 300) : '';
    }

    /**
     * @param  \Closure(): array<string, mixed>  $frame
     * @param  string  $view  one of the folder site/account
     * @param  array<string, mixed>  $with
     */
    private function page(\Closure $frame, string $view, array $with, int $status = 200): Response
    {
        /** @var view-string $name */
        $name = "site.account.$view";

        return new Response($this->views->make($name, ['refused' => null, ...$frame(), ...$with])->render(), $status, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'no-store',
            'X-Robots-Tag' => 'noindex',
            'Referrer-Policy' => 'no-referrer',
        ]);
    }

    private static function goTo(string $address): Response
    {
        return new Response('', 303, ['Location' => $address, 'Cache-Control' => 'no-store']);
    }
}
