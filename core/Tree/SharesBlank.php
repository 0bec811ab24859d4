<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/** Of a value that never changes, the one that says nothing: most pages have it, and it is held once for all of them. */
trait SharesBlank
{
    private static function blank(): self
    {
        static $blank = null;

        return $blank ??= new self();
    }
}
