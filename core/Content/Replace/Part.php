<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Replace;

/** What of a site is looked through. */
enum Part: string
{
    case Names = 'names';
    case Headings = 'headings';
    case Summaries = 'summaries';
    case Content = 'content';
    /** Search and social titles and descriptions. */
    case Search = 'search';
    case Fields = 'fields';
    case Menus = 'menus';

    /** @return list<string> the texts of a page that belong to it, by the names of PageTexts */
    public function texts(): array
    {
        return match ($this) {
            self::Headings => ['heading'],
            self::Summaries => ['summary'],
            self::Search => ['searchTitle', 'searchDescription', 'socialTitle', 'socialDescription'],
            default => [],
        };
    }
}
