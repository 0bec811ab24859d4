<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/** What somebody who has an account is called. */
final readonly class PersonName
{
    /** Longest name, in characters. */
    public const MAX_LENGTH = 100;

    /** @throws InputRefused when nothing is left of it, or it is too long */
    public static function read(string $typed, string $field = 'name'): string
    {
        $name = OneLine::typed($typed);

        return $name !== '' && mb_strlen($name) <= self::MAX_LENGTH
            ? $name
            : throw new InputRefused($field, sprintf('A name has 1 to %d characters.', self::MAX_LENGTH));
    }
}
