<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

/** Notices what is allowed yet surprising in the outcome of a batch. */
final class Notes
{
    /**
     * @param  array<string, Page|null>  $outcome
     * @return list<Note>
     */
    public static function on(array $outcome, Workspace $workspace): array
    {
        $notes = [];
        foreach ($workspace->touched() as $id) {
            $page = $outcome[$id] ?? null;
            if ($page === null) {
                continue;
            }
            $before = $workspace->before($id);
            if ($id === $workspace->site->startPage && ! $page->isLive() && $before?->isLive() === true) {
                $notes[] = new Note(NoteKind::StartPageHidden, $id, $page->name);
            }
            $cameHere = $before === null || $before->parent !== $page->parent || $before->state !== $page->state;
            $hidden = $page->isLive() && $cameHere ? self::hiddenAbove($page, $workspace) : null;
            if ($hidden !== null) {
                $notes[] = new Note(NoteKind::LiveUnderHidden, $id, $page->name, $hidden->name);
            }
        }

        return $notes;
    }

    private static function hiddenAbove(Page $page, Workspace $workspace): ?Page
    {
        foreach ($workspace->ancestors($page) as $above) {
            if (! $above->isLive()) {
                return $above;
            }
        }

        return null;
    }
}
