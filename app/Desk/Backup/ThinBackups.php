<?php

declare(strict_types=1);

namespace App\Desk\Backup;

/** Which of the backups in a folder are kept: all of the last days, then one of each week, then one of each month. */
final class ThinBackups
{
    private const DAYS = 7;

    private const WEEKS = 5;

    private const MONTHS = 12;

    /** @return string the name of a backup made at a moment, by which it is found again */
    public static function name(int $at): string
    {
        return 'heronstem-'.gmdate('Ymd\THis\Z', $at).'.zip';
    }

    /**
     * @param  list<string>  $names  of files in the folder, others among them
     * @return list<string> those that go
     */
    public static function goes(array $names, int $now): array
    {
        $at = [];
        foreach ($names as $name) {
            $made = preg_match('/^heronstem-(\d{8}T\d{6})Z\.zip$/D', $name, $found) === 1 ? strtotime("{$found[1]} UTC") : false;
            if ($made !== false) {
                $at[$name] = $made;
            }
        }
        arsort($at);
        $weeks = $months = $goes = [];
        foreach ($at as $name => $made) {
            $days = intdiv($now - $made, 86_400);
            [$week, $month] = [gmdate('o-W', $made), gmdate('Y-m', $made)];
            // The newest of a week, and of a month, stands for it.
            $isKept =
                $days < self::DAYS || ($days < 7 * self::WEEKS && ! isset($weeks[$week])) || ($days < 31 * self::MONTHS && ! isset($months[$month]));
            if ($isKept) {
                $weeks[$week] = $months[$month] = true;
            } else {
                $goes[] = $name;
            }
        }

        // Whatever its age, the last one stays.
        return array_values(array_diff($goes, [array_key_first($at) ?? '']));
    }
}
