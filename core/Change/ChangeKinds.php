<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** The kinds of change that people ask for: the classes of this folder that are RequestedChange, by the names of their kinds. */
final class ChangeKinds
{
    /**
     * Cost: loads one class at most.
     *
     * @return class-string<RequestedChange>|null
     */
    public static function find(string $kind): ?string
    {
        if (preg_match('/^[a-z]+(?:-[a-z]+)*$/D', $kind) !== 1) {
            return null;
        }
        $class = __NAMESPACE__.'\\'.str_replace('-', '', ucwords($kind, '-'));

        return is_subclass_of($class, RequestedChange::class) && $class::shape()->kind === $kind ? $class : null;
    }

    /** @return array<string, Shape> in the order of the alphabet; cost: loads every class */
    public static function shapes(): array
    {
        $shapes = [];
        foreach (glob(__DIR__.'/*.php') ?: [] as $file) {
            $class = __NAMESPACE__.'\\'.basename($file, '.php');
            if (is_subclass_of($class, RequestedChange::class)) {
                $shapes[$class::shape()->kind] = $class::shape();
            }
        }
        ksort($shapes);

        return $shapes;
    }
}
