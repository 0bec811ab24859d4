<?php

declare(strict_types=1);

namespace App\Desk\Outside;

/** Something that another site answered with. */
final readonly class OutsideDocument
{
    /** @param  string  $at  its URL, once all redirects were followed */
    public function __construct(public string $at, public string $type, public string $body)
    {
    }

    public function isHtml(): bool
    {
        return preg_match('#^(?:text/html|application/xhtml\+xml)\b#i', $this->type) === 1;
    }
}
