<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\Workspace;

/** What becomes of entries made by hand when the pages they lead to move, are retired, or go for good. */
final readonly class MenuConsequences
{
    /** @param  array<string, Page|null>  $outcome */
    public function __construct(private Workspace $workspace, private array $outcome)
    {
    }

    /** Asks about entries of pages that move or are retired, and takes out those of pages that go for good. */
    public function settle(): void
    {
        $about = $gone = [];
        foreach ($this->workspace->touched() as $id) {
            $before = $this->workspace->before($id);
            $after = $this->outcome[$id] ?? null;
            if ($after === null) {
                $gone[$id] = true;
            } elseif ($before !== null && $after->isBinned() && ! $before->isBinned()) {
                $about[(string) $after->bin][] = $id;
            } elseif ($before !== null && ! $after->isBinned() && ! $before->isBinned() && $before->parent !== $after->parent) {
                $about[$id][] = $id;
            }
        }
        foreach ($about as $root => $pages) {
            $this->ask($this->workspace->known((string) $root), array_fill_keys($pages, true));
        }
        if ($gone !== []) {
            $this->forget($gone);
        }
    }

    /** @param  array<string, true>  $pages */
    private function ask(Page $root, array $pages): void
    {
        $entries = [];
        foreach ($this->workspace->menus->after() as $menu) {
            foreach ($menu->entries as $entry) {
                if ($entry->kind === EntryKind::Page && isset($pages[(string) $entry->page()])) {
                    $entries[] = [$menu->id, $entry->id];
                }
            }
        }
        if ($entries === []) {
            return;
        }
        $decided = $this->workspace->ask(QuestionKind::MenuEntries, $root, count($entries), QuestionKind::MenuEntries->answers(), Answer::Leave, matters: false);
        foreach ($decided?->answer === Answer::Remove ? $entries : [] as [$menu, $entry]) {
            $kept = $this->workspace->menus->find($menu);
            if ($kept !== null) {
                $this->workspace->menus->put($kept->without($entry));
            }
        }
    }

    /** @param  array<string, true>  $pages */
    private function forget(array $pages): void
    {
        foreach ($this->workspace->menus->after() as $menu) {
            $kept = $menu->withoutPages($pages);
            if ($kept !== $menu) {
                $this->workspace->menus->put($kept);
            }
        }
    }
}
