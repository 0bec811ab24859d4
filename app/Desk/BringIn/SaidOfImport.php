<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\Pages\BringOptions;
use Heronstem\Core\Interchange\Pages\BroughtAs;
use Heronstem\Core\Interchange\Pages\Gaps;
use Heronstem\Core\Interchange\Pages\SourceFormat;
use Heronstem\Core\Interchange\TableText;

/** What somebody chose for something that is brought in: how it is read, and what becomes of it. */
final readonly class SaidOfImport
{
    /**
     * @param  array<int, string>  $columns  meanings by number of the column; those that are missing mean what their heads say
     * @param  list<int>  $menus  numbers of the menus that come along
     */
    private function __construct(
        public ?SourceFormat $format,
        public array $columns,
        public ?string $delimiter,
        public ?string $encoding,
        public array $menus,
        public BringOptions $options,
    ) {
    }

    /**
     * @param  array<string, mixed>  $said
     *
     * @throws InputRefused naming the field
     */
    public static function read(array $said, string $zone): self
    {
        $word = static function (string $field, array $choices) use ($said): ?string {
            $given = $said[$field] ?? null;
            if ($given !== null && (! is_string($given) || ! in_array($given, $choices, true))) {
                throw new InputRefused(
                    $field,
                    'This is one of '.implode(', ', array_map(static fn (string $one): string => $one === "\t" ? 'a tab' : $one, $choices)).'.',
                );
            }

            return $given;
        };
        $flag = static fn (string $field, bool $default): bool => match (true) {
            ! isset($said[$field]) => $default,
            is_bool($said[$field]) => $said[$field],
            default => throw new InputRefused($field, 'This is true or false.'),
        };
        $under = $said['under'] ?? null;
        if ($under !== null && ! Identity::names($under)) {
            throw new InputRefused('under', 'A page is named by its identity, 26 letters and digits.');
        }

        return new self(
            SourceFormat::tryFrom((string) $word('format', array_column(SourceFormat::cases(), 'value'))),
            self::columns($said['columns'] ?? []),
            $word('delimiter', TableText::DELIMITERS),
            $word('encoding', TableText::ENCODINGS),
            self::menus($said['menus'] ?? []),
            new BringOptions(
                $under,
                Gaps::from($word('gaps', array_column(Gaps::cases(), 'value')) ?? 'sections'),
                BroughtAs::from($word('as', array_column(BroughtAs::cases(), 'value')) ?? 'draft'),
                $flag('changesKnown', true),
                $flag('keepsAddresses', true),
                $zone,
            ),
        );
    }

    /** @return array<int, string> */
    private static function columns(mixed $given): array
    {
        $isOne = static fn (mixed $value): bool => $value === null || (is_string($value) && mb_strlen($value) <= 100);
        if (
            ! is_array($given) ||
            ! array_is_list($given) ||
            count($given) > 200 ||
            array_filter($given, static fn (mixed $value): bool => ! $isOne($value)) !== []
        ) {
            throw new InputRefused('columns', 'These are what columns mean, in their order; null for what the head says.');
        }

        return array_filter($given, is_string(...));
    }

    /** @return list<int> */
    private static function menus(mixed $given): array
    {
        if (! is_array($given) || array_filter($given, static fn (mixed $value): bool => ! is_int($value) || $value < 0 || $value > 1000) !== []) {
            throw new InputRefused('menus', 'These are numbers of menus that were found, from 0.');
        }

        return array_values(array_unique($given));
    }
}
