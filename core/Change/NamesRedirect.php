<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** A change made to one redirect rule, so that all of a batch are read in one go. */
interface NamesRedirect
{
    public function redirectNamed(): string;
}
