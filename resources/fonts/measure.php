<?php

declare(strict_types=1);

/*
 * Writes core/Search/LiberationSans.php from the font itself: advance widths and kerning pairs, both in units of the
 * font (2,048 an em). Run after `apt-get install fonts-liberation2`:
 *
 *     php resources/fonts/measure.php > core/Search/LiberationSans.php
 *
 * Read are the tables cmap (format 4), hmtx and kern (format 0) as the OpenType specification 1.9 lays them out.
 */
$font = (string) file_get_contents($argv[1] ?? '/usr/share/fonts/truetype/liberation2/LiberationSans-Regular.ttf');
$u16 = static fn (int $at): int => ord($font[$at]) << 8 | ord($font[$at + 1]);
$i16 = static fn (int $at): int => ($n = $u16($at)) > 0x7FFF ? $n - 0x10000 : $n;
$u32 = static fn (int $at): int => $u16($at) << 16 | $u16($at + 2);
$tables = [];
for ($n = 0; $n < $u16(4); $n++) {
    $tables[substr($font, 12 + 16 * $n, 4)] = $u32(12 + 16 * $n + 8);
}

$cmap = null;
for ($n = 0; $n < $u16($tables['cmap'] + 2); $n++) {
    $at = $tables['cmap'] + $u32($tables['cmap'] + 4 + 8 * $n + 4);
    $cmap = $u16($at) === 4 ? $at : $cmap;
}
$segments = $u16((int) $cmap + 6) / 2;
[$ends, $starts, $deltas, $offsets] = [$cmap + 14, $cmap + 16 + 2 * $segments, $cmap + 16 + 4 * $segments, $cmap + 16 + 6 * $segments];
$glyphs = [];
for ($n = 0; $n < $segments; $n++) {
    for ($code = $u16($starts + 2 * $n); $code <= $u16($ends + 2 * $n) && $code < 0xFFFF; $code++) {
        $offset = $u16($offsets + 2 * $n);
        $glyph = $offset === 0 ? $code : $u16($offsets + 2 * $n + $offset + 2 * ($code - $u16($starts + 2 * $n)));
        $glyph = $offset !== 0 && $glyph === 0 ? 0 : ($glyph + $u16($deltas + 2 * $n)) & 0xFFFF;
        if ($glyph !== 0) {
            $glyphs[$code] = $glyph;
        }
    }
}

$measured = $u16($tables['hhea'] + 34);
$advances = [];
foreach ($glyphs as $code => $glyph) {
    $advances[$code] = $u16($tables['hmtx'] + 4 * min($glyph, $measured - 1));
}

$codes = [];
foreach ($glyphs as $code => $glyph) {
    $codes[$glyph][] = $code;
}
$kerning = [];
$table = $tables['kern'] + 4;
for ($n = 0, $pairs = $u16($table + 6); $n < $pairs; $n++) {
    $at = $table + 14 + 6 * $n;
    foreach ($codes[$u16($at)] ?? [] as $left) {
        foreach ($codes[$u16($at + 2)] ?? [] as $right) {
            $kerning[$left << 16 | $right] = $i16($at + 4);
        }
    }
}
ksort($advances);
ksort($kerning);

$written = static fn (array $map): string => wordwrap(
    implode(' ', array_map(static fn (int $key, int $value): string => "$key=>$value,", array_keys($map), $map)),
    100,
    "\n        ",
);
$text = str_replace('=>', ' => ', $written($advances));
$pairs = str_replace('=>', ' => ', $written($kerning));
echo <<<PHP
    <?php

    declare(strict_types=1);

    namespace Heronstem\Core\Search;

    /**
     * Widths of Liberation Sans Regular 2.1 (SIL Open Font License 1.1), which has the metrics of the typeface that search
     * engines set results in. Written by resources/fonts/measure.php; not to be changed by hand.
     */
    final class LiberationSans
    {
        /** Units of the font an em. */
        public const UNITS = 2048;

        /** Advance width by code point, in units. */
        public const ADVANCES = [
            $text
        ];

        /** What a pair of code points (left << 16 | right) is moved apart, in units. */
        public const KERNING = [
            $pairs
        ];
    }

    PHP;
