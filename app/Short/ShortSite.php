<?php

declare(strict_types=1);

namespace App\Short;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Host;
use Heronstem\Core\Address\InvalidAddress;
use Heronstem\Core\Address\TrailingSlash;
use PDO;

/** What of a site bears on how its addresses are answered. */
final readonly class ShortSite
{
    /** Seconds for which it is kept in the memory that requests share; every use of it looks whether it is still right. */
    private const KEPT = 60;

    private function __construct(
        public string $stamp,
        public int $id,
        public string $ulid,
        public bool $isSecure,
        public int $rulesVersion,
        public AddressRules $rules,
    ) {
    }

    /** As it was when it was last looked for; to be checked by its stamp. */
    public static function known(string $host): ?self
    {
        $known = function_exists('apcu_fetch') ? apcu_fetch("heronstem-site $host") : false;

        return $known instanceof self ? $known : null;
    }

    /** The site at a host, as requests name it; null for none. */
    public static function at(string $host, PDO $pdo): ?self
    {
        try {
            $authority = Host::of($host)->authority();
        } catch (InvalidAddress) {
            return null;
        }
        $found = $pdo->prepare('select * from find_site(?, ?)');
        $found->execute(["http://$authority", "https://$authority"]);
        $row = $found->fetch(PDO::FETCH_ASSOC);
        if (! is_array($row)) {
            return null;
        }
        $site = new self(
            $row['stamp'],
            (int) $row['id'],
            $row['ulid'],
            str_starts_with($row['origin'], 'https://'),
            (int) $row['rules_version'],
            new AddressRules(
                TrailingSlash::from($row['trailing_slash']),
                $row['suffix'],
                (bool) $row['case_sensitive'],
                $row['language'],
                (bool) $row['native_letters'],
            ),
        );
        if (function_exists('apcu_store')) {
            apcu_store("heronstem-site $host", $site, self::KEPT);
        }

        return $site;
    }
}
