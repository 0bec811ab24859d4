<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** What an old address probably became. */
final readonly class Proposal
{
    /**
     * @param  Candidate|null  $page  the likeliest; null where nothing is alike
     * @param  float  $confidence  from 0 to 1: of those that say 0.9 or more at least 95 in 100 are right
     * @param  string  $why  in words
     * @param  list<Candidate>  $next  the next likely, at most three
     * @param  float  $none  how sure it is that it has no page any more, from 0 to 1
     */
    public function __construct(
        public string $old,
        public ?Candidate $page,
        public float $confidence,
        public string $why,
        public array $next,
        public float $none = 0.0,
    ) {
    }
}
