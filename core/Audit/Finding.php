<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** Something that the audit noticed about a page. */
final readonly class Finding
{
    public function __construct(public string $page, public CheckInfo $check, public string $says)
    {
    }
}
