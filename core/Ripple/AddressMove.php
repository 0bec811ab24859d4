<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Address\Address;

/** One page's own address before and after a batch. */
final readonly class AddressMove
{
    /** @param  bool  $seen visitors could reach the old address, so it must go on answering */
    public function __construct(public string $page, public string $name, public Address $from, public Address $to, public bool $seen)
    {
    }
}
