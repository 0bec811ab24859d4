<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** A page as lists and cards show it. */
final readonly class ListedPage
{
    /** @param  string|null  $picture  where its small picture is served */
    public function __construct(public string $name, public string $address, public string $text, public ?string $picture)
    {
    }
}
