<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/** Somebody who has something on a page: content not saved yet, or their branch. */
final readonly class PersonAtPage
{
    public function __construct(public string $page, public string $name, public PersonRole $tie)
    {
    }
}
