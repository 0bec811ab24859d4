<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Decision\Note;

/** What came of taking addresses: those that somebody else holds, and what is said of the others. */
final readonly class TakenAddresses
{
    /**
     * @param  array<string, AddressClash>  $clashes  by address and page
     * @param  list<Note>  $notes
     */
    public function __construct(public array $clashes, public array $notes)
    {
    }
}
