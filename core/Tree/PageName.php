<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/** A page's short name, for menus, outline and breadcrumbs: one line, never blank. */
final readonly class PageName
{
    /** Longest name, in characters. */
    public const MAX_LENGTH = 200;

    private function __construct(public string $text)
    {
    }

    /** @throws InputRefused when it is blank or too long */
    public static function of(string $typed): self
    {
        $text = OneLine::typed($typed);
        if ($text === '') {
            throw new InputRefused('name', 'A name cannot be blank: menus and breadcrumbs show it.');
        }
        if (mb_strlen($text) > self::MAX_LENGTH) {
            throw new InputRefused(
                'name',
                sprintf('A name has at most %d characters; this one has %d.', self::MAX_LENGTH, mb_strlen($text)),
                mb_substr($text, 0, self::MAX_LENGTH),
            );
        }

        return new self($text);
    }
}
