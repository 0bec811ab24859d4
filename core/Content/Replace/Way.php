<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Replace;

/** How what is looked for is written. */
enum Way: string
{
    case Plain = 'plain';
    /** The same where it begins and ends with whole words. */
    case Words = 'words';
    /** A regular expression (PCRE2, in UTF-8); the replacement may name its groups as `$1`. */
    case Pattern = 'pattern';
}
