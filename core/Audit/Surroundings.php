<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

use Heronstem\Core\Linking\OwnAddress;
use Heronstem\Core\Moment;
use Heronstem\Core\Search\RobotsTxt;

/** What the audit has to know of a site to describe its pages. */
final readonly class Surroundings
{
    /**
     * @param  array<string, string>  $languages  of other sites that are known, by host in lower case
     */
    public function __construct(
        public OwnAddress $own,
        public RobotsTxt $robots,
        public Moment $now,
        public ?string $startPage = null,
        public array $languages = [],
    ) {
    }
}
