<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

/** One row of a table of the fields of pages. */
final readonly class FieldRow
{
    /**
     * @param  int  $line  of the file, from 1
     * @param  string  $page  identity; empty where the row names its page by address
     * @param  array<string, mixed>  $fields  as a change takes them
     * @param  array{string, string}|null  $problem  field and reason, where the row cannot be taken
     */
    public function __construct(public int $line, public string $page, public string $address, public array $fields, public ?array $problem)
    {
    }
}
