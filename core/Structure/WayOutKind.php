<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

enum WayOutKind: string
{
    case FreeSlug = 'free-slug';
    case Swap = 'swap';
    case ReplaceRedirect = 'replace-redirect';
    case ChooseAnother = 'choose-another';
}
