<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

/**
 * What a page says in the fields of its layout, by field. What it said in fields that its layout does not have is kept by the layout
 * that had them. Of the values only this is known here: a page is named under the key `page`, a file under `file`.
 */
final readonly class FieldValues
{
    use SharesBlank;

    /**
     * @param  array<string, mixed>  $values  by field, as JSON holds them
     * @param  array<string, array<string, mixed>>  $kept  by layout and field
     */
    public function __construct(public array $values = [], public array $kept = [])
    {
    }

    /** @param  array<string, mixed>  $given  by field; null for none */
    public function with(array $given): self
    {
        return new self(array_filter([...$this->values, ...$given], static fn (mixed $value): bool => $value !== null), $this->kept);
    }

    /**
     * For another layout: what has no place there is kept, what was kept of it comes back where nothing stands.
     *
     * @param  \Closure(string, mixed): bool  $fits  whether the other layout takes a value in a field
     */
    public function relaid(string $from, string $to, \Closure $fits): self
    {
        [$values, $aside] = [[], []];
        foreach ($this->values as $field => $value) {
            $fits((string) $field, $value) ? ($values[$field] = $value) : ($aside[$field] = $value);
        }
        foreach ($this->kept[$to] ?? [] as $field => $value) {
            if (! isset($values[$field]) && $fits((string) $field, $value)) {
                $values[$field] = $value;
            }
        }
        $kept = array_diff_key($this->kept, [$to => true]);
        if ($aside !== []) {
            $kept[$from] = [...$kept[$from] ?? [], ...$aside];
        }

        return new self($values, $kept);
    }

    public function isBlank(): bool
    {
        return $this->values === [] && $this->kept === [];
    }

    /** @return list<string> identities of the pages named in fields of the layout */
    public function pages(): array
    {
        return self::named('page', $this->values);
    }

    /** @return list<string> identities of the files named in fields, those that are kept too: they may come back */
    public function files(): array
    {
        return array_values(array_unique([...self::named('file', $this->values), ...self::named('file', $this->kept)]));
    }

    /** With its keys in one order, so that what is equal is written alike. */
    public function toText(): string
    {
        $all = array_filter(['kept' => Stored::sorted($this->kept), 'values' => Stored::sorted($this->values)]);

        return json_encode($all === [] ? new \stdClass() : $all, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /** @param  string|null  $text  as toText() gave it; null for none */
    public static function stored(?string $text): self
    {
        if (Stored::isBlank($text)) {
            return self::blank();
        }
        $kept = Stored::read($text);
        $values = is_array($kept['values'] ?? null) ? $kept['values'] : [];

        return new self($values, array_filter(is_array($kept['kept'] ?? null) ? $kept['kept'] : [], is_array(...)));
    }

    /**
     * @param  array<mixed>  $values
     * @return list<string>
     */
    private static function named(string $key, array $values): array
    {
        $named = [];
        array_walk_recursive($values, static function (mixed $value, int|string $at) use ($key, &$named): void {
            if ($at === $key && is_string($value)) {
                $named[$value] = true;
            }
        });

        return array_map(strval(...), array_keys($named));
    }
}
