<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** How bad a finding is. */
enum Severity: string
{
    /** Something does not work: a page cannot be found, or leads people nowhere. */
    case Error = 'error';
    /** Something costs visitors. */
    case Warning = 'warning';
    /** Something could be better. */
    case Notice = 'notice';

    public function isAtLeast(self $other): bool
    {
        $order = [self::Notice, self::Warning, self::Error];

        return array_search($this, $order, true) >= array_search($other, $order, true);
    }
}
