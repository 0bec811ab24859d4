<?php

declare(strict_types=1);

namespace App\Desk\TakeOut;

/** What any visitor gets at an address. */
final readonly class SiteAnswer
{
    /**
     * @param  string|null  $location  where it leads to, of a redirect
     * @param  bool  $isPrivate  whether others may get something else there
     */
    public function __construct(
        public int $status,
        public string $type,
        public string $body,
        public ?string $location = null,
        public bool $isPrivate = false,
    ) {
    }

    public function isHtml(): bool
    {
        return str_starts_with($this->type, 'text/html');
    }
}
