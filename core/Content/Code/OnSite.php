<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Code;

/** Addresses that stay on the site whatever a browser makes of them (URL Standard): a backslash counts as a slash there. */
final class OnSite
{
    public static function leads(string $href): bool
    {
        return str_starts_with($href, '/') && ! str_starts_with($href, '//') && ! str_contains($href, '\\');
    }
}
