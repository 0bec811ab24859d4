<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** Where a page says its target phrase. */
final readonly class PhraseUse
{
    /** @param  float  $density  share of the words of the content that are the phrase's, 0 to 1 */
    public function __construct(
        public string $phrase,
        public bool $inTitle = true,
        public bool $inHeading = true,
        public bool $inSlug = true,
        public bool $inDescription = true,
        public bool $atStart = true,
        public bool $inPicture = true,
        public float $density = 0.0,
    ) {
    }
}
