<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Database\LostConnectionDetector;

/** Whether a fault means that the database cannot be reached, starts, recovers or has no room: it passes by itself. */
final class DatabaseAway
{
    /** SQLSTATE classes and codes of PostgreSQL (Appendix A): connection, insufficient resources, operator intervention. */
    private const STATES = '/SQLSTATE\[(?:08\w{3}|53\w{3}|57P0[1-5])\]/';

    public static function isMeantBy(\Throwable $error): bool
    {
        for ($each = $error; $each !== null; $each = $each->getPrevious()) {
            if (
                $each instanceof \PDOException &&
                (preg_match(self::STATES, $each->getMessage()) === 1 || (new LostConnectionDetector())->causedByLostConnection($each))
            ) {
                return true;
            }
        }

        return false;
    }
}
