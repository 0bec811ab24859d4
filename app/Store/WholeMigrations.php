<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Database\Migrations\Migrator;

/**
 * Notes that a migration was carried out in the transaction that carries it out. Noted afterwards, a machine that stops in between
 * would begin with it once more, and never get beyond it.
 */
final class WholeMigrations extends Migrator
{
    /**
     * @param  string  $file
     * @param  int  $batch
     * @param  bool  $pretend
     */
    protected function runUp($file, $batch, $pretend): void
    {
        $this->resolver->connection($this->connection)->transaction(fn () => parent::runUp($file, $batch, $pretend));
    }
}
