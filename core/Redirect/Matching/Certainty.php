<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/**
 * How sure a proposal is: a logistic model of how often such a proposal is right. Fitted on relaunches of five kinds and on two lists written
 * by hand, with one page in seven taken away so that its address has none; tried on kinds and lists left out of that (MatcherTest).
 */
final class Certainty
{
    private const MOST = 0.99;

    public const WEIGHTS = [-6.9, 0.95, 2.34, 3.99, 0.85, 3.29, 1.44, -0.76, 2.4, -3.68];

    public static function of(Likeness $best, float $belief, float $second, float $support, float $elsewhere): float
    {
        $sum = 0.0;
        foreach (self::features($best, $belief, $second, $support, $elsewhere) as $n => $feature) {
            $sum += self::WEIGHTS[$n] * $feature;
        }

        return round(min(self::MOST, 1 / (1 + exp(-$sum))), 3);
    }

    /**
     * @param  float  $belief  in the best, after neighbours were asked
     * @param  float  $second  in the next
     * @param  float  $support  what neighbours say for it
     * @param  float  $elsewhere  how far what is above it became something else
     * @return list<float> one, then what it is worked out from: in the order of the weights
     */
    public static function features(Likeness $best, float $belief, float $second, float $support, float $elsewhere): array
    {
        $ahead = $belief <= 0.0 ? 0.0 : ($belief - $second) / $belief;

        return [1.0, $belief, $ahead, $best->said, $best->own, min($best->said, $best->own), $best->around, $best->against, $support, $elsewhere];
    }
}
