<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\BinRows;
use App\Store\StructurePicture;

/** The structure besides its outline: as a picture, and what waits in the bin. */
final readonly class ShowStructure
{
    public function __construct(private BinRows $bin, private StructurePicture $picture)
    {
    }

    /** @return list<\stdClass> */
    public function bin(Site $site): array
    {
        return $this->bin->all($site);
    }

    /** @return list<\stdClass> */
    public function picture(Site $site, ?string $of, int $levels): array
    {
        return $this->picture->of($site, $of, $levels);
    }
}
