<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Layout;

use Heronstem\Core\InputRefused;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;

/** Holds values against what the layout's schema says of their field. */
final class FieldCheck
{
    private static ?Validator $validator = null;

    /**
     * @param  mixed  $value  as FieldInput read it: rows under the numbers they were given with
     *
     * @throws InputRefused naming field, row and column
     */
    public static function guard(LayoutField $field, mixed $value): void
    {
        $numbers = $field->kind === FieldKind::Rows && is_array($value) ? array_keys($value) : [];
        $fault = self::fault($field, $numbers === [] ? $value : array_values($value), $numbers);
        if ($fault !== null) {
            throw new InputRefused(implode('.', ['fields', $field->key, ...$fault->path]), $fault->reason);
        }
    }

    /** @param  list<int|string>  $numbers  of the rows as they are told of, counted from 0; none where they stand as they were given */
    public static function fault(LayoutField $field, mixed $value, array $numbers = []): ?FieldFault
    {
        $data = json_decode(json_encode($value, JSON_THROW_ON_ERROR), false, 32, JSON_THROW_ON_ERROR);
        $error = self::validator()
            ->validate(is_array($value) && $value === [] && $field->kind !== FieldKind::Rows ? new \stdClass() : $data, self::schema($field))
            ->error();
        if ($error === null) {
            return null;
        }
        while (($under = $error->subErrors()) !== [] && $error->keyword() !== 'oneOf') {
            $error = $under[0];
        }
        $path = array_values($error->data()->fullPath());
        if ($field->kind === FieldKind::Rows && isset($path[0])) {
            $path[0] = (int) ($numbers[(int) $path[0]] ?? $path[0]);
        }
        if ($error->keyword() === 'required') {
            $path[] = (string) ($error->args()['missing'][0] ?? '');
        }
        $of = $field->kind === FieldKind::Rows && isset($path[1]) ? $field->column((string) $path[1]) ?? $field : $field;

        return new FieldFault(
            $field->kind === FieldKind::Rows ? array_slice($path, 0, 2) : [],
            self::where($field, $path).self::inWords($error, $of),
        );
    }

    /**
     * Which row and column, as somebody reads the table.
     *
     * @param  list<int|string>  $path
     */
    private static function where(LayoutField $field, array $path): string
    {
        if ($field->kind !== FieldKind::Rows || $path === []) {
            return '';
        }
        $column = isset($path[1]) ? $field->column((string) $path[1]) : null;

        return 'Row '.((int) $path[0] + 1).($column === null ? '' : ", {$column->title}").': ';
    }

    private static function inWords(ValidationError $error, LayoutField $field): string
    {
        $args = $error->args();
        $said = $field->description();

        return match ($error->keyword()) {
            'minLength' => "At least {$args['min']} characters are needed here.",
            'maxLength' => "At most {$args['max']} characters fit here; these are {$args['length']}.",
            'minimum' => "The least is {$args['min']}.",
            'maximum' => "The most is {$args['max']}.",
            'multipleOf' => "This goes in steps of {$args['divisor']}.",
            'oneOf' => 'Choose one of '.implode(', ', $field->choices()).'.',
            'minItems' => "At least {$args['min']} rows are needed.",
            'maxItems' => "At most {$args['max']} rows fit here; these are {$args['count']}.",
            'required' => 'This is needed in every row.',
            'pattern' => $field->kind === FieldKind::Text ? "This is not written as it should be. $said" : self::kindInWords($field),
            default => self::kindInWords($field),
        };
    }

    private static function kindInWords(LayoutField $field): string
    {
        return match ($field->kind) {
            FieldKind::Text, FieldKind::LongText => 'This is a text.',
            FieldKind::Number => 'This is a number, such as 12 or 12.5.',
            FieldKind::Money => 'This is an amount, such as 12.50.',
            FieldKind::Date => 'A date is written as 2027-05-31.',
            FieldKind::Choice => 'Choose one of '.implode(', ', $field->choices()).'.',
            FieldKind::YesNo => 'This is yes or no.',
            FieldKind::Page => 'This is a page of the site.',
            FieldKind::File => 'This is a file of the site.',
            FieldKind::Picture => 'This is a picture of the site.',
            FieldKind::Rows => 'These are rows with the fields '.implode(', ', array_column($field->columns, 'key')).'.',
        };
    }

    private static function schema(LayoutField $field): object
    {
        $schema = $field->schema;
        if ($field->kind === FieldKind::Rows && is_array($schema['items'] ?? null)) {
            $schema['items'] = ['type' => 'object', 'additionalProperties' => false, ...$schema['items']];
        }

        return json_decode(json_encode($schema, JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR);
    }

    private static function validator(): Validator
    {
        if (self::$validator === null) {
            self::$validator = new Validator();
            foreach (FieldKind::cases() as $kind) {
                self::$validator->resolver()?->registerRaw(json_encode($kind->schema(), JSON_THROW_ON_ERROR), $kind->urn());
            }
        }

        return self::$validator;
    }
}
