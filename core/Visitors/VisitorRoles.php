<?php

declare(strict_types=1);

namespace Heronstem\Core\Visitors;

use Heronstem\Core\InputRefused;

/** Names of what visitors have in common: whoever gives one makes it. */
final class VisitorRoles
{
    private const MOST = 20;

    private const NAME = '/^[\p{L}\p{N}][\p{L}\p{N} -]{0,39}$/Du';

    /**
     * @return list<string> each once
     *
     * @throws InputRefused naming the field, and which of them
     */
    public static function read(mixed $given, string $field): array
    {
        if (! is_array($given) || ! array_is_list($given) || array_filter($given, static fn (mixed $each): bool => ! is_string($each)) !== []) {
            throw new InputRefused($field, 'This is a list of texts.');
        }
        if (count($given) > self::MOST) {
            throw new InputRefused($field, sprintf('These are at most %d.', self::MOST));
        }
        $roles = [];
        foreach ($given as $i => $role) {
            $name = trim($role);
            if (preg_match(self::NAME, $name) !== 1) {
                throw new InputRefused("$field.$i", 'A role of visitors has up to 40 letters, digits, spaces and hyphens.');
            }
            $roles[$name] = true;
        }

        return array_map(strval(...), array_keys($roles));
    }
}
