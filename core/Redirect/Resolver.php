<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\ClaimKind;
use Heronstem\Core\Address\InvalidAddress;
use Heronstem\Core\Address\ReservedAddresses;

/**
 * Says how a request is answered: by the page at its normal form, by one permanent redirect (RFC 9110, 15.4.2)
 * to the stored spelling or to where the page is now, or not at all. One look into the ledger each.
 */
final readonly class Resolver
{
    /** Reserved addresses that have an answer of their own. */
    private const SYSTEM = '#^/(?:robots\.txt|favicon\.ico|sitemap(?:-[1-9][0-9]*)?\.xml)$#D';

    public function __construct(private AddressRules $rules, private Answers $answers)
    {
    }

    /** @param  string  $asked a path or URL as the request spells it, with its query if any */
    public function resolve(string $asked): Resolution
    {
        try {
            $address = Address::asked($asked, $this->rules);
        } catch (InvalidAddress $invalid) {
            return new Resolution($asked, '', [], 404, null, null, null, $invalid->reason);
        }
        $normal = $address->path;
        if (ReservedAddresses::includes($address)) {
            return preg_match(self::SYSTEM, $normal) === 1
                ? new Resolution($asked, $normal, [], 200, $normal, null, null, 'The system answers here itself.')
                : new Resolution($asked, $normal, [], 404, null, null, null, 'Reserved by the system, and nothing is there.');
        }
        $held = $this->answers->at($address->key);
        if ($held === null) {
            return new Resolution($asked, $normal, [], 404, null, null, null, 'Nobody holds this address.');
        }
        if (! $held->pageIsLive) {
            return new Resolution($asked, $normal, [], 404, null, null, null, "“{$held->pageName}” holds this address and is not live.");
        }
        $to = $held->kind === ClaimKind::Page ? $held->address : $held->pageAddress;
        $query = self::query($asked);
        $path = self::path($asked);
        $why = match (true) {
            $held->kind === ClaimKind::Redirect => "“{$held->pageName}” was at this address before it moved.",
            $path !== $to => 'Another spelling of the stored address.',
            default => null,
        };
        $hops = $why === null ? [] : [new Hop($path, $to.$query, 301, $why)];

        return new Resolution($asked, $normal, $hops, 200, $to.$query, $held->page, $held->pageName, "The page “{$held->pageName}”.");
    }

    /** The path as asked, before any normalising. */
    private static function path(string $asked): string
    {
        $path = (string) preg_replace('#^https?:[/\\\\]+[^/\\\\?\#]*#i', '', trim($asked, "\x00..\x20"));
        $path = substr($path, 0, strcspn($path, '?#'));

        return $path === '' ? '/' : $path;
    }

    private static function query(string $asked): string
    {
        $bare = substr($asked, 0, strcspn($asked, '#'));
        $start = strpos($bare, '?');

        return $start === false ? '' : rtrim(substr($bare, $start), "\x00..\x20");
    }
}
