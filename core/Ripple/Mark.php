<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Tree\Page;

/** What a drawing marks a page with. */
enum Mark: string
{
    case Comes = 'comes';
    case Goes = 'goes';
    case Moves = 'moves';
    case Changes = 'changes';

    /** Null for a page whose place, name, slug and kind stay. */
    public static function between(?Page $before, ?Page $after): ?self
    {
        return match (true) {
            $before === null => $after === null ? null : self::Comes,
            $after === null => self::Goes,
            $before->parent !== $after->parent || $before->position !== $after->position => self::Moves,
            $before->name !== $after->name ||
                ! $before->slug->equals($after->slug) ||
                $before->pinned?->path !== $after->pinned?->path ||
                $before->leftOut !== $after->leftOut ||
                $before->kind !== $after->kind => self::Changes,
            default => null,
        };
    }
}
