<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

/** Another page became the start page; null where there was or is none. */
final readonly class StartPageDifference
{
    public function __construct(public ?string $before, public ?string $after)
    {
    }
}
