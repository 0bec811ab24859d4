<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** Where a page stands among the others, as it was worked out last. */
final readonly class Place
{
    /**
     * @param  int|null  $clicks  from the start page; null where nothing leads to it
     * @param  list<string>  $handMadeMenus  names of those that show it
     * @param  bool  $hasFurtherAddresses  that serve it too
     */
    public function __construct(public ?int $clicks, public array $handMadeMenus = [], public bool $hasFurtherAddresses = false)
    {
    }
}
