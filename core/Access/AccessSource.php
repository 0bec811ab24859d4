<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

/** Port: who works on a site and what is said of their rights, read whole only where a change is about them. */
interface AccessSource
{
    public function access(): SiteAccess;

    /** Of anybody who has an account, also where they are not among the people of the site; null where nobody has this identity. */
    public function nameOf(string $person): ?string;
}
