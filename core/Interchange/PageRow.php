<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

use Heronstem\Core\Identity;

/** One row of a table about pages: which page it is about, or why it cannot be taken. */
readonly class PageRow
{
    /**
     * @param  int  $line  of the file, from 1
     * @param  string  $page  identity; empty where the row names its page by address
     * @param  array{string, string}|null  $problem  field and reason, where the row cannot be taken
     */
    public function __construct(public int $line, public string $page, public string $address, public ?array $problem = null)
    {
    }

    /**
     * @param  array<string, string>  $cells  as Table reads them
     * @return array{string, string}|null field and reason, where the row could not be read or names no page
     */
    public static function fault(array $cells): ?array
    {
        $id = $cells['id'] ?? '';

        return match (true) {
            isset($cells['refused']) => ['row', $cells['refused']],
            $id !== '' && ! Identity::names($id) => ['id', 'An identity has 26 letters and digits. Leave it empty, and the address counts.'],
            $id === '' && ($cells['source'] ?? '') === '' => ['address', 'The row names no page: give its address, or its id.'],
            default => null,
        };
    }
}
