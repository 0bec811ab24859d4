<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

/** What every block may carry: a name that links lead to, and a style of the site's design. */
final readonly class OwnAttributes
{
    /** @param  string|null  $style  the name of a style of the design */
    public function __construct(public ?string $id = null, public ?string $style = null)
    {
    }

    /** Written out for a start tag, with a space in front; nothing where there is nothing to say. */
    public function with(string ...$classes): string
    {
        $classes = array_filter([...$classes, $this->style === null ? '' : "style-{$this->style}"], static fn (string $class): bool => $class !== '');

        return ($this->id === null ? '' : ' id="'.htmlspecialchars($this->id, ENT_QUOTES | ENT_HTML5).'"').
            ($classes === [] ? '' : ' class="'.implode(' ', $classes).'"');
    }
}
