<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

/** Values of fields as somebody reads them, in the language of the site. What leads elsewhere has no text of its own. */
final class FieldText
{
    /** @param  string  $language  BCP 47 */
    public static function of(LayoutField $field, mixed $value, string $language): string
    {
        return match ($field->kind) {
            FieldKind::Text, FieldKind::LongText => is_string($value) ? $value : '',
            FieldKind::Number => is_int($value) || is_float($value) ? self::number($value, $field, $language) : '',
            FieldKind::Money => is_string($value) ? self::money($value, $field->currency(), $language) : '',
            FieldKind::Date => is_string($value) ? self::day($value, $language) : '',
            FieldKind::Choice => is_string($value) ? $field->choices()[$value] ?? '' : '',
            FieldKind::YesNo => $value === true ? 'yes' : ($value === false ? 'no' : ''),
            FieldKind::Picture => is_array($value) && is_string($value['alt'] ?? null) ? $value['alt'] : '',
            FieldKind::Page, FieldKind::File => '',
            FieldKind::Rows => implode("\n", self::rows($field, is_array($value) ? $value : [], $language)),
        };
    }

    /**
     * @param  array<string, mixed>  $values  by field
     * @return string every value in a line of its own, for searching
     */
    public static function ofAll(Layout $layout, array $values, string $language): string
    {
        $lines = [];
        foreach ($layout->fields as $field) {
            if (isset($values[$field->key]) && $layout->takes($field->key, $values[$field->key])) {
                $lines[] = self::of($field, $values[$field->key], $language);
            }
        }

        return implode("\n", array_filter($lines, static fn (string $line): bool => $line !== ''));
    }

    /**
     * @param  array<mixed>  $rows
     * @return list<string>
     */
    private static function rows(LayoutField $field, array $rows, string $language): array
    {
        return array_values(
            array_map(
                static fn (mixed $row): string => implode(
                    ' ',
                    array_filter(
                        array_map(
                            static fn (LayoutField $column): string => self::of(
                                $column,
                                is_array($row) ? $row[$column->key] ?? null : null,
                                $language,
                            ),
                            $field->columns,
                        ),
                    ),
                ),
                $rows,
            ),
        );
    }

    private static function number(int|float $value, LayoutField $field, string $language): string
    {
        $unit = $field->unit();
        $format = new \NumberFormatter($language, \NumberFormatter::DECIMAL);
        $format->setAttribute(\NumberFormatter::MAX_FRACTION_DIGITS, 6);
        $format->setAttribute(\NumberFormatter::GROUPING_USED, $field->groups() ? 1 : 0);
        $text = (string) $format->format($value);

        // The unit stays on the line of its number.
        return $unit === '' ? $text : "$text\u{00A0}$unit";
    }

    private static function money(string $amount, string $currency, string $language): string
    {
        return (string) (new \NumberFormatter($language, \NumberFormatter::CURRENCY))->formatCurrency((float) $amount, $currency);
    }

    private static function day(string $date, string $language): string
    {
        $day = \DateTimeImmutable::createFromFormat('!Y-m-d', $date, new \DateTimeZone('UTC'));

        return $day === false
            ? ''
            : (string) (new \IntlDateFormatter($language, \IntlDateFormatter::LONG, \IntlDateFormatter::NONE, 'UTC'))->format($day);
    }
}
