<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** Port: where links to pages lead at this moment. */
interface LinkTargets
{
    /** The page's address, or null while visitors cannot see it. */
    public function addressOf(string $page): ?string;

    /** That of the page that was made because links wanted it by this name; null while there is none, or visitors cannot see it. */
    public function addressOfWanted(string $name): ?string;
}
