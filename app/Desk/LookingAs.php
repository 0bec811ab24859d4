<?php

declare(strict_types=1);

namespace App\Desk;

use Heronstem\Core\Access\Who;

/** As whom somebody looks at a site, without being able to act. */
final readonly class LookingAs
{
    public function __construct(public int $site, public Who $who, public string $name)
    {
    }
}
