<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** Of changes whose kind is told by their shape. */
trait HasShape
{
    public function kind(): string
    {
        return self::shape()->kind;
    }
}
