<?php

declare(strict_types=1);

namespace App\Http\Api\Description;

use OpenApi\Generator;

/** The API's OpenAPI description, made from the attributes on controllers and schemas. */
final class OpenApiDocument
{
    public static function json(): string
    {
        $generator = new Generator();
        $generator->setVersion('3.1.0');
        $document = json_decode((string) $generator->generate([app_path('Http/Api')])?->toJson(), true, flags: JSON_THROW_ON_ERROR);
        $document['components']['schemas'] = [...$document['components']['schemas'], ...ChangeSchemas::all()];
        ksort($document['components']['schemas']);
        foreach ($document['paths'] as $path => $operations) {
            foreach ($operations as $method => $operation) {
                $document['paths'][$path][$method] = self::completed((string) $path, $operation, $document['components']['parameters']);
            }
        }
        // A value class always has all of its properties.
        foreach ($document['components']['schemas'] as &$schema) {
            if (isset($schema['properties']) && ! isset($schema['required'])) {
                $schema['required'] = array_keys($schema['properties']);
            }
        }

        $document = self::withNullInEnums($document);

        return json_encode($document, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n";
    }

    /**
     * What goes without saying on a controller: what stands in the path, and the form of every refusal.
     *
     * @param  array<string, mixed>  $operation
     * @param  array<string, mixed>  $parameters  those that are described for the whole API
     * @return array<string, mixed>
     */
    private static function completed(string $path, array $operation, array $parameters): array
    {
        preg_match_all('/\{(\w+)\}/', $path, $named);
        $inPath = array_values(array_filter($named[1], static fn (string $name): bool => isset($parameters[$name])));
        $all = [
            ...array_map(static fn (string $name): array => ['$ref' => "#/components/parameters/$name"], $inPath),
            ...$operation['parameters'] ?? [],
        ];

        return [
            ...$operation,
            ...$all === [] ? [] : ['parameters' => $all],
            'responses' => $operation['responses'] + ['default' => ['$ref' => '#/components/responses/Problem']],
        ];
    }

    /**
     * What may be null may be null whatever its other values are (JSON Schema 2020-12 Validation, 6.1.2).
     *
     * @param  array<mixed>  $schema
     * @return array<mixed>
     */
    private static function withNullInEnums(array $schema): array
    {
        $type = $schema['type'] ?? null;
        $enum = $schema['enum'] ?? null;
        if (is_array($type) && in_array('null', $type, true) && is_array($enum) && array_is_list($enum) && ! in_array(null, $enum, true)) {
            $schema['enum'] = [...$enum, null];
        }

        return array_map(static fn (mixed $each): mixed => is_array($each) ? self::withNullInEnums($each) : $each, $schema);
    }
}
