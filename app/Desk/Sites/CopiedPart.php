<?php

declare(strict_types=1);

namespace App\Desk\Sites;

/** How much of a site a copy has. */
enum CopiedPart: string
{
    case All = 'all';

    /** Pages with names, slugs, layouts and kinds, and the menus; without content, files and redirects. */
    case Structure = 'structure';
}
