<?php

declare(strict_types=1);

namespace App\Store;

/**
 * What of a site goes into something that is rendered, noted by whoever reads it: so that it can be kept, and is forgotten when one
 * of these changes. The database notes changes under the same names; the migration that does so explains them.
 */
final class MadeOf
{
    /** @var list<array<string, true>> what is noted at the moment, the innermost last */
    private static array $noted = [];

    /**
     * Works something out and says of what it was made.
     *
     * @template T
     *
     * @param  \Closure(): T  $work
     * @return array{T, list<string>}
     */
    public static function noting(\Closure $work): array
    {
        [$made, $parts] = self::apart($work);
        self::parts($parts);

        return [$made, $parts];
    }

    /**
     * The same for something that what is being made may show, or not.
     *
     * @template T
     *
     * @param  \Closure(): T  $work
     * @return array{T, list<string>}
     */
    public static function apart(\Closure $work): array
    {
        self::$noted[] = [];
        try {
            $made = $work();
        } finally {
            $parts = array_map(strval(...), array_keys(array_pop(self::$noted) ?? []));
        }

        return [$made, $parts];
    }

    /**
     * @param  list<string>  $parts
     * @return list<string> those among them that are no cards
     */
    public static function withoutCards(array $parts): array
    {
        return array_values(array_filter($parts, static fn (string $part): bool => $part[0] !== 'k'));
    }

    /** @param  list<string>  $parts  as noting() gave them */
    public static function parts(array $parts): void
    {
        $last = array_key_last(self::$noted);
        if ($last !== null) {
            self::$noted[$last] += array_fill_keys($parts, true);
        }
    }

    /** The page as such: everything about it. */
    public static function own(int $page): void
    {
        self::parts(["o$page"]);
    }

    /** What links and menus show of pages: name, address, whether it is there. */
    public static function pages(string ...$ulids): void
    {
        self::parts(array_map(static fn (string $ulid): string => "p$ulid", array_values($ulids)));
    }

    /** What cards show of a page besides: text and picture. */
    public static function card(string $ulid): void
    {
        self::parts(["k$ulid"]);
    }

    /** The pages right inside others, as links. @param  int|null  ...$parents  null for the top */
    public static function inside(?int ...$parents): void
    {
        self::parts(array_map(static fn (?int $parent): string => 'c'.($parent ?? 0), array_values($parents)));
    }

    /** The pages right inside another, as cards; null for the top. */
    public static function cardsInside(?int $parent): void
    {
        self::parts(['kc'.($parent ?? 0)]);
    }

    /** Any page, as links. */
    public static function anyPage(): void
    {
        self::parts(['b0']);
    }

    /** Any page of the site as a card. */
    public static function anyCard(): void
    {
        self::parts(['kb0']);
    }

    /** What pages settle for search and what is below them. */
    public static function settled(int ...$pages): void
    {
        self::parts(array_map(static fn (int $page): string => "s$page", array_values($pages)));
    }

    /** What a group gives to the fields of its items. */
    public static function given(int $group): void
    {
        self::parts(["g$group"]);
    }

    public static function files(string ...$ulids): void
    {
        self::parts(array_map(static fn (string $ulid): string => "f$ulid", array_values($ulids)));
    }

    public static function folders(): void
    {
        self::parts(['ff']);
    }

    public static function pieces(string ...$ulids): void
    {
        self::parts(array_map(static fn (string $ulid): string => "q$ulid", array_values($ulids)));
    }

    public static function films(): void
    {
        self::parts(['v']);
    }
}
