<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Question;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\Workspace;

/** What becomes of entries made by hand when the pages they lead to move, are retired, or go for good. */
final class MenuConsequences
{
    /**
     * Asks about entries of pages that move or are retired, and takes out those of pages that go for good.
     *
     * @return list<Question>
     */
    public static function settle(Workspace $workspace, PagesAfter $outcome): array
    {
        $about = $gone = [];
        foreach ($workspace->pages->touched() as $id) {
            $before = $workspace->pages->before($id);
            $after = $outcome->find($id);
            if ($after === null) {
                $gone[$id] = true;
            } elseif ($before !== null && $after->isBinned() && ! $before->isBinned()) {
                $about[(string) $after->bin][] = $id;
            } elseif ($before !== null && ! $after->isBinned() && ! $before->isBinned() && $before->parent !== $after->parent) {
                $about[$id][] = $id;
            }
        }
        $questions = [];
        foreach ($about as $root => $pages) {
            $questions[] = self::ask($workspace, $workspace->pages->known((string) $root), array_fill_keys($pages, true));
        }
        if ($gone !== []) {
            self::forget($workspace, $gone);
        }

        return array_values(array_filter($questions));
    }

    /** @param  array<string, true>  $pages */
    private static function ask(Workspace $workspace, Page $root, array $pages): ?Question
    {
        $entries = [];
        foreach ($workspace->menus->after() as $menu) {
            foreach ($menu->entries as $entry) {
                if ($entry->kind === EntryKind::Page && isset($pages[(string) $entry->page()])) {
                    $entries[] = [$menu->id, $entry->id];
                }
            }
        }
        if ($entries === []) {
            return null;
        }
        $asked = Question::of(
            $workspace->decisions,
            QuestionKind::MenuEntries,
            $root,
            count($entries),
            QuestionKind::MenuEntries->answers(),
            Answer::Leave,
            matters: false,
        );
        foreach ($asked->decided?->answer === Answer::Remove ? $entries : [] as [$menu, $entry]) {
            $kept = $workspace->menus->find($menu);
            if ($kept !== null) {
                $workspace->menus->put($kept->without($entry));
            }
        }

        return $asked;
    }

    /** @param  array<string, true>  $pages */
    private static function forget(Workspace $workspace, array $pages): void
    {
        foreach ($workspace->menus->after() as $menu) {
            $kept = $menu->withoutPages($pages);
            if ($kept !== $menu) {
                $workspace->menus->put($kept);
            }
        }
    }
}
