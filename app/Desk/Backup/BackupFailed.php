<?php

declare(strict_types=1);

namespace App\Desk\Backup;

/** A backup could not be made or restored; the message says why and is for whoever runs the command. */
final class BackupFailed extends \RuntimeException
{
}
