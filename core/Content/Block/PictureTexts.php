<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

/** Which picture is shown, and what is said of it. */
final readonly class PictureTexts
{
    /** @return array{file: string, alt: string, decorative: bool, caption: string} */
    public static function read(Attributes $attributes): array
    {
        $decorative = $attributes->flag('decorative');
        $alt = $attributes->line('alt');
        if ($alt === '' && ! $decorative) {
            throw $attributes->refusal('alt', 'A picture needs a text for people who do not see it, or is marked as decorative.');
        }

        return [
            'file' => $attributes->identity('file'),
            'alt' => $decorative ? '' : $alt,
            'decorative' => $decorative,
            'caption' => $attributes->line('caption'),
        ];
    }
}
