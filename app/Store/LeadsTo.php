<?php

declare(strict_types=1);

namespace App\Store;

use Heronstem\Core\Linking\Target;
use Heronstem\Core\Linking\TargetKind;

/** Where a link to a page leads: a pointer straight to where it points, so that nobody takes a detour. */
final class LeadsTo
{
    /** Joins the page that a pointer of `p` leads to, as `t`: looked up for each pointer, so that the pages of the site are never gone through for it. */
    public const JOIN = "left join lateral (select u.address from pages u where p.kind = 'pointer' and u.ulid = substr(p.leads_to, 6) limit 1) t on true";

    /** @param  \stdClass  $row  with address, kind, leads_to, and the address of `t` as target */
    public static function of(\stdClass $row): string
    {
        $target = $row->kind === 'pointer' && $row->leads_to !== null ? Target::stored($row->leads_to) : null;
        if ($target?->kind === TargetKind::Page) {
            MadeOf::pages($target->value);
        }

        return match ($target?->kind) {
            TargetKind::Url, TargetKind::Address => $target->value,
            TargetKind::Page => $row->target ?? $row->address,
            default => $row->address,
        };
    }
}
