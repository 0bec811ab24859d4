<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuFile;
use Heronstem\Core\Menu\MenuFinding;
use Heronstem\Core\Menu\ResolvedEntry;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'Menu', description: 'A menu or picks: entries as they were set, nested, and as somebody sees them.')]
final readonly class MenuView
{
    /**
     * @param  list<array<string, mixed>>  $entries
     * @param  list<array<string, mixed>>  $shown
     * @param  list<array<string, mixed>>  $findings
     */
    private function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property(type: 'string', enum: ['menu', 'picks'])] public string $kind,
        #[OA\Property(nullable: true)] public ?string $place,
        #[OA\Property(description: 'of what is stored; send it as basedOn when arranging')] public string $version,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MenuEntry'))] public array $entries,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ShownEntry'))] public array $shown,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MenuFinding'))] public array $findings,
    ) {
    }

    /**
     * @param  list<ResolvedEntry>  $whole
     * @param  list<MenuFinding>  $findings
     * @param  array<string, string>  $names  of pages and files, by identity
     */
    public static function of(Menu $menu, string $version, array $whole, array $findings, array $names): self
    {
        return new self(
            $menu->id,
            $menu->name,
            $menu->kind->value,
            $menu->place,
            $version,
            self::entries($menu, null, $names),
            array_map(self::shown(...), $whole),
            array_map(self::finding(...), $findings),
        );
    }

    /**
     * @param  array<string, string>  $names
     * @return list<array<string, mixed>>
     */
    private static function entries(Menu $menu, ?string $parent, array $names): array
    {
        return array_map(static function (Entry $entry) use ($menu, $names): array {
            $exceptions = static fn (array $pages): array => array_map(
                static fn (string $page): array => ['id' => $page, 'name' => $names[$page] ?? ''],
                $pages,
            );

            return [
                'id' => $entry->id,
                'pageName' => $entry->page() === null ? null : $names[$entry->page()] ?? null,
                'fileName' => $entry->kind === EntryKind::File ? $names[(string) $entry->leadsTo?->value] ?? null : null,
                'exceptions' => $exceptions([...$entry->contents->out ?? [], ...$entry->contents->in ?? []]),
            ] +
                MenuFile::written($entry) + ['entries' => self::entries($menu, $entry->id, $names)];
        }, $menu->under($parent));
    }

    /** @return array<string, mixed> */
    private static function shown(ResolvedEntry $entry): array
    {
        return [
            'entry' => $entry->entry,
            'kind' => $entry->kind->value,
            'page' => $entry->page,
            'label' => $entry->label,
            'href' => $entry->href,
            'hidden' => $entry->hidden?->value,
            'when' => $entry->when?->iso(),
            'text' => $entry->text,
            'picture' => $entry->picture,
            'isLocked' => $entry->isLocked,
            'under' => array_map(self::shown(...), $entry->under),
        ];
    }

    /** @return array<string, mixed> */
    private static function finding(MenuFinding $finding): array
    {
        return [
            'kind' => $finding->kind->value,
            'entry' => $finding->entry,
            'label' => $finding->label,
            'hidden' => $finding->hidden?->value,
            'page' => $finding->page,
            'count' => $finding->count,
            'most' => $finding->most,
        ];
    }
}
