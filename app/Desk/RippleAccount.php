<?php

declare(strict_types=1);

namespace App\Desk;

use Heronstem\Core\Structure\DrawnLine;
use Heronstem\Core\Structure\Note;
use Heronstem\Core\Structure\Ripple;

/** A ripple as people read it and the history keeps it: counts, first rows of each group, notes, the drawing. */
final class RippleAccount
{
    /** First rows of a group; the complete lists are read in pieces. */
    public const EXAMPLES = 50;

    /** @return array{counts: array<string, int>, lists: array<string, list<array<string, string|null>>>, notes: list<array<string, string|null>>, drawing: array<string, list<array<string, mixed>>>} */
    public static function of(Ripple $ripple): array
    {
        $counts = $lists = [];
        foreach (RippleGroup::cases() as $group) {
            $counts[$group->value] = RippleRows::count($ripple, $group);
            $lists[$group->value] = $counts[$group->value] === 0 ? [] : array_slice(RippleRows::of($ripple, $group), 0, self::EXAMPLES);
        }

        return [
            'counts' => [...$counts, 'linksFollow' => $ripple->linksFollow, 'linksBreak' => $ripple->linksBreak, 'sitemap' => $ripple->sitemapEntries],
            'lists' => $lists,
            'notes' => array_map(static fn (Note $note): array => ['kind' => $note->kind->value, 'page' => $note->page, 'name' => $note->name, 'other' => $note->other], array_slice($ripple->notes, 0, self::EXAMPLES)),
            'drawing' => ['before' => array_map(self::line(...), $ripple->drawing->before), 'after' => array_map(self::line(...), $ripple->drawing->after)],
        ];
    }

    /** @return array<string, mixed> */
    private static function line(DrawnLine $line): array
    {
        return ['page' => $line->page, 'name' => $line->name, 'level' => $line->level, 'mark' => $line->mark?->value, 'leftOut' => $line->leftOut];
    }
}
