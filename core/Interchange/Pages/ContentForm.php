<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

/** In what form the content of a page comes. */
enum ContentForm: string
{
    case Markdown = 'markdown';
    case Html = 'html';

    /** Blocks as JSON, as docs/develop/content-format.md describes them. */
    case Document = 'document';
}
