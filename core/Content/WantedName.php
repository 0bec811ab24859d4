<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\OneLine;

/** The name of a page that links want and nobody has made. Two that differ in case or spaces are the same. */
final class WantedName
{
    /** Longest name, in characters. */
    public const MOST = 200;

    /** By which names are compared and kept. */
    public static function key(string $name): string
    {
        $folded = OneLine::of($name);

        return mb_substr(mb_strtolower(\Normalizer::normalize($folded, \Normalizer::FORM_C) ?: $folded), 0, self::MOST);
    }
}
