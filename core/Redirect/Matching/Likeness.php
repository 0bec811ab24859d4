<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** How alike an old address and a page are by their words, and by what. */
final readonly class Likeness
{
    /**
     * @param  float  $score  from 0 to 1, all told
     * @param  float  $said  how much of what the old address says at its end the page says too
     * @param  float  $own  how much of what the page says the old address says too
     * @param  float  $around  how much of what stands before its end is said by what the page is inside of
     * @param  float  $against  how much of it the site knows, and the page is not inside of
     */
    public function __construct(
        public float $score,
        public float $said,
        public float $own,
        public float $around,
        public float $against,
        public string $why,
    ) {
    }
}
