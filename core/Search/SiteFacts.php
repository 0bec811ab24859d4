<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** What a site contributes to the search appearance of its pages. */
final readonly class SiteFacts
{
    /** @param  string  $origin  scheme and host, without a slash at the end */
    public function __construct(public string $name, public string $description, public string $language, public string $origin)
    {
    }
}
