<?php

declare(strict_types=1);

namespace App\Desk\Files;

/** A file could not be written to its end: the disk is full, or may not be written. */
final class NoRoom extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('The file could not be kept: the disk of this installation is full, or may not be written. Nothing was changed.');
    }
}
