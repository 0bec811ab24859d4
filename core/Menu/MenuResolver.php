<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

use Heronstem\Core\Moment;

/** Works out what a menu shows: to somebody, at a moment. */
final class MenuResolver
{
    /** @var array<string, MenuPage> */
    private array $known = [];

    /** @param  array<string, string>  $files  addresses of files by identity */
    public function __construct(
        private readonly MenuPages $pages,
        private readonly Moment $at,
        private readonly Viewer $viewer,
        private readonly array $files = [],
    ) {
    }

    /** @return list<ResolvedEntry> what the viewer sees, and nothing else */
    public function shown(Menu $menu): array
    {
        return self::onlyShown($this->whole($menu));
    }

    /** @return list<ResolvedEntry> every entry; what the viewer does not see says why */
    public function whole(Menu $menu): array
    {
        $ids = [];
        foreach ($menu->entries as $entry) {
            $ids[] = $entry->page();
            array_push($ids, ...$entry->contents->out ?? []);
        }
        $this->known = $this->pages->pages(array_values(array_unique(array_filter($ids))));

        return $this->level($menu, null);
    }

    /** @return list<ResolvedEntry> */
    private function level(Menu $menu, ?string $parent): array
    {
        $resolved = [];
        foreach ($menu->under($parent) as $entry) {
            $under = $this->level($menu, $entry->id);
            array_push($resolved, ...$entry->kind === EntryKind::Branch ? $this->branch($entry) : [$this->entry($entry, $under)]);
        }

        return $resolved;
    }

    /** @param  list<ResolvedEntry>  $under */
    private function entry(Entry $entry, array $under): ResolvedEntry
    {
        $page = $entry->kind === EntryKind::Page ? $this->known[(string) $entry->page()] ?? null : null;
        [$hidden, $when] = $this->hidden($entry, $page);
        if ($hidden === null && $entry->kind === EntryKind::Heading && self::onlyShown($under) === []) {
            $hidden = Hidden::Blank;
        }
        $href = match ($entry->kind) {
            EntryKind::Page => $page?->href,
            EntryKind::Address, EntryKind::Url => $entry->leadsTo?->value,
            EntryKind::File => $this->files[(string) $entry->leadsTo?->value] ?? null,
            default => null,
        };
        if ($hidden === null && $entry->kind === EntryKind::File && $href === null) {
            $hidden = Hidden::Gone;
        }
        $isClosed = $page !== null && $this->isClosed($page);
        if ($hidden === null && $isClosed && $entry->closed === Closed::LeftOut) {
            $hidden = Hidden::Closed;
        }
        $above = $hidden !== null;

        return new ResolvedEntry(
            $entry->id,
            $entry->kind,
            $page?->id,
            $entry->label !== '' ? $entry->label : $page->name ?? ($entry->kind === EntryKind::Separator ? '' : (string) $href),
            $isClosed && $entry->closed === Closed::Shown ? null : $href,
            $entry->title,
            $entry->newWindow,
            $hidden,
            $when,
            $above
                ? array_map(static fn (ResolvedEntry $each): ResolvedEntry => $each->hidden === null ? $each->hiddenBy(Hidden::Above) : $each, $under)
                : $under,
            $entry->text !== '' || $isClosed ? $entry->text : $page->text ?? '',
            $this->picture($entry, $isClosed ? null : $page?->picture),
            $page->indexed ?? true,
            $isClosed,
        );
    }

    /** What a closed page shows of itself, nobody gets who may not see it. */
    private function picture(Entry $entry, ?string $ofPage): ?string
    {
        return $entry->picture === null ? $ofPage : $this->files[$entry->picture] ?? $ofPage;
    }

    private function isClosed(MenuPage $page): bool
    {
        return ! $page->isOpen && ! $this->viewer->isAnybody;
    }

    /** @return array{Hidden|null, Moment|null} */
    private function hidden(Entry $entry, ?MenuPage $page): array
    {
        return match (true) {
            $entry->until !== null && ! $entry->until->isAfter($this->at) => [Hidden::Over, $entry->until],
            $entry->from !== null && $entry->from->isAfter($this->at) => [Hidden::NotYet, $entry->from],
            ! $entry->audience->admits($this->viewer) => [Hidden::Audience, null],
            $entry->kind !== EntryKind::Page => [null, null],
            $page === null => [Hidden::Gone, null],
            $page->hidden !== null => [$page->hidden, $page->when],
            default => [$page->listed ? null : Hidden::Unlisted, null],
        };
    }

    /** @return list<ResolvedEntry> the pages a branch is filled with; exceptions say that they are */
    private function branch(Entry $entry): array
    {
        $root = $entry->page();
        $contents = $entry->contents ?? new BranchContents();
        $own = $this->hidden($entry->with(['kind' => EntryKind::Heading]), null);
        $rootPage = $root === null ? null : $this->known[$root] ?? null;
        $gone = $root !== null && $rootPage === null ? Hidden::Gone : ($rootPage?->hidden !== null ? Hidden::Above : null);
        $by = [];
        foreach ($gone !== null ? [] : $this->pages->below($root, $contents->depth) as $page) {
            if ($page->listed || in_array($page->id, $contents->in, true)) {
                $by[$page->parent ?? ''][] = $page;
            }
        }
        $shown = $this->filled($entry, $contents, $by, $root ?? '', 1);
        if ($own[0] !== null || $shown === []) {
            $label = $entry->label !== '' ? $entry->label : $rootPage->name ?? 'The top of the tree';

            return [
                new ResolvedEntry($entry->id, EntryKind::Branch, $root, $label, null, hidden: $own[0] ?? ($gone ?? Hidden::Blank), when: $own[1]),
            ];
        }

        return $shown;
    }

    /**
     * @param  array<string, list<MenuPage>>  $by  pages by parent
     * @return list<ResolvedEntry>
     */
    private function filled(Entry $entry, BranchContents $contents, array $by, string $parent, int $level): array
    {
        if ($level > $contents->depth) {
            return [];
        }
        $pages = $by[$parent] ?? [];
        if ($contents->order === BranchOrder::Alphabet) {
            usort($pages, static fn (MenuPage $a, MenuPage $b): int => $contents->order->compare($a->name, $a->position, $b->name, $b->position));
        }
        $resolved = [];
        foreach ($pages as $page) {
            $isClosed = $this->isClosed($page);
            $hidden = match (true) {
                $contents->out !== [] && in_array($page->id, $contents->out, true) => Hidden::LeftOut,
                $isClosed && $entry->closed === Closed::LeftOut => Hidden::Closed,
                default => null,
            };
            $under = $hidden !== null ? [] : $this->filled($entry, $contents, $by, $page->id, $level + 1);
            $resolved[] = new ResolvedEntry(
                $entry->id,
                EntryKind::Branch,
                $page->id,
                $page->name,
                $isClosed && $entry->closed === Closed::Shown ? null : $page->href,
                hidden: $hidden,
                under: $under,
                text: $isClosed ? '' : $page->text,
                picture: $isClosed ? null : $page->picture,
                indexed: $page->indexed,
                isLocked: $isClosed,
            );
        }

        return $resolved;
    }

    /**
     * @param  list<ResolvedEntry>  $entries
     * @return list<ResolvedEntry> without what is hidden, and without separators that part nothing
     */
    private static function onlyShown(array $entries): array
    {
        $shown = [];
        foreach ($entries as $entry) {
            $parts = $entry->kind === EntryKind::Separator;
            if ($entry->hidden === null && ! ($parts && ($shown === [] || end($shown)->kind === EntryKind::Separator))) {
                $under = $entry->under === [] ? [] : self::onlyShown($entry->under);
                $shown[] = $under === $entry->under ? $entry : $entry->over($under);
            }
        }
        if ($shown !== [] && end($shown)->kind === EntryKind::Separator) {
            array_pop($shown);
        }

        return $shown;
    }
}
