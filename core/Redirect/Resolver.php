<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\ClaimKind;
use Heronstem\Core\Address\InvalidAddress;
use Heronstem\Core\Address\ReservedAddresses;
use Heronstem\Core\Structure\PageKind;
use Heronstem\Core\Structure\TargetKind;

/**
 * Says how a request is answered: by the page at its normal form, by one permanent redirect (RFC 9110, 15.4.2)
 * to the stored spelling or to where the page is now, or not at all. Sections and pointers send on for the time
 * being (15.4.3), since where they lead may change.
 */
final readonly class Resolver
{
    /** Most steps followed. */
    public const HOPS = 10;

    /** Reserved addresses that have an answer of their own. */
    private const SYSTEM = '#^/(?:robots\.txt|favicon\.ico|_account/sign-in|sitemap(?:-[1-9][0-9]*)?\.xml)$#D';

    public function __construct(private AddressRules $rules, private Answers $answers)
    {
    }

    /** @param  string  $asked a path or URL as the request spells it, with its query if any */
    public function resolve(string $asked): Resolution
    {
        return $this->answer($asked, new Way($asked));
    }

    /** @param  string  $at  the address the way has come to */
    private function answer(string $at, Way $way): Resolution
    {
        try {
            $address = Address::asked($at, $this->rules);
        } catch (InvalidAddress $invalid) {
            return $way->ends(404, $invalid->reason);
        }
        $normal = $address->path;
        $way->normal ??= $normal;
        if (ReservedAddresses::includes($address)) {
            return preg_match(self::SYSTEM, $normal) === 1
                ? $way->arrives(200, $normal, 'The system answers here itself.')
                : $way->ends(404, 'Reserved by the system, and nothing is there.');
        }
        $held = $this->answers->at($address->key);
        $page = $held?->page;
        if ($held === null || $page === null) {
            return match ($held?->kind) {
                ClaimKind::Gone => $way->ends(410, 'Recorded as gone.'),
                ClaimKind::Bin => $way->ends(404, 'Kept for a page in the bin.'),
                default => $way->ends(404, 'Nobody holds this address.'),
            };
        }
        if (! $page->isLive) {
            return $way->ends(404, "“{$page->name}” holds this address and is not live.");
        }
        $to = $held->kind === ClaimKind::Redirect ? $page->address : $held->address;
        $from = $way->hops === [] ? self::path($at) : $normal;
        $why = match (true) {
            $held->kind === ClaimKind::Redirect => "“{$page->name}” is at another address.",
            $from !== $to => 'Another spelling of the stored address.',
            default => null,
        };
        if ($why !== null) {
            $way->goes($from, $to.self::query($way->asked), 301, $why);
        }

        return $this->leadOn($page, $to, $way);
    }

    /** Goes on from a section to what is inside it, and from a pointer to where it points. */
    private function leadOn(Standing $page, string $at, Way $way): Resolution
    {
        $query = self::query($way->asked);
        if ($page->kind === PageKind::Page || $page->kind === PageKind::Download) {
            return $way->arrives(200, $at.$query, $page->kind === PageKind::Page ? "The page “{$page->name}”." : "The file of “{$page->name}”.", $page);
        }
        if (count($way->hops) >= self::HOPS || ! $way->isNew($page)) {
            return $way->ends(404, "The way on from “{$page->name}” comes back to itself.");
        }
        if ($page->kind === PageKind::Section) {
            $next = $this->answers->firstInside($page->id);

            return $next === null ? $way->ends(404, "The section “{$page->name}” has no live page inside.") : $this->step($at, $next, $way, "“{$page->name}” is a section; this is its first live page.");
        }
        $target = $page->leadsTo;
        $why = "“{$page->name}” is a pointer.";
        if ($target?->kind === TargetKind::Page) {
            $next = $this->answers->page($target->value);

            return $next === null || ! $next->isLive ? $way->ends(404, "“{$page->name}” points to a page that is not live.") : $this->step($at, $next, $way, $why);
        }
        if ($target?->kind === TargetKind::Address) {
            $way->goes($at, $target->value, 302, $why);

            return $this->answer($target->value, $way);
        }
        $elsewhere = $target?->kind === TargetKind::File ? $this->answers->file($target->value) : $target?->value;
        if ($elsewhere === null) {
            return $way->ends(404, "“{$page->name}” points to a file that is not there.");
        }
        $way->goes($at, $elsewhere, 302, $why);

        return $way->arrives($target?->kind === TargetKind::File ? 200 : null, $elsewhere, $target?->kind === TargetKind::File ? 'A file.' : 'Answered elsewhere.');
    }

    private function step(string $at, Standing $next, Way $way, string $why): Resolution
    {
        $way->goes($at, $next->address.self::query($way->asked), 302, $why);

        return $this->leadOn($next, $next->address, $way);
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
