<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** What a batch changed of one menu: its own fields, and its entries. The exact inverse's material. */
final readonly class MenuDifference
{
    /**
     * @param  array<string, string|null>|null  $before  name, kind and place, changed ones only; null for a menu that was made
     * @param  array<string, string|null>|null  $after  null for one that was removed
     * @param  array<string, array{Entry|null, Entry|null}>  $entries  those that came, went or changed, by identity: as they were, as they are
     */
    private function __construct(public string $menu, public ?array $before, public ?array $after, public array $entries)
    {
    }

    public static function between(string $id, ?Menu $before, ?Menu $after): ?self
    {
        $old = $before === null ? null : self::fields($before);
        $new = $after === null ? null : self::fields($after);
        $entries = [];
        foreach (($before->entries ?? []) + ($after->entries ?? []) as $entry => $_) {
            $was = $before->entries[$entry] ?? null;
            $is = $after->entries[$entry] ?? null;
            if ($was?->toArray() !== $is?->toArray()) {
                $entries[(string) $entry] = [$was, $is];
            }
        }
        if ($old === $new && $entries === []) {
            return null;
        }
        $changed = $old === null || $new === null ? null : array_diff_assoc($old, $new);
        ksort($entries);

        return new self($id, $changed === null ? $old : $changed, $changed === null ? $new : array_intersect_key($new ?? [], $changed), $entries);
    }

    public function wasMade(): bool
    {
        return $this->before === null;
    }

    public function wasRemoved(): bool
    {
        return $this->after === null;
    }

    /** The menu as it was, where it still is as this difference left it; what has changed again stays. */
    public function undoneIn(?Menu $now): ?Menu
    {
        if ($now === null) {
            return $this->wasRemoved() ? $this->whole() : null;
        }
        if ($this->wasMade()) {
            return $this->strayedIn($now) ? $now : null;
        }
        $fields = self::fields($now);
        foreach ($this->before ?? [] as $field => $value) {
            $fields[$field] = $fields[$field] === ($this->after[$field] ?? null) ? $value : $fields[$field];
        }
        $entries = $now->entries;
        foreach ($this->entries as $id => [$was, $is]) {
            if (self::same($entries[$id] ?? null, $is)) {
                $entries[$id] = $was;
            }
        }

        return self::settled(new Menu($now->id, (string) $fields['name'], $now->kind, $fields['place'], array_filter($entries)));
    }

    /** Whether any of it has changed again since. */
    public function strayedIn(Menu $now): bool
    {
        foreach ($this->after ?? [] as $field => $value) {
            if (self::fields($now)[$field] !== $value) {
                return true;
            }
        }
        foreach ($this->entries as $id => [, $is]) {
            if (! self::same($now->entries[$id] ?? null, $is)) {
                return true;
            }
        }

        return $this->wasMade() && count($now->entries) !== count(array_filter($this->entries, static fn (array $entry): bool => $entry[1] !== null));
    }

    /** The menu as this difference leaves it, from one that is as it was before. */
    public function doneTo(?Menu $before): ?Menu
    {
        if ($this->after === null && $this->before !== null) {
            return null;
        }
        $fields = [...$before === null ? [] : self::fields($before), ...$this->after ?? []];
        $entries = $before->entries ?? [];
        foreach ($this->entries as $id => [, $is]) {
            $entries[$id] = $is;
        }

        return new Menu(
            $this->menu,
            (string) ($fields['name'] ?? ''),
            MenuKind::from((string) ($fields['kind'] ?? '')),
            $fields['place'] ?? null,
            array_filter($entries),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'menu' => $this->menu,
            'before' => $this->before,
            'after' => $this->after,
            'entries' => array_map(static fn (array $entry): array => [$entry[0]?->toArray(), $entry[1]?->toArray()], $this->entries),
        ];
    }

    /** @param  array<string, mixed>  $kept as toArray gave it */
    public static function fromArray(array $kept): self
    {
        return new self(
            $kept['menu'],
            $kept['before'],
            $kept['after'],
            array_map(
                static fn (array $entry): array => [
                    $entry[0] === null ? null : Entry::fromArray($entry[0]),
                    $entry[1] === null ? null : Entry::fromArray($entry[1]),
                ],
                $kept['entries'],
            ),
        );
    }

    private function whole(): Menu
    {
        return new Menu(
            $this->menu,
            (string) ($this->before['name'] ?? ''),
            MenuKind::from((string) ($this->before['kind'] ?? '')),
            $this->before['place'] ?? null,
            array_filter(array_map(static fn (array $entry): ?Entry => $entry[0], $this->entries)),
        );
    }

    /** Entries whose parent is gone stand at the top, and none stands where another does. */
    private static function settled(Menu $menu): Menu
    {
        $entries = $menu->entries;
        foreach ($entries as $id => $entry) {
            for ($above = $entry->parent, $steps = []; $above !== null; $above = $entries[$above]->parent) {
                if (! isset($entries[$above]) || isset($steps[$above]) || $above === $id) {
                    $entries[$id] = $entry->with(['parent' => null, 'position' => PHP_INT_MAX]);
                    break;
                }
                $steps[$above] = true;
            }
        }
        $menu = $menu->with($entries);
        foreach ([null, ...array_map(strval(...), array_keys($entries))] as $parent) {
            $siblings = $menu->under($parent);
            if (
                count(array_unique(array_map(static fn (Entry $entry): int => $entry->position, $siblings))) < count($siblings) ||
                ($siblings !== [] && end($siblings)->position === PHP_INT_MAX)
            ) {
                foreach ($siblings as $position => $entry) {
                    $menu = $menu->put($entry->with(['position' => $position]));
                }
            }
        }

        return $menu;
    }

    /** @return array{name: string, kind: string, place: string|null} */
    private static function fields(Menu $menu): array
    {
        return ['name' => $menu->name, 'kind' => $menu->kind->value, 'place' => $menu->place];
    }

    private static function same(?Entry $a, ?Entry $b): bool
    {
        return $a?->toArray() === $b?->toArray();
    }
}
