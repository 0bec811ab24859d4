<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** Where a setting of a page comes from, the nearest first. */
enum SettingScope: string
{
    case Own = 'own';
    case Branch = 'branch';
    case Layout = 'layout';
    case Site = 'site';
    /** Nobody said anything: what holds then. */
    case Default = 'default';
}
