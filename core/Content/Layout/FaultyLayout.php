<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

/** A layout whose description of its fields cannot be used, with the place in it. */
final class FaultyLayout extends \InvalidArgumentException
{
    /** @param  string  $where  e.g. `properties.fares.items.properties.price` */
    public function __construct(public readonly string $where, public readonly string $reason)
    {
        parent::__construct($where === '' ? $reason : "$where: $reason");
    }
}
