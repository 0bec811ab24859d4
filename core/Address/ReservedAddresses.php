<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/** Addresses that the system answers itself and no page can have. */
final class ReservedAddresses
{
    private const EXACT = ['/robots.txt', '/favicon.ico'];

    private const BELOW = ['/.well-known', '/_site', '/_files', '/_editor', '/_account', '/_search'];

    /** @return list<string> as people read them: with a star for whatever is below or within */
    public static function all(): array
    {
        return [...self::EXACT, '/sitemap*.xml', ...array_map(static fn (string $root): string => "$root/*", self::BELOW)];
    }

    public static function includes(Address $address): bool
    {
        $path = strtolower($address->path);
        if (in_array($path, self::EXACT, true) || preg_match('#^/sitemap[^/]*\.xml$#D', $path) === 1) {
            return true;
        }
        foreach (self::BELOW as $root) {
            $bare = rtrim($path, '/');
            if ($bare === $root || str_starts_with($path, $root.'/')) {
                return true;
            }
        }

        return false;
    }
}
