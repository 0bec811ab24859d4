<?php

declare(strict_types=1);

namespace App\Desk\Sites;

use App\Desk\BringIn\GiveSource;
use App\Desk\Files\NoRoom;
use App\Desk\TakeOut\WriteSiteFile;
use App\Jobs\FillCopy;
use App\Models\Site;
use App\Models\SiteImport;
use App\Models\User;

/** Fills a new site with what another one has: all of it, or its structure alone. It is what taking out and bringing in would give. */
final readonly class CopySite
{
    public function __construct(private WriteSiteFile $file, private GiveSource $give)
    {
    }

    public function into(Site $new, Site $from, CopiedPart $part, User $by): SiteImport
    {
        $bytes = tmpfile() ?: throw new \RuntimeException('There is no room for temporary files.');
        foreach ($this->file->pieces($from, null, $part) as $piece) {
            @fwrite($bytes, $piece) === strlen($piece) || throw new NoRoom();
        }
        rewind($bytes);
        $import = $this->give->keep($new, $by, "Copy of {$from->name}", $bytes, 'site', ['as' => $part === CopiedPart::All ? 'given' : 'draft', 'keepsAddresses' => false]);
        FillCopy::dispatch($import->id, $by->id);

        return $import;
    }
}
