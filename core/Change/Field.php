<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** One field of a change: its name, its type as JSON Schema (draft 2020-12) says it, and whether it has to be there. */
final readonly class Field
{
    /** @param  array<string, mixed>  $schema  a `$ref` names a schema of the API that is described elsewhere */
    private function __construct(public string $name, public array $schema, public bool $isRequired)
    {
    }

    public static function text(string $name, string $description = ''): self
    {
        return new self($name, ['type' => 'string'] + ($description === '' ? [] : ['description' => $description]), true);
    }

    public static function identity(string $name, string $description = 'a ULID'): self
    {
        return self::text($name, $description);
    }

    /** @param  class-string<\BackedEnum>  $choices */
    public static function choice(string $name, string $choices): self
    {
        return self::oneOf($name, array_map(static fn (\BackedEnum $case): string => (string) $case->value, $choices::cases()));
    }

    /** @param  list<string>  $values */
    public static function oneOf(string $name, array $values): self
    {
        return new self($name, ['type' => 'string', 'enum' => $values], true);
    }

    public static function flag(string $name, string $description = ''): self
    {
        return new self($name, ['type' => 'boolean'] + ($description === '' ? [] : ['description' => $description]), true);
    }

    public static function number(string $name, string $description = ''): self
    {
        return new self($name, ['type' => 'number'] + ($description === '' ? [] : ['description' => $description]), true);
    }

    public static function moment(string $name): self
    {
        return (new self($name, ['type' => 'string', 'description' => 'ISO 8601; without an offset in the time of the site'], true))->orNull();
    }

    /** Where a page goes in the tree: one of last, first (with a parent, or null for the top), before, after (with a sibling). */
    public static function place(): self
    {
        return new self('place', ['$ref' => '#/components/schemas/Place', 'type' => 'object'], true);
    }

    /** Where something leads: one of page, address, url, file. */
    public static function target(): self
    {
        return new self('leadsTo', ['anyOf' => [['$ref' => '#/components/schemas/LeadsTo'], ['type' => 'null']], 'type' => ['object', 'null']], true);
    }

    /** @param  array<string, mixed>  $items */
    public static function list(string $name, array $items): self
    {
        return new self($name, ['type' => 'array', 'items' => $items], true);
    }

    /** @param  array<string, mixed>  $properties  all of them required */
    public static function object(string $name, array $properties): self
    {
        return new self($name, ['type' => 'object', 'properties' => $properties, 'required' => array_keys($properties)], true);
    }

    public static function caching(): self
    {
        $description = 'how long browsers and caches keep it without asking: off, standard, long, or seconds; null for what holds for the site';

        return new self('caching', ['type' => ['string', 'integer'], 'description' => $description], true);
    }

    /** By names that are not known here. */
    public static function map(string $name, string $description): self
    {
        return new self($name, ['type' => 'object', 'additionalProperties' => true, 'description' => $description], true);
    }

    public function optional(): self
    {
        return new self($this->name, $this->schema, false);
    }

    public function orNull(): self
    {
        return new self($this->name, ['type' => [...(array) $this->schema['type'], 'null']] + $this->schema, $this->isRequired);
    }

    /** Whether a value is of the field's type, as far as one look at it tells. */
    public function fits(mixed $value): bool
    {
        foreach ((array) $this->schema['type'] as $type) {
            $is = match ($type) {
                'string' => is_string($value),
                'boolean' => is_bool($value),
                'number' => is_int($value) || is_float($value),
                'integer' => is_int($value),
                'array' => is_array($value) && array_is_list($value),
                'object' => is_array($value),
                default => $value === null,
            };
            if ($is) {
                return true;
            }
        }

        return false;
    }

    /** The type in words, as a refusal says it. */
    public function typeInWords(): string
    {
        $words = [
            'string' => 'a text',
            'boolean' => 'true or false',
            'number' => 'a number',
            'integer' => 'a whole number',
            'array' => 'a list',
            'object' => 'an object',
            'null' => 'null',
        ];

        return implode(' or ', array_map(static fn (string $type): string => $words[$type], (array) $this->schema['type']));
    }
}
