<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** What a page contributes to its own search appearance. */
final readonly class PageFacts
{
    /**
     * @param  string|null  $section  name of its topmost ancestor, null at the top
     * @param  string|null  $parent  name of its parent
     * @param  string  $text  its content without marks, blocks apart by line breaks
     * @param  string|null  $picture  address of a picture for social cards
     */
    public function __construct(
        public string $name,
        public string $heading,
        public ?string $section,
        public ?string $parent,
        public ?string $searchTitle,
        public ?string $searchDescription,
        public ?string $summary,
        public string $text,
        public string $address,
        public ?string $picture = null,
    ) {
    }
}
