<?php

declare(strict_types=1);

namespace App\Desk\Design;

/** A page of a collection as a listing shows it. */
final readonly class ShownItem
{
    /** @param  ShownPicture|null  $picture  cropped alike for all */
    public function __construct(
        public string $name,
        public string $address,
        public string $summary,
        public ?ShownPicture $picture,
        public ShownFields $fields,
    ) {
    }
}
