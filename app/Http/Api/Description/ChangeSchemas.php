<?php

declare(strict_types=1);

namespace App\Http\Api\Description;

use Heronstem\Core\Change\ChangeKinds;
use Heronstem\Core\Change\Field;
use Heronstem\Core\Change\Shape;
use OpenApi\Attributes as OA;

/** The OpenAPI schemas of changes, made from their shapes: one for each kind, and the choice between them. */
#[OA\Schema(schema: 'Change', description: 'Filled in below; controllers refer to it.')]
final class ChangeSchemas
{
    /** @return array<string, array<string, mixed>> by name */
    public static function all(): array
    {
        $schemas = $kinds = [];
        foreach (ChangeKinds::shapes() as $kind => $shape) {
            $name = self::name($kind);
            $kinds[$kind] = "#/components/schemas/$name";
            $schemas[$name] = ['description' => self::purpose($kind)] + self::schema($shape);
        }
        $ulid = ['type' => 'string', 'description' => 'a ULID'];

        return $schemas + [
            'Change' => [
                'description' => 'One change. Its kind says which further fields it takes.',
                'oneOf' => array_map(static fn (string $reference): array => ['$ref' => $reference], array_values($kinds)),
                'discriminator' => ['propertyName' => 'kind', 'mapping' => $kinds],
            ],
            'OnePageOrSeveral' => [
                'oneOf' => [
                    self::object(['page' => $ulid], ['page']),
                    self::object(['pages' => ['type' => 'array', 'items' => ['type' => 'string'], 'minItems' => 1, 'maxItems' => 10000]], ['pages']),
                ],
            ],
            'Place' => [
                'description' => 'Inside a page (null for the top of the tree), or beside one.',
                'oneOf' => [
                    ...array_map(static fn (string $side): array => self::object([$side => ['type' => ['string', 'null']]], [$side]), [
                        'last',
                        'first',
                    ]),
                    ...array_map(static fn (string $side): array => self::object([$side => $ulid], [$side]), ['before', 'after']),
                ],
            ],
            'LeadsTo' => [
                'oneOf' => array_map(static fn (string $to): array => self::object([$to => ['type' => 'string']], [$to]), [
                    'page',
                    'address',
                    'url',
                    'file',
                ]),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function schema(Shape $shape): array
    {
        $field = $shape->subject->takesSeveral() ? null : $shape->subject->field();
        $properties =
            ['kind' => ['type' => 'string', 'enum' => [$shape->kind]]] +
            ($field === null ? [] : [$field => ['type' => 'string', 'description' => 'a ULID']]) +
            array_map(self::property(...), $shape->fields);
        $required = array_values(
            array_filter([
                'kind',
                $field,
                ...array_map(static fn (Field $each): ?string => $each->isRequired ? $each->name : null, array_values($shape->fields)),
            ]),
        );
        $object = self::object($properties, $required);

        return $shape->subject->takesSeveral() ? ['allOf' => [$object, ['$ref' => '#/components/schemas/OnePageOrSeveral']]] : $object;
    }

    /** @return array<string, mixed>  what refers to another schema says its type there */
    private static function property(Field $field): array
    {
        return isset($field->schema['$ref']) || isset($field->schema['anyOf']) ? array_diff_key($field->schema, ['type' => true]) : $field->schema;
    }

    /**
     * @param  array<string, mixed>  $properties
     * @param  list<string>  $required
     * @return array<string, mixed>
     */
    private static function object(array $properties, array $required): array
    {
        return ['type' => 'object', 'required' => $required, 'properties' => $properties];
    }

    private static function name(string $kind): string
    {
        return str_replace('-', '', ucwords($kind, '-')).'Change';
    }

    /** What the class says of itself. */
    private static function purpose(string $kind): string
    {
        $class = ChangeKinds::find($kind) ?? throw new \LogicException("There is no change $kind.");
        $comment = (string) (new \ReflectionClass($class))->getDocComment();

        return trim((string) preg_replace(['#^/\*\*|\*/$#', '#\n\s*\*#', '#\s+#'], ['', ' ', ' '], $comment));
    }
}
