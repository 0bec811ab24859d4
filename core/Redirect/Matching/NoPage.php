<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/**
 * How sure it is that an old address has no page any more: a logistic model of how sure the likeliest page is and of how well the words of the
 * list are known here. Where they are mostly unknown the old site spoke another language, and an unknown word says little. Fitted and tried
 * like Certainty.
 */
final class NoPage
{
    private const MOST = 0.99;

    private const WEIGHTS = [-4.89, 1.96, 0.84, -2.95, 10.77, 5.56];

    /**
     * @param  float|null  $confidence  in the likeliest page; null where nothing is alike
     * @param  float  $known  share of the words of the list that stand for something here
     */
    public static function of(?float $confidence, float $known): float
    {
        $sure = $confidence ?? 0.0;
        $features = [1.0, $sure, min(4 * $sure, 1.0), $known, $known * (1 - $sure), $confidence === null ? $known : 0.0];
        $sum = array_sum(array_map(static fn (float $weight, float $feature): float => $weight * $feature, self::WEIGHTS, $features));

        return round(min(self::MOST, 1 / (1 + exp(-$sum))), 3);
    }
}
