<?php

declare(strict_types=1);

namespace Heronstem\Core\Linking;

use Heronstem\Core\Address\Address;

/** A link in a page's content that is written as an address of the site, so that it does not follow when the page there moves. */
final readonly class RawLink
{
    /**
     * @param  string  $page  in whose content it stands
     * @param  string  $href  as it is written, query and fragment included
     * @param  bool  $live  visitors see this content; else it is saved and not yet published
     */
    public function __construct(public string $page, public string $name, public string $href, public Address $address, public bool $live)
    {
    }
}
