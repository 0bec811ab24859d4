<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

/** Port: names of what stands on a site and a batch does not touch. Empty for what is not there. */
interface Names
{
    public function page(string $id): string;

    public function menu(string $id): string;
}
