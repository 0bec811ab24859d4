<?php

declare(strict_types=1);

namespace Heronstem\Core\Visitors;

use Heronstem\Core\InputRefused;

/** The password that opens a page: kept as its Argon2id (RFC 9106), with a salt of the page, so that one change has one outcome. */
final readonly class PagePassword
{
    /** Fewest and most characters. */
    private const MIN = 8;

    private const MAX = 200;

    /** Passes, and bytes of memory: what OWASP asks of Argon2id at least. */
    private const PASSES = 2;

    private const MEMORY = 19 * 1024 * 1024;

    /** @param  string  $kept  salt and key, in hexadecimal, apart by a point */
    private function __construct(public string $kept)
    {
    }

    /** @throws InputRefused naming the field `password` */
    public static function set(string $typed, string $page): self
    {
        $length = mb_strlen($typed);
        if ($length < self::MIN || $length > self::MAX || ! mb_check_encoding($typed, 'UTF-8') || trim($typed) !== $typed) {
            throw new InputRefused(
                'password',
                sprintf('A password that opens a page has %d to %d characters, none of them a space at its ends.', self::MIN, self::MAX),
            );
        }
        $salt = substr(hash('sha256', "page $page", true), 0, SODIUM_CRYPTO_PWHASH_SALTBYTES);

        return new self(bin2hex($salt).'.'.self::key($typed, $salt));
    }

    /** As `kept` gave it; null for anything else. */
    public static function stored(mixed $kept): ?self
    {
        return is_string($kept) && preg_match('/^[0-9a-f]{32}\.[0-9a-f]{64}$/D', $kept) === 1 ? new self($kept) : null;
    }

    public function isRight(string $typed): bool
    {
        [$salt, $key] = explode('.', $this->kept);

        return $typed !== '' && mb_strlen($typed) <= self::MAX && hash_equals($key, self::key($typed, (string) hex2bin($salt)));
    }

    private static function key(string $typed, string $salt): string
    {
        return bin2hex(sodium_crypto_pwhash(32, $typed, $salt, self::PASSES, self::MEMORY, SODIUM_CRYPTO_PWHASH_ALG_ARGON2ID13));
    }
}
