<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

/** Why a value is not one of its field. */
final readonly class FieldFault
{
    /** @param  list<string|int>  $path  in rows the row, counted from 0, and its column; else empty */
    public function __construct(public array $path, public string $reason)
    {
    }
}
