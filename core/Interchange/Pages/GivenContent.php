<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

/** The content of a page as a source gives it: a text in one of the forms that are read. */
final readonly class GivenContent
{
    public function __construct(public ContentForm $form, public string $text)
    {
    }
}
