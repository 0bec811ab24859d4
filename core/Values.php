<?php

declare(strict_types=1);

namespace Heronstem\Core;

/** What an object holds, as the arguments of a changed copy. */
final class Values
{
    /**
     * Read one by one: get_object_vars() leaves a table of all fields with every object that was asked, which is more than the
     * object itself, and stays as long as it does.
     *
     * @param  object  $of  all of whose fields are public and are arguments of its constructor
     * @return array<string, mixed> by the name of the field
     */
    public static function of(object $of): array
    {
        static $names = [];
        $values = [];
        foreach ($names[$of::class] ??= array_column((new \ReflectionClass($of))->getProperties(), 'name') as $name) {
            $values[$name] = $of->$name;
        }

        return $values;
    }
}
