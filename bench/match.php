<?php

declare(strict_types=1);

use Heronstem\Core\Redirect\Matching\Matcher;
use Heronstem\Core\Redirect\Matching\OldPage;
use Tests\Core\Redirect\Relaunch;

// 10,000 old addresses against 20,000 pages, and how time grows with either: the baseline is the same work on a quarter of it.
require __DIR__.'/boot.inc';
$measure = static function (int $pages, int $addresses): array {
    $relaunch = new Relaunch($pages, 7);
    $began = hrtime(true);
    $matcher = new Matcher($relaunch->pages);
    $built = (hrtime(true) - $began) / 1e9;
    $old = $became = [];
    foreach (['renames', 're-nesting', 'ids', 'merges'] as $way) {
        foreach ($relaunch->old($way) as [$address, $title, $page]) {
            if (count($old) >= $addresses) {
                break 2;
            }
            $old[] = new OldPage($address, $title);
            $became[] = $page;
        }
    }
    $began = hrtime(true);
    $right = $sure = 0;
    foreach ($matcher->matchAll($old) as $n => $found) {
        $right += (int) ($became[$n] !== null && $found->page?->id === $became[$n]);
        $sure += (int) ($found->confidence >= 0.9);
    }

    return [$built, (hrtime(true) - $began) / 1e9, $right / count($old), $sure / count($old)];
};
[$smallBuilt, $small] = $measure(5000, 2500);
foreach ([[5000, 10000], [20000, 2500], [20000, 10000]] as [$pages, $addresses]) {
    [$built, $matched, $right, $sure] = $measure($pages, $addresses);
    printf(
        "match, %6d addresses against %6d pages: index %.2f s (%.1f times that of 5,000), matching %.2f s (%.1f times 2,500 against 5,000); %.0f in 100 right, %.0f sure\n",
        $addresses,
        $pages,
        $built,
        $built / $smallBuilt,
        $matched,
        $matched / $small,
        100 * $right,
        100 * $sure,
    );
}
printf("match, memory: %.0f MB\n", memory_get_peak_usage() / 1048576);
