<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\AddressRules;

/** What holds for a whole site while a change is planned. */
final readonly class SiteFrame
{
    /** @param  string|null  $startPage the page at `/`; null while the site has none */
    public function __construct(public AddressRules $rules, public ?string $startPage)
    {
    }
}
