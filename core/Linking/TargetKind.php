<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

enum TargetKind: string
{
    case Page = 'page';
    case Address = 'address';
    case Url = 'url';
    case File = 'file';
}
