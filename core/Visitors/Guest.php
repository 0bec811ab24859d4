<?php

declare(strict_types=1);

namespace Heronstem\Core\Visitors;

/** Somebody who asks for a page, as far as it can be known who they are. */
final readonly class Guest
{
    /**
     * @param  bool  $isSignedIn  at the site, as a visitor
     * @param  list<string>  $roles  of visitors
     * @param  string  $address  of the computer the request came from
     * @param  list<string>  $passwords  those they have shown to know, as PagePassword keeps them
     */
    public function __construct(
        public bool $isSignedIn = false,
        public array $roles = [],
        public string $address = '',
        public array $passwords = [],
    ) {
    }

    /** Anybody at all: what search engines and shared caches may have is what this one sees. */
    public static function anybody(): self
    {
        return new self();
    }
}
