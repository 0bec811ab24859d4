<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;

/** Of which type the fields of a change are, whatever its kind: what is of another type is never passed over. */
final class ChangeShape
{
    private const TYPES = [
        'a text' => ['page', 'name', 'slug', 'address', 'copy', 'menu', 'for', 'of', 'basedOn', 'reach', 'to', 'state', 'answer', 'note', 'redirect', 'source', 'query', 'summary', 'searchTitle', 'searchDescription', 'layout'],
        'a text or null' => ['from', 'until', 'heading'],
        'true or false' => ['indexed', 'carriesRest', 'isOn', 'inFront', 'gone'],
        'a list' => ['pages', 'entries', 'redirects'],
        'an object or null' => ['leadsTo', 'pause'],
        'an object, a text or null' => ['place'],
    ];

    /**
     * @param  array<mixed>  $change
     *
     * @throws InputRefused naming the first field of another type
     */
    public static function guard(array $change): void
    {
        foreach (self::TYPES as $said => $fields) {
            foreach (array_intersect($fields, array_keys($change)) as $field) {
                if (! self::fits($said, $change[$field])) {
                    throw new InputRefused($field, "This has to be $said.");
                }
            }
        }
    }

    private static function fits(string $said, mixed $value): bool
    {
        return match ($said) {
            'a text' => is_string($value),
            'a text or null' => $value === null || is_string($value),
            'true or false' => is_bool($value),
            'a list' => is_array($value) && array_is_list($value),
            'an object or null' => $value === null || is_array($value),
            default => $value === null || is_string($value) || is_array($value),
        };
    }
}
