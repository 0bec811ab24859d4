<?php

declare(strict_types=1);

namespace App\Desk;

use Illuminate\Contracts\Cache\Repository as Cache;
use Illuminate\Contracts\Hashing\Hasher;

/** Checks a password in the same time whether the account exists or not, so that time tells nothing of who has one. */
final readonly class PasswordCheck
{
    public function __construct(private Hasher $hasher, private Cache $cache)
    {
    }

    /** @param  string|null  $hash  null where nobody has the account */
    public function isRight(string $password, ?string $hash): bool
    {
        // What is longer is no password that anybody set here.
        $password = mb_strlen($password) > 255 ? '' : $password;

        return $this->hasher->check($password, $hash ?? $this->nobodys()) && $hash !== null;
    }

    private function nobodys(): string
    {
        /** @var string */
        return $this->cache->rememberForever(
            'password-of-nobody.'.config('hashing.driver'),
            fn (): string => $this->hasher->make(bin2hex(random_bytes(16))),
        );
    }
}
