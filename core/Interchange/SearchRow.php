<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

/** One row of a table of titles, descriptions and what search engines are told. */
final readonly class SearchRow
{
    /**
     * @param  int  $line  of the file, from 1
     * @param  string  $page  identity; empty where the row names its page by address
     * @param  array<string, string>  $texts  by the names of PageTexts
     * @param  array<string, mixed>  $settings  by the names of SearchSettings
     * @param  array{string, string}|null  $problem  field and reason, where the row cannot be taken
     */
    public function __construct(
        public int $line,
        public string $page,
        public string $address,
        public array $texts = [],
        public array $settings = [],
        public ?array $problem = null,
    ) {
    }
}
