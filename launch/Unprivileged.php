<?php

declare(strict_types=1);

namespace Launch;

/** Whoever starts this as root does not have its servers and workers run as root. */
final class Unprivileged
{
    /** The user that Debian has for web servers. */
    private const USER = 'www-data';

    /** @return list<string> what runs a command as that user; empty where we are not root, or where that user cannot read what is to run */
    public static function prefix(string $root): array
    {
        if (posix_geteuid() !== 0 || posix_getpwnam(self::USER) === false || ! Shell::has('setpriv')) {
            return [];
        }
        $prefix = ['setpriv', '--reuid='.self::USER, '--regid='.self::USER, '--clear-groups', '--'];
        // Some packages come so that their owner alone can read them.
        foreach (array_filter(["$root/vendor", "$root/bootstrap/cache"], is_dir(...)) as $folder) {
            Shell::must(['chmod', '-R', 'go+rX', $folder], 'Letting others read the packages');
        }
        if (! is_file("$root/vendor/autoload.php") || Shell::run([...$prefix, 'test', '-r', "$root/vendor/autoload.php"]) !== 0) {
            Say::step(
                'This folder cannot be read by '.
                    self::USER.
                    ', so servers and workers run as root. Put it where others can read it to change that.',
            );

            return [];
        }

        return $prefix;
    }

    /** Gives a folder to that user alone. */
    public static function hand(string $folder): void
    {
        Shell::must(['chown', '-R', self::USER.':'.self::USER, $folder], 'Handing over the storage');
    }
}
