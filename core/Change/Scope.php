<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** How far a change goes: the page alone, or everything below it too. */
enum Scope: string
{
    case Page = 'page';
    case Branch = 'branch';

    /** @return array<string, string> said only where it is not the page alone */
    public function toArray(): array
    {
        return $this === self::Page ? [] : ['scope' => $this->value];
    }

    /** As a sentence goes on with it. */
    public function inWords(): string
    {
        return $this === self::Page ? '' : ' with what is below';
    }
}
