<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

/** One row of a table of titles, descriptions and what search engines are told. */
final readonly class SearchRow extends PageRow
{
    /**
     * @param  array<string, string>  $texts  by the names of PageTexts
     * @param  array<string, mixed>  $settings  by the names of SearchSettings
     * @param  array{string, string}|null  $problem
     */
    public function __construct(
        int $line,
        string $page,
        string $address,
        public array $texts = [],
        public array $settings = [],
        ?array $problem = null,
    ) {
        parent::__construct($line, $page, $address, $problem);
    }
}
