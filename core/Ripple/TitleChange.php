<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

/** The title tag of a page that visitors see, before and after. */
final readonly class TitleChange
{
    public function __construct(public string $page, public string $name, public string $before, public string $after)
    {
    }
}
