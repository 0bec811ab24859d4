<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** A menu, or a list of picks, with its entries. */
final readonly class Menu
{
    /** Most entries of one menu. */
    public const MAX_ENTRIES = 500;

    /** Deepest level an entry may stand on; 1 is the menu itself. */
    public const MAX_DEPTH = 5;

    /**
     * @param  string|null  $place  the layout's place it is shown at; null while it is shown nowhere
     * @param  array<string, Entry>  $entries  by identity, in no order
     */
    public function __construct(public string $id, public string $name, public MenuKind $kind, public ?string $place, public array $entries = [])
    {
    }

    /** @return list<Entry> in order */
    public function under(?string $parent): array
    {
        $entries = array_values(array_filter($this->entries, static fn (Entry $entry): bool => $entry->parent === $parent));
        usort($entries, static fn (Entry $a, Entry $b): int => $a->position <=> $b->position);

        return $entries;
    }

    /** @return list<Entry> every entry, parents before what stands under them, in order */
    public function inOrder(?string $parent = null): array
    {
        $entries = [];
        foreach ($this->under($parent) as $entry) {
            array_push($entries, $entry, ...$this->inOrder($entry->id));
        }

        return $entries;
    }

    /** @return list<Entry> that lead to this page; a branch that is filled from it is none of them */
    public function leadingTo(string $page): array
    {
        return array_values(
            array_filter($this->entries, static fn (Entry $entry): bool => $entry->kind === EntryKind::Page && $entry->page() === $page),
        );
    }

    public function put(Entry $entry): self
    {
        return $this->with([...$this->entries, $entry->id => $entry]);
    }

    /** Without an entry; what stands under it takes its place. */
    public function without(string $id): self
    {
        $gone = $this->entries[$id] ?? null;
        if ($gone === null) {
            return $this;
        }
        $order = [];
        foreach ($this->under($gone->parent) as $entry) {
            array_push($order, ...$entry->id === $id ? $this->under($id) : [$entry]);
        }
        $entries = $this->entries;
        unset($entries[$id]);
        $moved = count($this->under($id)) > 0;
        foreach ($moved ? $order : [] as $position => $entry) {
            $entries[$entry->id] = $entry->with(['parent' => $gone->parent, 'position' => $position]);
        }

        return $this->with($entries);
    }

    /** @return list<string> every page that an entry leads to, is filled from, or makes an exception of */
    public function pagesNamed(): array
    {
        $named = [];
        foreach ($this->entries as $entry) {
            array_push($named, $entry->page(), ...$entry->contents->out ?? [], ...$entry->contents->in ?? []);
        }

        return array_values(array_unique(array_filter($named)));
    }

    /** @return list<string> every file that an entry leads to, or shows on its card */
    public function filesNamed(): array
    {
        $named = [];
        foreach ($this->entries as $entry) {
            array_push($named, $entry->kind === EntryKind::File ? $entry->leadsTo?->value : null, $entry->picture);
        }

        return array_values(array_unique(array_filter($named)));
    }

    /**
     * Without entries that lead to these pages, and without exceptions that name them.
     *
     * @param  array<string, true>  $pages
     */
    public function withoutPages(array $pages): self
    {
        $kept = $this;
        foreach ($pages === [] ? [] : $this->entries as $id => $entry) {
            if (isset($pages[(string) $entry->page()])) {
                $kept = $kept->without((string) $id);
            } elseif ($entry->contents !== null && array_intersect_key(array_flip([...$entry->contents->out, ...$entry->contents->in]), $pages) !== []) {
                $kept = $kept->put(($kept->entries[$id] ?? $entry)->with(['contents' => $entry->contents->without($pages)]));
            }
        }

        return $kept;
    }

    /** @param  array<string, Entry>  $entries */
    public function with(array $entries): self
    {
        return new self($this->id, $this->name, $this->kind, $this->place, $entries);
    }

    public function named(string $name): self
    {
        return new self($this->id, $name, $this->kind, $this->place, $this->entries);
    }

    public function at(?string $place): self
    {
        return new self($this->id, $this->name, $this->kind, $place, $this->entries);
    }

    /** Stands for all that the menu is, as it is now. */
    public function version(): string
    {
        return hash('sha256', json_encode($this->toArray(), JSON_THROW_ON_ERROR));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $entries = $this->entries;
        ksort($entries);

        return [
            'id' => $this->id,
            'name' => $this->name,
            'kind' => $this->kind->value,
            'place' => $this->place,
            'entries' => array_map(static fn (Entry $entry): array => $entry->toArray(), array_values($entries)),
        ];
    }

    /** @param  array<string, mixed>  $kept as toArray gave it */
    public static function fromArray(array $kept): self
    {
        $entries = array_map(Entry::fromArray(...), $kept['entries']);

        return new self($kept['id'], $kept['name'], MenuKind::from($kept['kind']), $kept['place'], array_column($entries, null, 'id'));
    }
}
