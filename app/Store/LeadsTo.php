<?php

declare(strict_types=1);

namespace App\Store;

use Heronstem\Core\Structure\Target;
use Heronstem\Core\Structure\TargetKind;

/** Where a link to a page leads: a pointer straight to where it points, so that nobody takes a detour. */
final class LeadsTo
{
    /** Joins the page that a pointer of `p` leads to, as `t`; by the identity itself, so that the index on it serves. */
    public const JOIN = "left join pages t on p.kind = 'pointer' and t.ulid = substr(p.leads_to, 6)";

    /** @param  \stdClass  $row  with address, kind, leads_to, and the address of `t` as target */
    public static function of(\stdClass $row): string
    {
        $target = $row->kind === 'pointer' && $row->leads_to !== null ? Target::stored($row->leads_to) : null;

        return match ($target?->kind) {
            TargetKind::Url, TargetKind::Address => $target->value,
            TargetKind::Page => $row->target ?? $row->address,
            default => $row->address,
        };
    }
}
