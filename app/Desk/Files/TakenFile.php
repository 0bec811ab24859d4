<?php

declare(strict_types=1);

namespace App\Desk\Files;

/** A file as it is kept, once it was looked at. */
final readonly class TakenFile
{
    /**
     * @param  string  $name  as it was called, of which what can stand in an address is kept
     * @param  string  $else  what it is called if nothing of that is left
     * @param  array{int, int}|null  $size  of a picture, px
     */
    public function __construct(
        public string $name,
        public string $else,
        public string $ending,
        public string $mime,
        public string $bytes,
        public ?array $size = null,
    ) {
    }

    public function isPicture(): bool
    {
        return $this->size !== null;
    }
}
