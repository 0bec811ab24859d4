<?php

declare(strict_types=1);

namespace Heronstem\Core\Decision;

/** Something a ripple says that needs no decision but should not be a surprise. */
final readonly class Note
{
    public function __construct(public NoteKind $kind, public string $page, public string $name, public ?string $other = null)
    {
    }
}
