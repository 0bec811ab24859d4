<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

/** One line of a table of visitors: what it says, or what is wrong with it. */
final readonly class VisitorRow
{
    /**
     * @param  int  $line  of the file, from 1
     * @param  string  $mail  in small letters
     * @param  list<string>  $roles
     * @param  string|null  $fault  why it cannot be taken, and what would help
     */
    public function __construct(public int $line, public string $mail, public string $name, public array $roles, public ?string $fault = null)
    {
    }
}
