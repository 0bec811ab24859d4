<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Access\AccessDifference;
use Heronstem\Core\Access\SiteAccess;

/** What a batch does to who may do what. */
final readonly class AccessEffects
{
    /**
     * @param  list<AccessEffect>  $effects
     * @param  SiteAccess|null  $before  of what was changed; null where nothing was
     */
    public function __construct(
        public ?AccessDifference $settings = null,
        public array $effects = [],
        public ?SiteAccess $before = null,
        public ?SiteAccess $after = null,
    ) {
    }
}
