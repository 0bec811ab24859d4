<?php

declare(strict_types=1);

use Bench\Measure;
use Heronstem\Core\Search\FittedText;
use Heronstem\Core\Search\TextWidth;

// How fast texts are measured: titles of sixty characters, against counting their characters one by one.
require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/Measure.inc';
$titles = array_map(static fn (int $n): string => "Port Hallin to Tarransay Holm, sailing $n of the day · Ferries", range(1, 200));
$each = static function (Closure $of) use ($titles): Closure {
    return static function () use ($of, $titles): void {
        foreach ($titles as $title) {
            $of($title);
        }
    };
};
$count = $each(static fn (string $title): int => count(mb_str_split($title)));
Measure::compare('200 widths / splitting', $each(static fn (string $title): float => TextWidth::of($title, 20)), $count, 20);
Measure::compare('200 cuts / splitting', $each(static fn (string $title): string => FittedText::within($title, 300, 20)), $count, 5);
$start = hrtime(true);
for ($round = 0; $round < 50; $round++) {
    $each(static fn (string $title): float => TextWidth::of($title, 20))();
}
printf("%-28s %.0f a second\n", 'measurements', (50 * 200 * 1e9) / (hrtime(true) - $start));
