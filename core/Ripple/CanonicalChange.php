<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

/** A page names another address as the one that counts than before, or the page that it names moves or goes. */
final readonly class CanonicalChange
{
    /**
     * @param  string|null  $before  null where none was named
     * @param  string|null  $after  null where none is named, or what is named is no longer there
     */
    public function __construct(public string $page, public string $name, public ?string $before, public ?string $after)
    {
    }
}
