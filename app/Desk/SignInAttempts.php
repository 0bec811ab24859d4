<?php

declare(strict_types=1);

namespace App\Desk;

use Illuminate\Cache\RateLimiter;

/**
 * Slows down who guesses passwords: after a few wrong ones for an account from one place, and after more for any
 * accounts from one network. Nobody is locked out by what others try elsewhere.
 */
final readonly class SignInAttempts
{
    /** Seconds in which wrong attempts count. */
    private const SPAN = 60;

    public function __construct(private RateLimiter $limiter)
    {
    }

    /** Seconds to wait before the next attempt; 0 for none. */
    public function wait(string $place, string $mail, string $ip): int
    {
        $wait = 0;
        foreach ($this->keys($place, $mail, $ip) as $key => $most) {
            if ($this->limiter->tooManyAttempts($key, $most)) {
                $wait = max($wait, 1, $this->limiter->availableIn($key));
            }
        }

        return $wait;
    }

    public function wasWrong(string $place, string $mail, string $ip): void
    {
        foreach (array_keys($this->keys($place, $mail, $ip)) as $key) {
            $this->limiter->hit($key, self::SPAN);
        }
    }

    /** Whoever knows the password of one account has not thereby the right to guess at others. */
    public function wasRight(string $place, string $mail, string $ip): void
    {
        $this->limiter->clear((string) array_key_first($this->keys($place, $mail, $ip)));
    }

    /** @return array<string, int> most wrong attempts in the span, by what they are counted for */
    private function keys(string $place, string $mail, string $ip): array
    {
        $network = self::network($ip);

        return [
            "sign-in:$place:".hash('sha256', "$mail|$network") => (int) config('heronstem.sign_in_attempts'),
            "sign-in:$place:network:$network" => (int) config('heronstem.sign_in_attempts_network'),
        ];
    }

    /** An IPv4 address, or the /64 of an IPv6 one, which one household has (RFC 6177). */
    private static function network(string $ip): string
    {
        $bytes = @inet_pton($ip);

        return $bytes !== false && strlen($bytes) === 16 ? bin2hex(substr($bytes, 0, 8)) : $ip;
    }
}
