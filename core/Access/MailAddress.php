<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

use Heronstem\Core\InputRefused;

/** A mail address that an account is known by (the addr-spec of RFC 5322 as PHP's filter takes it, RFC 5321's length): in lower case. */
final readonly class MailAddress
{
    /** Longest address, in bytes. */
    public const MAX_LENGTH = 254;

    /** @return string|null null for what is no address */
    public static function of(string $typed): ?string
    {
        if (! mb_check_encoding($typed, 'UTF-8')) {
            return null;
        }
        $address = mb_strtolower(trim($typed));

        return filter_var($address, FILTER_VALIDATE_EMAIL) === false || strlen($address) > self::MAX_LENGTH ? null : $address;
    }

    /** @throws InputRefused */
    public static function read(string $typed, string $field = 'email'): string
    {
        return self::of($typed) ?? throw new InputRefused($field, 'This is not a mail address. Write it like isla@skerrivane.example.');
    }
}
