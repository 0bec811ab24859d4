<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Linking\Target;
use Heronstem\Core\Tree\PageKind;

/** A page as far as answering is concerned. */
final readonly class AnsweringPage
{
    /** @param  bool  $isLive  visitors get it at this moment */
    public function __construct(
        public string $id,
        public string $name,
        public string $address,
        public bool $isLive,
        public PageKind $kind = PageKind::Page,
        public ?Target $leadsTo = null,
    ) {
    }
}
