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
    private function __construct(public int $id, public string $ulid, public bool $isSecure, public int $rulesVersion, public AddressRules $rules)
    {
    }

    /** The site at a host, as requests name it; null for none. */
    public static function at(string $host, PDO $pdo): ?self
    {
        try {
            $authority = Host::of($host)->authority();
        } catch (InvalidAddress) {
            return null;
        }
        $found = $pdo->prepare(
            'select id, ulid, origin, rules_version, trailing_slash, suffix, case_sensitive, language, native_letters from sites where origin in (?, ?) and deleted_at is null',
        );
        $found->execute(["http://$authority", "https://$authority"]);
        $row = $found->fetch(PDO::FETCH_ASSOC);

        return is_array($row)
            ? new self(
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
            )
            : null;
    }
}
