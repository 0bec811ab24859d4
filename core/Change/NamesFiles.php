<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** A change that names files of the site, which only whoever keeps them knows to be there. */
interface NamesFiles
{
    /** @return array<string, string> identities of files by the field that names them, e.g. `entries.2.picture` */
    public function filesNamed(): array;
}
