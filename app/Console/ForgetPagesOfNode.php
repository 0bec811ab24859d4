<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\Cache\ForgetPages;
use App\Desk\Cache\InsiderNetworks;
use App\Desk\Cache\Replica;
use Illuminate\Console\Command;
use Illuminate\Database\QueryException;
use PDOException;

/** The clock of a node: it forgets what others changed, within a fraction of a second. */
final class ForgetPagesOfNode extends Command
{
    /** Microseconds between two looks. */
    private const PAUSE = 250_000;

    /** Looks after which what nobody asks about any more is tidied away. */
    private const TIDY = 240;

    protected $signature = 'heronstem:forget {--begin : Begin anew with nothing kept, and stop}';

    protected $description = 'Keep the rendered pages of this node as they have to be.';

    private bool $ends = false;

    public function handle(ForgetPages $forget, InsiderNetworks $networks, Replica $replica): int
    {
        if ($this->option('begin')) {
            $forget->begin();
            $networks->write();

            return self::SUCCESS;
        }
        $this->trap([SIGTERM, SIGINT], function (): void {
            $this->ends = true;
        });
        for ($look = 1; ! $this->ends; $look++) {
            try {
                $forget->rest();
                $networks->write();
                $replica->look();
                $look % self::TIDY === 0 && $forget->tidy();
            } catch (QueryException|PDOException $away) {
                // The database is away: what is kept is shown meanwhile, and looked at again when it is back.
                app('db')->purge();
                $this->warn(date('c').' '.$away->getMessage());
                usleep(4 * self::PAUSE);
            }
            usleep(self::PAUSE);
        }

        return self::SUCCESS;
    }
}
