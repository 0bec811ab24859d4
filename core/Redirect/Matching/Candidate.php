<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** A page that old addresses may have become. */
final readonly class Candidate
{
    /** @param  list<string>  $former  addresses that lead to it already */
    public function __construct(
        public string $id,
        public string $name,
        public string $address,
        public string $heading = '',
        public array $former = [],
    ) {
    }
}
