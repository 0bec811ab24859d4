<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

/** One row of a table of the fields of pages. */
final readonly class FieldRow extends PageRow
{
    /**
     * @param  array<string, mixed>  $fields  as a change takes them
     * @param  array{string, string}|null  $problem
     */
    public function __construct(int $line, string $page, string $address, public array $fields, ?array $problem)
    {
        parent::__construct($line, $page, $address, $problem);
    }
}
