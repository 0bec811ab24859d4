<?php

declare(strict_types=1);

namespace App\Http\Api\Description;

use App\Desk\Cache\NodeMemory;
use App\Http\InvalidInput;

/** Holds what a request brings against the types that the OpenAPI description gives for its operation. */
final readonly class DescribedTypes
{
    private const SAID = [
        'string' => 'a text',
        'integer' => 'a whole number',
        'boolean' => 'true or false',
        'array' => 'a list',
        'object' => 'an object',
        'null' => 'null',
        'number' => 'a number',
    ];

    public function __construct(private NodeMemory $memory)
    {
    }

    /**
     * @param  string  $path  as described, like /sites/{site}/outline
     * @param  array<mixed>  $query
     * @param  array<mixed>  $body
     *
     * @throws InvalidInput naming the first field of another type
     */
    public function guard(string $method, string $path, array $query, array $body): void
    {
        if ($query === [] && $body === []) {
            return;
        }
        $file = base_path('docs/api/openapi.json');
        $types = $this->memory->of("$method $path", [$file], static fn (): array => self::described($file, strtolower($method), $path));
        foreach (array_intersect_key($types['query'], array_filter($query, static fn (mixed $value): bool => $value !== null)) as $name => $type) {
            $this->guardQuery((string) $name, $type, $query[$name]);
        }
        foreach (array_intersect_key($types['body'], $body) as $field => $allowed) {
            $this->guardBody((string) $field, $allowed, $body[$field]);
        }
    }

    /**
     * The types of one operation: the whole description takes longer to read than what most operations do.
     *
     * @return array{query: array<string, string>, body: array<string, list<string>>}
     */
    private static function described(string $file, string $method, string $path): array
    {
        $document = json_decode((string) file_get_contents($file), true, flags: JSON_THROW_ON_ERROR);
        $resolved = static fn (array $schema): array => isset($schema['$ref'])
            ? $document['components']['schemas'][basename((string) $schema['$ref'])] ?? []
            : $schema;
        $operation = $document['paths'][$path][$method] ?? [];
        $query = array_filter($operation['parameters'] ?? [], static fn (array $parameter): bool => ($parameter['in'] ?? '') === 'query');
        $body = $resolved($operation['requestBody']['content']['application/json']['schema'] ?? [])['properties'] ?? [];

        return [
            'query' => array_map(static fn (array $schema): string => (string) $schema['type'], array_column($query, 'schema', 'name')),
            'body' => array_map(static fn (array $property): array => array_values((array) ($resolved($property)['type'] ?? [])), $body),
        ];
    }

    private function guardQuery(string $name, string $type, mixed $value): void
    {
        $fits =
            is_string($value) &&
            match ($type) {
                'integer' => $value === '' || preg_match('/^-?\d{1,9}$/D', $value) === 1,
                'boolean' => in_array($value, ['', '0', '1', 'true', 'false'], true),
                default => true,
            };
        if (! $fits) {
            throw new InvalidInput(422, $name, 'This has to be '.self::SAID[$type].($type === 'integer' ? ' of at most nine digits.' : '.'));
        }
    }

    /** @param  array<mixed>  $types  none where the description leaves it open */
    private function guardBody(string $field, array $types, mixed $value): void
    {
        $is = match (true) {
            is_string($value) => 'string',
            is_int($value) => abs($value) <= 0x7FFFFFFF ? 'integer' : 'too large',
            is_float($value) => 'number',
            is_bool($value) => 'boolean',
            is_array($value) => $value === [] ? 'empty' : (array_is_list($value) ? 'array' : 'object'),
            default => 'null',
        };
        $fits = $types === [] || in_array($is, $types, true) || ($is === 'empty' && array_intersect(['array', 'object'], $types) !== []);
        if (! $fits) {
            throw new InvalidInput(
                422,
                $field,
                'This has to be '.
                    implode(' or ', array_map(static fn (mixed $type): string => self::SAID[(string) $type] ?? (string) $type, $types)).
                    ($is === 'too large' ? ' below 2,147,483,648.' : '.'),
            );
        }
    }
}
