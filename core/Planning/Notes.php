<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Redirect\RuleScope;
use Heronstem\Core\Ripple\MenuEffect;
use Heronstem\Core\Ripple\MenuEffectKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PersonRole;
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\Workspace;

/** Notices what is allowed yet surprising in the outcome of a batch. */
final readonly class Notes
{
    public function __construct(private PagesAfter $outcome, private Workspace $workspace)
    {
    }

    /**
     * @param  list<MenuEffect>  $menu
     * @return list<Note>
     */
    public function all(array $menu): array
    {
        $notes = $this->retired();
        foreach ($this->workspace->pages->touched() as $id) {
            $page = $this->outcome->find($id);
            if ($page !== null && ! $page->isBinned()) {
                array_push($notes, ...$this->onPage($page, $this->workspace->pages->before($id)));
            }
        }

        return [...$notes, ...$this->emptySections(), ...$this->leaving($menu), ...$this->redirects(), ...$this->start(), ...$this->going()];
    }

    /** @return list<Note> pages that a redirect answers before, and pages that redirects lead to and visitors no longer get */
    private function redirects(): array
    {
        $notes = $broken = [];
        foreach ($this->workspace->redirects->touched() as [, $rule]) {
            $claim =
                $rule?->inFront === true && $rule->isOn && $rule->scope !== RuleScope::Pattern
                    ? $this->workspace->ledger->claimsOn([Address::stored($rule->source, $this->workspace->rules())])[$rule->key] ?? null
                    : null;
            $page = $claim?->page === null ? null : $this->workspace->pages->find($claim->page);
            if ($page?->isLive() === true && $rule !== null) {
                $notes[] = new Note(NoteKind::RedirectHides, $page->id, $page->name, $rule->source);
            }
        }
        $hidden = array_values(
            array_filter(
                $this->workspace->pages->touched(),
                fn (string $id): bool => $this->workspace->pages->before($id)?->isLive() === true && $this->outcome->find($id)?->isLive() !== true,
            ),
        );
        foreach ($this->workspace->redirects->leadingTo(...$hidden) as $rule) {
            $broken[(string) $rule->target?->value] = ($broken[(string) $rule->target?->value] ?? 0) + 1;
        }
        foreach ($broken as $id => $count) {
            $notes[] = new Note(NoteKind::RedirectsBreak, (string) $id, $this->workspace->pages->before((string) $id)->name ?? '', (string) $count);
        }

        return $notes;
    }

    /** @return list<string> what those fields are called that have no place in the page's new layout, or at its new place */
    private function keptFields(Page $page, Page $before): array
    {
        $was = $before->working()->fields->values;
        if ($before->layout !== $page->layout) {
            $gone = array_diff_key($was, $page->working()->fields->values);

            return self::titles($this->layoutBefore($before), array_keys($gone));
        }
        $layout = $before->parent === $page->parent ? null : $this->workspace->layout($page);
        if ($layout?->fieldsFrom === null) {
            return [];
        }
        $then = $this->layoutBefore($before);
        $gone = array_filter(
            array_keys($was),
            static fn (string|int $key): bool => $then->field((string) $key) !== null && ! $layout->takes((string) $key, $was[$key]),
        );

        return self::titles($then, $gone);
    }

    private function layoutBefore(Page $before): Layout
    {
        return $this->workspace->site->layouts->at($before->layout, $this->workspace->pages->ancestorsBefore($before));
    }

    /**
     * @param  array<int|string>  $keys
     * @return list<string>
     */
    private static function titles(Layout $layout, array $keys): array
    {
        return array_values(array_map(static fn (string|int $key): string => $layout->field((string) $key)->title ?? (string) $key, $keys));
    }

    /** @return list<Note> where the start page changes, what its layout shows from now on */
    private function start(): array
    {
        $page =
            $this->workspace->startPage() === null || $this->workspace->startPage() === $this->workspace->site->startPage
                ? null
                : $this->workspace->pages->find($this->workspace->startPage());

        return $page !== null && $page->layout === 'section' && $this->workspace->pages->childOrder($page->id) !== []
            ? [new Note(NoteKind::StartShowsOthers, $page->id, $page->name)]
            : [];
    }

    /** @return list<Note> what people have on pages that go for good */
    private function going(): array
    {
        $gone = array_values(
            array_filter(
                $this->workspace->pages->touched(),
                fn (string $id): bool => $this->outcome->find($id) === null && $this->workspace->pages->before($id) !== null,
            ),
        );
        $notes = [];
        foreach ($gone === [] ? [] : $this->workspace->pages->peopleAt($gone) as $at) {
            $notes[] = new Note(
                $at->tie === PersonRole::UnsavedContent ? NoteKind::UnsavedContentGoes : NoteKind::BranchGoes,
                $at->page,
                $this->workspace->pages->before($at->page)->name ?? '',
                $at->name,
            );
        }

        return $notes;
    }

    /** @return list<Note> one for each page put in the bin, with how many go along */
    private function retired(): array
    {
        $along = [];
        foreach ($this->workspace->pages->touched() as $id) {
            $page = $this->outcome->find($id);
            if ($page !== null && $page->isBinned() && $this->workspace->pages->before($id)?->isBinned() !== true) {
                $along[(string) $page->bin] = ($along[(string) $page->bin] ?? -1) + 1;
            }
        }
        $notes = [];
        foreach ($along as $root => $count) {
            $notes[] = new Note(NoteKind::Retires, (string) $root, $this->workspace->pages->known((string) $root)->name, (string) $count);
        }

        return $notes;
    }

    /**
     * @param  list<MenuEffect>  $menu
     * @return list<Note>
     */
    private function leaving(array $menu): array
    {
        $notes = [];
        $reachability = new MenuReachability($this->workspace);
        $about = $reachability->pagesOfMenusPlacedOrNot();
        foreach ($menu as $effect) {
            $page = $effect->page === null ? null : $this->outcome->find($effect->page) ?? $this->workspace->pages->find($effect->page);
            if ($page === null || ! $page->isShown()) {
                continue;
            }
            if ($effect->kind === MenuEffectKind::Vanishes) {
                $notes[] = new Note(NoteKind::LeavesMenu, $page->id, $page->name, $effect->menu->name);
            }
            $about[$page->id] = $effect->menu->name;
        }
        foreach ($about as $id => $name) {
            $page = $this->outcome->find($id) ?? $this->workspace->pages->find((string) $id);
            if ($page?->isShown() !== true || $this->workspace->pages->before($page->id)?->isShown() !== true) {
                continue;
            }
            $kind = match ([$reachability->wasInSome($page->id), $reachability->isInSome($page->id)]) {
                [true, false] => NoteKind::InNoMenu,
                [false, true] => NoteKind::MenuReachesAgain,
                default => null,
            };
            if ($kind !== null) {
                $notes[] = new Note($kind, $page->id, $page->name, $kind === NoteKind::MenuReachesAgain ? $name : null);
            }
        }

        return $notes;
    }

    /** @return list<Note> */
    private function onPage(Page $page, ?Page $before): array
    {
        $notes = [];
        $isStart = $this->workspace->isStartPage($page->id);
        if (
            $isStart &&
            (! $page->isLive() || $page->until !== null) &&
            ($before?->isLive() === true && ($before->until === null || ! $page->isLive()))
        ) {
            $notes[] = new Note(NoteKind::StartPageHidden, $page->id, $page->name);
        }
        $kept = $before === null ? [] : $this->keptFields($page, $before);
        if ($kept !== []) {
            $notes[] = new Note(NoteKind::FieldsKept, $page->id, $page->name, implode(', ', $kept));
        }
        $cameHere = $before === null || $before->parent !== $page->parent || $before->state !== $page->state || $before->listed !== $page->listed;
        if ($page->isLive() && $cameHere) {
            array_push($notes, ...$this->hiddenAbove($page));
        }
        if (
            $page->kind === PageKind::Pointer &&
            $page->leadsTo?->kind === TargetKind::Page &&
            $page->isLive() &&
            ($cameHere || $before->leadsTo !== $page->leadsTo)
        ) {
            $target = $this->workspace->pages->find($page->leadsTo->value);
            if ($target === null || ! $target->isLive()) {
                $notes[] = new Note(NoteKind::PointerBroken, $page->id, $page->name, $target?->name);
            }
        }

        return $notes;
    }

    /** @return list<Note> */
    private function hiddenAbove(Page $page): array
    {
        $unlisted = null;
        foreach ($this->workspace->pages->ancestors($page) as $above) {
            if (! $above->isLive()) {
                return [new Note(NoteKind::LiveUnderHidden, $page->id, $page->name, $above->name)];
            }
            $unlisted ??= $above->listed ? null : $above;
        }

        return $unlisted === null || ! $page->listed ? [] : [new Note(NoteKind::NoMenuReaches, $page->id, $page->name, $unlisted->name)];
    }

    /** @return list<Note> live sections that had or should have a live child, and have none */
    private function emptySections(): array
    {
        $sections = [];
        foreach ($this->workspace->pages->touched() as $id) {
            foreach ([$id, $this->workspace->pages->before($id)?->parent, $this->workspace->pages->find($id)?->parent] as $candidate) {
                $page = $candidate === null ? null : $this->workspace->pages->find($candidate);
                if ($page !== null && $page->kind === PageKind::Section && $page->isLive()) {
                    $sections[$page->id] = $page;
                }
            }
        }
        $notes = [];
        foreach ($sections as $section) {
            $children = array_map(strval(...), array_keys($this->workspace->pages->childOrder($section->id)));
            $this->workspace->pages->expect($children);
            $live = array_filter($children, fn (string $child): bool => $this->workspace->pages->find($child)?->isLive() === true);
            if ($live === []) {
                $notes[] = new Note(NoteKind::SectionEmpty, $section->id, $section->name);
            }
        }

        return $notes;
    }
}
