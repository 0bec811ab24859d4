<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** Words that sites use for the same thing, as Reference/groups.php lists them. */
final class SameThing
{
    /** @var array<string, list<string>>|null the others of its groups by word, endings dropped */
    private static ?array $others = null;

    /** @return list<string> other words for what a word, its ending dropped, says */
    public static function of(string $word): array
    {
        self::$others ??= self::load();

        return self::$others[$word] ?? [];
    }

    /** @return array<string, list<string>> */
    private static function load(): array
    {
        $others = [];
        /** @var list<string> $words */
        foreach (require __DIR__.'/Reference/groups.php' as $words) {
            $group = array_values(array_unique(array_map(Words::stem(...), $words)));
            foreach ($group as $word) {
                $others[$word] = [...$others[$word] ?? [], ...array_values(array_diff($group, [$word]))];
            }
        }

        return $others;
    }
}
