<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\EntryReader;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuFile;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Workspace\Workspace;

/** Sets all entries of a menu: which, in which order, under which, and how each is. */
final readonly class ArrangeMenu implements NamesFiles, RequestedChange
{
    use HasShape, NamesItsMenu;

    /**
     * @param  list<Entry>  $entries  parents before what stands under them
     * @param  string|null  $basedOn  version of the menu that was arranged; null for whatever is there
     */
    public function __construct(public string $menu, public array $entries, public ?string $basedOn = null)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'arrange-menu',
            Subject::Menu,
            Field::list('entries', ['$ref' => '#/components/schemas/MenuEntry']),
            Field::text('basedOn', 'version of the menu that was arranged')->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        $menu = $input->identity('menu');

        return new self($menu, (new EntryReader($input->rules, $input->zone, $menu))->read($input->raw('entries')), $input->textOrNull('basedOn'));
    }

    public function on(Workspace $workspace): void
    {
        $menu = $this->menu($workspace);
        if ($this->basedOn !== null && $this->basedOn !== $menu->version()) {
            throw new InputRefused(
                'basedOn',
                "Somebody changed “{$menu->name}” while you were editing it. Compare with what it is now, and edit it again.",
            );
        }
        $workspace->pages->expect($this->pagesNamed());
        $entries = array_column($this->entries, null, 'id');
        foreach ($this->entries as $i => $entry) {
            $this->guard($entry, $menu, $workspace, "entries.$i");
        }
        $arranged = $menu->with($entries);
        if ($arranged->version() === $menu->version()) {
            throw new NothingToChange('entries', "“{$menu->name}” is like this already.");
        }
        $workspace->menus->put($arranged);
    }

    public function pagesNamed(): array
    {
        return array_values(array_unique(array_filter(array_map(static fn (Entry $entry): ?string => $entry->page(), $this->entries))));
    }

    public function filesNamed(): array
    {
        $at = $found = [];
        foreach ($this->entries as $entry) {
            $at[$entry->id] = ($entry->parent === null ? '' : $at[$entry->parent].'.')."entries.{$entry->position}";
            $found += array_filter([
                "{$at[$entry->id]}.file" => $entry->kind === EntryKind::File ? $entry->leadsTo?->value : null,
                "{$at[$entry->id]}.picture" => $entry->picture,
            ]);
        }

        return $found;
    }

    public function sentence(Outcome $outcome): string
    {
        [$came, $went, $changed] = $outcome->entriesOf($this->menu);
        $parts = array_filter([
            $came === 0 ? null : Wording::count($came, 'new entry', 'new entries'),
            $went === 0 ? null : Wording::count($went, 'entry', 'entries').' out',
            $changed === 0 ? null : Wording::count($changed, 'entry', 'entries').' changed',
        ]);

        return implode(', ', ["Changed the menu {$outcome->menu($this->menu)}", ...$parts]);
    }

    public function toArray(): array
    {
        $under = [];
        foreach ($this->entries as $entry) {
            $under[(string) $entry->parent][] = $entry;
        }

        return [
            'kind' => 'arrange-menu',
            'menu' => $this->menu,
            'entries' => self::nested($under, ''),
            ...$this->basedOn === null ? [] : ['basedOn' => $this->basedOn],
        ];
    }

    /**
     * @param  array<string, list<Entry>>  $under  by what they stand under
     * @return list<array<string, mixed>>
     */
    private static function nested(array $under, string $parent): array
    {
        return array_map(
            static fn (Entry $entry): array => ['id' => $entry->id] +
                MenuFile::written($entry) +
                (isset($under[$entry->id]) ? ['entries' => self::nested($under, $entry->id)] : []),
            $under[$parent] ?? [],
        );
    }

    /** @throws InputRefused */
    private function guard(Entry $entry, Menu $menu, Workspace $workspace, string $at): void
    {
        foreach ($workspace->menus->after() as $other) {
            if ($other->id !== $menu->id && isset($other->entries[$entry->id])) {
                throw new InputRefused("$at.id", "This identity belongs to an entry of “{$other->name}”. Take a new one.");
            }
        }
        if ($menu->kind === MenuKind::Picks && ($entry->kind !== EntryKind::Page || $entry->parent !== null)) {
            throw new InputRefused("$at.kind", 'Picks are pages, one after the other.');
        }
        $page = $entry->page();
        $isNew = ($menu->entries[$entry->id] ?? null)?->page() !== $page;
        if ($page !== null && $isNew) {
            $workspace->pages->page($page, "$at.page");
        }
        if ($page !== null && ! $isNew && $workspace->pages->find($page) === null) {
            throw new InputRefused("$at.page", 'The page of this entry is gone. Remove the entry, or let it lead elsewhere.');
        }
    }
}
