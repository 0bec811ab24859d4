<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** Of changes that look for no page but the one they are made to. */
trait NamesItsPage
{
    public function pagesNamed(): array
    {
        return [$this->page];
    }
}
