<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** A fault of one menu or one redirect. */
final readonly class SiteFault
{
    /**
     * @param  string  $of  identity of the menu or the redirect
     * @param  string  $name  of the menu, or the source of the redirect
     */
    public function __construct(public FaultInfo $info, public string $of, public string $name, public string $says)
    {
    }
}
