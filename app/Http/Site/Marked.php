<?php

declare(strict_types=1);

namespace App\Http\Site;

/** Text with marked pieces as HTML, with no white space that is not the text's own. */
final class Marked
{
    /** @param  list<array{text: string, isMarked: bool}>  $pieces */
    public static function html(array $pieces): string
    {
        return implode(
            '',
            array_map(static fn (array $piece): string => $piece['isMarked'] ? '<mark>'.e($piece['text']).'</mark>' : e($piece['text']), $pieces),
        );
    }
}
