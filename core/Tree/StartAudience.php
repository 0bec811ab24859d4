<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/** For whom a page is the start page. */
enum StartAudience: string
{
    case Visitors = 'visitors';
    case SignedIn = 'signed-in';
}
