<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

/** A list of links that repeats on the pages of a site: a menu, as its visitors saw it. */
final readonly class FoundMenu
{
    /**
     * @param  string  $name  as the page names it, or by its place
     * @param  list<array{label: string, href: string, level: int}>  $links  in order, with their levels from 0
     */
    public function __construct(public string $name, public array $links)
    {
    }
}
