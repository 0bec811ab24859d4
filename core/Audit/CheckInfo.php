<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** What a check is called, how much it weighs and where its findings are mended. */
final readonly class CheckInfo
{
    /**
     * @param  string  $code  by which findings, dismissals and scripts name it; never changed
     * @param  string  $title  what it finds, in a few words
     * @param  string  $why  why it matters, in a sentence
     * @param  int  $weight  1 to 10: how much it counts in the score
     * @param  bool  $needsVisitors  whether it looks only at pages that visitors see
     */
    public function __construct(
        public string $code,
        public string $title,
        public string $why,
        public Severity $severity,
        public int $weight,
        public Fix $fix,
        public bool $needsVisitors = false,
    ) {
    }
}
