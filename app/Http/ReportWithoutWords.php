<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Log;

/** Reports failed statements by what they are, never by the values in them: those are people's words. */
final class ReportWithoutWords
{
    /** @return bool whether somebody else still has to report it */
    public static function of(\Throwable $error): bool
    {
        $failed = $error;
        while ($failed !== null && ! ($failed instanceof \PDOException)) {
            $failed = $failed->getPrevious();
        }
        if ($failed === null) {
            return true;
        }
        Log::error('A statement failed: SQLSTATE '.self::state($failed), [
            'at' => self::place($error),
            'statement' => $failed instanceof QueryException ? mb_substr((string) preg_replace('/\s+/', ' ', $failed->getSql()), 0, 500) : null,
        ]);

        return false;
    }

    private static function state(\PDOException $error): string
    {
        return preg_match('/SQLSTATE\[(\w{5})\]/', $error->getMessage(), $found) === 1 ? $found[1] : (string) $error->getCode();
    }

    /** The innermost step that is ours. */
    private static function place(\Throwable $error): string
    {
        foreach ([['file' => $error->getFile(), 'line' => $error->getLine()], ...$error->getTrace()] as $step) {
            if (isset($step['file'], $step['line']) && ! str_contains($step['file'], '/vendor/')) {
                return $step['file'].':'.$step['line'];
            }
        }

        return 'outside';
    }
}
