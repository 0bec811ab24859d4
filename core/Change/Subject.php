<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** What a change is made to, and so by which field it is named. */
enum Subject
{
    /** One page, in `page`. */
    case Page;
    /** One page in `page`, or several in `pages`: each by itself. */
    case Pages;
    /** The same, where a page takes along what is below it: one inside another of them goes along. */
    case Branches;
    /** A menu, in `menu`. */
    case Menu;
    /** A redirect rule, in `redirect`. */
    case Redirect;
    /** Nothing that one field could name. */
    case Whole;

    public function takesSeveral(): bool
    {
        return $this === self::Pages || $this === self::Branches;
    }

    /** @return string|null the field that names one of them */
    public function field(): ?string
    {
        return match ($this) {
            self::Page, self::Pages, self::Branches => 'page',
            self::Menu => 'menu',
            self::Redirect => 'redirect',
            self::Whole => null,
        };
    }
}
