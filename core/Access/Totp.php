<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

use Heronstem\Core\InputRefused;

/** Codes of the second step when signing in: RFC 6238 over HMAC-SHA-1, six digits, a new one every 30 seconds. */
final readonly class Totp
{
    private const DIGITS = 6;

    private const SECONDS = 30;

    /** Bytes of a secret: RFC 4226, section 4, R6. */
    public const BYTES = 20;

    /** Steps that a clock may be ahead or behind: RFC 6238, section 5.2. */
    private const DRIFT = 1;

    /** RFC 4648, section 6. */
    private const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    private function __construct(#[\SensitiveParameter] private string $secret)
    {
    }

    /** @param  string  $bytes  as they are, not in letters; of a new secret as many as BYTES, drawn at random */
    public static function ofBytes(#[\SensitiveParameter] string $bytes): self
    {
        return new self($bytes);
    }

    /**
     * @param  string  $letters  as toLetters() gave them; spaces, small letters and `=` at the end do not matter
     *
     * @throws InputRefused naming the field `secret`
     */
    public static function ofLetters(#[\SensitiveParameter] string $letters): self
    {
        $read = rtrim(strtoupper((string) preg_replace('/\s+/', '', $letters)), '=');
        if ($read === '' || strspn($read, self::LETTERS) !== strlen($read)) {
            throw new InputRefused('secret', 'A secret is written in the letters A to Z and the digits 2 to 7.');
        }
        $bits = '';
        foreach (str_split($read) as $letter) {
            $bits .= str_pad(decbin((int) strpos(self::LETTERS, $letter)), 5, '0', STR_PAD_LEFT);
        }
        $bytes = array_filter(str_split($bits, 8), static fn (string $byte): bool => strlen($byte) === 8);

        return new self(implode('', array_map(static fn (string $byte): string => chr((int) bindec($byte)), $bytes)));
    }

    /** Base 32, for typing it into a device that has no camera, and for keeping it. */
    public function toLetters(): string
    {
        $bits = implode(
            '',
            array_map(static fn (string $byte): string => str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT), str_split($this->secret)),
        );

        return implode('', array_map(static fn (string $five): string => self::LETTERS[(int) bindec(str_pad($five, 5, '0'))], str_split($bits, 5)));
    }

    /** What a device reads from a picture: `otpauth://totp/…`, as programs that make such codes take it. */
    public function toUri(string $issuer, string $account): string
    {
        return 'otpauth://totp/'.
            rawurlencode($issuer).
            ':'.
            rawurlencode($account).
            '?secret='.
            $this->toLetters().
            '&issuer='.
            rawurlencode($issuer);
    }

    /** The code of a counter: HOTP, RFC 4226, section 5.3. */
    public function code(int $counter, int $digits = self::DIGITS): string
    {
        $hash = hash_hmac('sha1', pack('J', $counter), $this->secret, true);
        $at = ord($hash[19]) & 0xF;
        $number = hexdec(bin2hex(substr($hash, $at, 4))) & 0x7FFFFFFF;

        return str_pad((string) ($number % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /** The counter at a time: the RFC's T, with T0 = 0. */
    public static function stepAt(int $seconds): int
    {
        return intdiv($seconds, self::SECONDS);
    }

    /**
     * The step whose code was typed: one that is near, and later than the last that was used, so that no code is good twice.
     *
     * @param  int  $now  seconds since 1970
     * @param  int|null  $last  step of the code that was used last
     * @return int|null null where it is the code of none
     */
    public function stepOf(#[\SensitiveParameter] string $typed, int $now, ?int $last): ?int
    {
        $code = (string) preg_replace('/\s+/', '', $typed);
        $found = null;
        for ($step = self::stepAt($now) - self::DRIFT; $step <= self::stepAt($now) + self::DRIFT; $step++) {
            // Every step is looked at, so that time tells nothing.
            $fits = hash_equals($this->code($step), $code);
            $found = $fits && ($last === null || $step > $last) ? $step : $found;
        }

        return $found;
    }
}
