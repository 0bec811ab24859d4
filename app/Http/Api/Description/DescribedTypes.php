<?php

declare(strict_types=1);

namespace App\Http\Api\Description;

use App\Http\InvalidInput;

/** Holds what a request brings against the types that the OpenAPI description gives for its operation. */
final class DescribedTypes
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

    /** @var array<string, mixed>|null  as OpenAPI 3.1; read once there is something to hold against it */
    private ?array $document = null;

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
        $operation = $this->document()['paths'][$path][strtolower($method)] ?? null;
        if (! is_array($operation)) {
            return;
        }
        foreach ($operation['parameters'] ?? [] as $parameter) {
            if (($parameter['in'] ?? '') === 'query' && isset($query[$parameter['name']])) {
                $this->guardQuery($parameter['name'], (string) $parameter['schema']['type'], $query[$parameter['name']]);
            }
        }
        $schema = $operation['requestBody']['content']['application/json']['schema'] ?? [];
        foreach ($this->resolved($schema)['properties'] ?? [] as $field => $property) {
            if (array_key_exists($field, $body)) {
                $this->guardBody((string) $field, (array) ($this->resolved($property)['type'] ?? []), $body[$field]);
            }
        }
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return array<string, mixed>
     */
    private function resolved(array $schema): array
    {
        $name = isset($schema['$ref']) ? basename((string) $schema['$ref']) : null;

        return $name === null ? $schema : $this->document()['components']['schemas'][$name] ?? [];
    }

    /** @return array<string, mixed> */
    private function document(): array
    {
        return $this->document ??= json_decode((string) file_get_contents(base_path('docs/api/openapi.json')), true, flags: JSON_THROW_ON_ERROR);
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
