<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/** What the owner of a site writes for one page by hand: styles, and lines of its head. */
final readonly class Code
{
    use SharesBlank;

    /** @param  string  $styles  CSS, as it was written */
    public function __construct(public string $styles = '', public string $head = '')
    {
    }

    public function isBlank(): bool
    {
        return $this->styles === '' && $this->head === '';
    }

    /** @return string|null null where nothing is written */
    public function toText(): ?string
    {
        return $this->isBlank() ? null : Stored::text(Stored::said(['styles' => $this->styles, 'head' => $this->head]));
    }

    /** @param  string|null  $text  as toText() gave it */
    public static function stored(?string $text): self
    {
        if (Stored::isBlank($text)) {
            return self::blank();
        }
        $kept = Stored::read($text);

        return new self(is_string($kept['styles'] ?? null) ? $kept['styles'] : '', is_string($kept['head'] ?? null) ? $kept['head'] : '');
    }
}
