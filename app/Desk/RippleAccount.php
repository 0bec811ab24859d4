<?php

declare(strict_types=1);

namespace App\Desk;

use Heronstem\Core\Decision\Note;
use Heronstem\Core\Ripple\DrawnLine;
use Heronstem\Core\Ripple\Ripple;

/**
 * A ripple as people read it and the history keeps it: counts, first rows of each group, notes, the drawing.
 *
 * @phpstan-import-type Row from RippleRows
 *
 * @phpstan-type Account array{counts: array<string, int>, lists: array<string, list<Row>>, notes: list<array<string, string|null>>, drawing: array<string, list<array<string, mixed>>>}
 */
final class RippleAccount
{
    /** First rows of a group; the complete lists are read in pieces. */
    public const EXAMPLES = 50;

    /**
     * First rows only, of an account that was kept.
     *
     * @param  Account|null  $account
     * @return Account|null
     */
    public static function shown(?array $account): ?array
    {
        return $account === null
            ? null
            : [...$account, 'lists' => array_map(static fn (array $list): array => array_slice($list, 0, self::EXAMPLES), $account['lists'])];
    }

    /** @return Account */
    public static function of(Ripple $ripple): array
    {
        $counts = $lists = [];
        foreach (RippleGroup::cases() as $group) {
            $counts[$group->value] = RippleRows::count($ripple, $group);
            $lists[$group->value] = RippleRows::of($ripple, $group)->some(self::EXAMPLES);
        }

        return [
            'counts' => [
                ...$counts,
                'linksFollow' => $ripple->menusAndLinks->linksFollow,
                'linksBreak' => $ripple->menusAndLinks->linksBreak,
                'linksClosed' => $ripple->menusAndLinks->linksClosed,
                'sitemap' => $ripple->search->sitemapEntries,
            ],
            'lists' => $lists,
            'notes' => array_map(
                static fn (Note $note): array => ['kind' => $note->kind->value, 'page' => $note->page, 'name' => $note->name, 'other' => $note->other],
                array_slice($ripple->toDecide->notes, 0, self::EXAMPLES),
            ),
            'drawing' => [
                'before' => array_map(self::line(...), $ripple->drawing->before),
                'after' => array_map(self::line(...), $ripple->drawing->after),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function line(DrawnLine $line): array
    {
        return ['page' => $line->page, 'name' => $line->name, 'level' => $line->level, 'mark' => $line->mark?->value, 'leftOut' => $line->leftOut];
    }
}
