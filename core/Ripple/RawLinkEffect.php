<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Linking\RawLink;
use Heronstem\Core\Tree\Page;

/** What a batch does to one link that is written as an address. */
final readonly class RawLinkEffect
{
    /**
     * @param  Page|null  $lands  where it leads from now on; null when nothing answers
     * @param  Page|null  $meant  the page it led to, as it will be, where visitors still get that: the link can be turned to it
     */
    public function __construct(public RawLink $link, public RawLinkFate $fate, public ?Page $lands, public ?Page $meant)
    {
    }
}
