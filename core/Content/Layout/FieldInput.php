<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/** Brings what forms, tables and scripts give into the form in which a kind of field is kept. */
final class FieldInput
{
    /** As many as are computed with exactly (IEEE 754, double). */
    private const MOST_DIGITS = 15;

    /** Words for yes and no in tables. */
    private const YES_NO = ['yes' => true, 'true' => true, '1' => true, 'no' => false, 'false' => false, '0' => false];

    /**
     * @param  string  $at  the field, as a refusal names it
     * @return mixed null where nothing was given; rows under the numbers they were given with, without those in which nothing stands
     *
     * @throws InputRefused
     */
    public static function read(LayoutField $field, mixed $given, string $at): mixed
    {
        if ($given === null || $given === [] || (is_string($given) && trim($given) === '')) {
            return null;
        }

        return match ($field->kind) {
            FieldKind::Text => self::text($given, $at, '/\s+/u', ' '),
            FieldKind::LongText => self::text($given, $at, '/\R/u', "\n"),
            FieldKind::Number => is_string($given) ? self::number($given, $at) : $given,
            FieldKind::Money => self::money($given, $at, $field->currency()),
            FieldKind::Date, FieldKind::Choice => is_string($given) ? trim($given) : $given,
            FieldKind::YesNo => is_string($given) ? self::YES_NO[strtolower(trim($given))] ?? $given : $given,
            FieldKind::Page => is_string($given) ? ['page' => trim($given)] : $given,
            FieldKind::File => is_string($given) ? ['file' => trim($given)] : $given,
            FieldKind::Picture => self::picture($given),
            FieldKind::Rows => self::rows($field, $given, $at),
        };
    }

    private static function text(mixed $given, string $at, string $folded, string $into): string
    {
        if (! is_string($given)) {
            throw new InputRefused($at, 'This is a text.');
        }
        $clean = preg_replace($folded, $into, trim($given));
        if ($clean === null || preg_match('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', $clean) === 1) {
            throw new InputRefused($at, 'This contains characters that cannot be shown. Type it again.');
        }

        return $clean;
    }

    private static function number(string $given, string $at): int|float
    {
        $plain = self::plain($given, $at);
        if (preg_match('/^[+-]?(?:\d+\.?\d*|\.\d+)$/D', $plain) !== 1) {
            throw new InputRefused($at, 'This is a number, such as 12 or 12.5.');
        }
        if (strlen($plain) > self::MOST_DIGITS) {
            throw new InputRefused($at, sprintf('A number has at most %d digits.', self::MOST_DIGITS));
        }

        return str_contains($plain, '.') ? (float) $plain : (int) $plain;
    }

    private static function money(mixed $given, string $at, string $currency): mixed
    {
        if (is_int($given) || is_float($given)) {
            $given = is_int($given) ? (string) $given : rtrim(rtrim(number_format($given, 3, '.', ''), '0'), '.');
        }
        if (! is_string($given)) {
            return $given;
        }
        $plain = self::plain(str_replace([$currency, '€', '£', '$'], '', $given), $at);
        if (preg_match('/^(-?\d{1,12})(?:\.(\d{1,3}))?$/D', $plain, $of) !== 1) {
            throw new InputRefused($at, 'This is an amount, such as 12.50.');
        }
        $places = self::places($currency);
        $cents = rtrim($of[2] ?? '', '0');
        if (strlen($cents) > $places) {
            throw new InputRefused(
                $at,
                $places === 0 ? "$currency has no smaller coin: write a whole number." : "$currency has $places places after the point.",
            );
        }

        return $places === 0 ? $of[1] : $of[1].'.'.str_pad($cents, $places, '0');
    }

    /** With a point before the places. What could be read in two ways is refused rather than guessed. */
    private static function plain(string $given, string $at): string
    {
        $given = (string) preg_replace('/[\s\x{00A0}\x{202F}\']/u', '', $given);
        if (preg_match('/^-?\d{1,3}[.,]\d{3}$/D', $given) === 1 && ! str_starts_with(ltrim($given, '-'), '0')) {
            [$whole, $rest] = [substr($given, 0, -4), substr($given, -3)];
            throw new InputRefused(
                $at,
                "This could be $whole$rest or $whole.".rtrim($rest, '0').'. Write it without a sign for the thousands, or with other places.',
            );
        }
        $last = max((int) strrpos($given, '.'), (int) strrpos($given, ','));
        if ($last === 0) {
            return $given;
        }
        $sign = $given[$last];
        if (substr_count($given, $sign) === 1) {
            return str_replace(['.', ','], '', substr($given, 0, $last)).'.'.substr($given, $last + 1);
        }

        // More than one of a sign stand between thousands, or it is no number.
        return preg_match('/^-?\d{1,3}(?:'.preg_quote($sign, '/').'\d{3}){2,}$/D', $given) === 1 ? str_replace($sign, '', $given) : $given;
    }

    /** Places after the point, ISO 4217. */
    public static function places(string $currency): int
    {
        $format = new \NumberFormatter('en', \NumberFormatter::CURRENCY);
        $format->setTextAttribute(\NumberFormatter::CURRENCY_CODE, $currency);

        return (int) $format->getAttribute(\NumberFormatter::FRACTION_DIGITS);
    }

    private static function picture(mixed $given): mixed
    {
        if (is_string($given)) {
            return ['file' => trim($given)];
        }
        if (! is_array($given) || ($given['file'] ?? '') === '') {
            return is_array($given) && array_filter($given) === [] ? null : $given;
        }
        if (is_string($given['alt'] ?? null)) {
            $given['alt'] = OneLine::of($given['alt']);
        }

        return array_filter($given, static fn (mixed $value): bool => $value !== null && $value !== '');
    }

    /** @return array<int, mixed>|null */
    private static function rows(LayoutField $field, mixed $given, string $at): ?array
    {
        if (! is_array($given) || ! array_is_list($given)) {
            throw new InputRefused($at, 'These are rows: a list.');
        }
        $rows = [];
        foreach ($given as $i => $row) {
            if (! is_array($row)) {
                throw new InputRefused("$at.$i", 'A row is an object.');
            }
            $cells = [];
            foreach ($row as $key => $cell) {
                $column = $field->column((string) $key);
                if ($column === null) {
                    throw new InputRefused(
                        "$at.$i.$key",
                        'There is no such field in a row. There are '.implode(', ', array_column($field->columns, 'key')).'.',
                    );
                }
                try {
                    $read = self::read($column, $cell, "$at.$i.$key");
                } catch (InputRefused $no) {
                    throw new InputRefused($no->field, 'Row '.($i + 1).", {$column->title}: {$no->reason}");
                }
                if ($read !== null) {
                    $cells[$column->key] = $read;
                }
            }
            if ($cells !== []) {
                $rows[$i] = $cells;
            }
        }

        return $rows === [] ? null : $rows;
    }
}
