<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

/** Search engines may list a page that they were asked not to, or the other way round. */
final readonly class IndexChange
{
    public function __construct(public string $page, public string $name, public bool $isIndexed)
    {
    }
}
