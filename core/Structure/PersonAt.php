<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

/** Somebody who has something on a page: words not saved yet, or their branch. */
final readonly class PersonAt
{
    public function __construct(public string $page, public string $name, public PersonTie $tie)
    {
    }
}
