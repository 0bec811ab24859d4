<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/**
 * A text in 64 bits, of which nearly equal texts share nearly all: SimHash (Charikar 2002) over shingles of three words.
 * Two texts count as nearly equal up to a distance of three bits (Manku, Jain and Das Sarma 2007).
 */
final class Fingerprint
{
    /** Bits in which two nearly equal texts may differ. */
    public const DISTANCE = 3;

    /** Words from which on a text has one: below, chance makes texts alike. */
    public const MIN_WORDS = 40;

    /** Parts of which two texts within the distance share at least one whole (pigeonhole). */
    private const BANDS = self::DISTANCE + 1;

    /** @return int 64 bits; 0 for a text with too few words */
    public static function of(string $text): int
    {
        $words = Stem::words($text);
        if (count($words) < self::MIN_WORDS) {
            return 0;
        }
        $sums = array_fill(0, 64, 0);
        for ($at = 0, $last = count($words) - 3; $at <= $last; $at++) {
            $hash = self::hash("{$words[$at]} {$words[$at + 1]} {$words[$at + 2]}");
            for ($bit = 0; $bit < 64; $bit++) {
                $sums[$bit] += ($hash >> $bit & 1) * 2 - 1;
            }
        }
        $print = 0;
        foreach ($sums as $bit => $sum) {
            $print |= $sum > 0 ? 1 << $bit : 0;
        }

        return $print === 0 ? 1 : $print;
    }

    /** Bits in which two differ. */
    public static function distance(int $one, int $other): int
    {
        return substr_count(decbin($one ^ $other), '1');
    }

    /** @return list<string> keys of its parts: two within the distance share at least one */
    public static function bands(int $print): array
    {
        $width = intdiv(64, self::BANDS);

        return array_map(
            static fn (int $band): string => $band.':'.dechex($print >> $band * $width & (1 << $width) - 1),
            range(0, self::BANDS - 1),
        );
    }

    private static function hash(string $shingle): int
    {
        $unpacked = unpack('q', hash('xxh64', $shingle, true));

        return is_int($unpacked[1] ?? null) ? $unpacked[1] : 0;
    }
}
