<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

/** One thing said about a right: to whom, where, and whether it is allowed or denied. */
final readonly class Line
{
    /** @param  string|null  $branch  the page at the top of the branch; null for the whole site */
    public function __construct(public Who $who, public ?string $branch, public Right $right, public Says $says)
    {
    }

    /** What it speaks about: of two lines with one key only one can be there. */
    public function key(): string
    {
        return self::keyOf($this->who, $this->branch, $this->right);
    }

    public static function keyOf(Who $who, ?string $branch, Right $right): string
    {
        return "{$who->toText()} ".($branch ?? '*')." {$right->value}";
    }
}
