<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\InvalidAddress;

/** Tells links that lead into the site by address from those that lead elsewhere. */
final readonly class OwnAddress
{
    /** @param  string  $origin  scheme and host of the site, e.g. `https://www.example.org` */
    public function __construct(private AddressRules $rules, private string $origin)
    {
    }

    /** The address of this site that a link's href asks for; null when it leads elsewhere or within its own page. */
    public function in(string $href): ?Address
    {
        $href = trim($href);
        $host = self::host($href);
        if ($host === null ? ! str_starts_with($href, '/') : $host !== self::host($this->origin)) {
            return null;
        }
        try {
            return Address::asked((string) preg_replace('#^(?:https?:)?//[^/\\\\?\#]*#i', '', $href), $this->rules);
        } catch (InvalidAddress) {
            return null;
        }
    }

    /** A URL of this site as it is written behind its host, so that it can be read as an address or pattern; anything else as it is. */
    public function behindHost(string $typed): string
    {
        $typed = trim($typed);
        $host = self::host($typed);
        if ($host === null || $host !== self::host($this->origin)) {
            return $typed;
        }
        $path = (string) preg_replace('#^(?:https?:)?//[^/\\\\?\#]*#i', '', $typed);

        return str_starts_with($path, '/') ? $path : "/$path";
    }

    /** Query and fragment of an href, with their signs; empty when it has neither. */
    public static function rest(string $href): string
    {
        return substr($href, strcspn($href, '?#'));
    }

    /** Host and port, http and https alike: a site answers both with the same pages. */
    private static function host(string $url): ?string
    {
        return preg_match('#^(?:https?:)?//([^/\\\\?\#]+)#i', $url, $found) === 1
            ? strtolower((string) preg_replace('/:(?:80|443)$/', '', $found[1]))
            : null;
    }
}
