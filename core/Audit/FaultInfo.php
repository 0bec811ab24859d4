<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** What is noticed of the site besides its pages: in a menu, or of a redirect. */
final readonly class FaultInfo
{
    /**
     * @param  string  $code  begins with `menu-` or `redirect-`
     * @param  int  $weight  1 to 10, as of CheckInfo
     */
    public function __construct(public string $code, public string $title, public string $why, public Severity $severity, public int $weight)
    {
    }
}
