<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Access\AccessDifference;
use Heronstem\Core\Access\Line;
use Heronstem\Core\Access\Person;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\SiteAccess;
use Heronstem\Core\Access\Who;
use Heronstem\Core\Ripple\AccessEffect;
use Heronstem\Core\Ripple\AccessEffects;
use Heronstem\Core\Workspace\Workspace;

/** Who may do what from now on, and no longer, where a batch is about rights, roles or people. */
final class AccessChanges
{
    public static function of(Workspace $workspace): AccessEffects
    {
        [$before, $after] = [$workspace->accessBefore(), $workspace->accessNow()];
        $difference = $before === null || $after === null ? null : AccessDifference::between($before, $after);
        if ($before === null || $after === null || $difference === null) {
            return new AccessEffects();
        }
        $effects = [];
        foreach (self::concerned($difference, $before, $after) as $id => $person) {
            array_push($effects, ...self::ofPerson($person, self::lines($difference, (string) $id, $before, $after), $before, $after, $workspace));
        }

        return new AccessEffects($difference, $effects, $before, $after);
    }

    /** @return array<string, Person> people whose roles or lines are others than before */
    private static function concerned(AccessDifference $difference, SiteAccess $before, SiteAccess $after): array
    {
        $known = $after->people + $before->people;
        $concerned = array_intersect_key($known, $difference->people());
        foreach ($difference->lines() as ['line' => $line]) {
            $concerned += array_filter($known, static fn (Person $person): bool => $person->has($line->who));
        }

        return $concerned;
    }

    /** @return list<Line> those that may speak otherwise of the person than before */
    private static function lines(AccessDifference $difference, string $id, SiteAccess $before, SiteAccess $after): array
    {
        $lines = array_column($difference->lines(), 'line');
        [$was, $is] = $difference->people()[$id] ?? [[], []];
        foreach ([...array_diff($was, $is), ...array_diff($is, $was)] as $role) {
            array_push($lines, ...array_values($before->linesOf(Who::role($role))), ...array_values($after->linesOf(Who::role($role))));
        }

        return $lines;
    }

    /**
     * @param  list<Line>  $lines
     * @return list<AccessEffect>
     */
    private static function ofPerson(Person $person, array $lines, SiteAccess $before, SiteAccess $after, Workspace $workspace): array
    {
        [$had, $has] = [$before->rightsOf($person->id), $after->rightsOf($person->id)];
        $branches = array_map(static fn (Line $line): ?string => $line->branch, $lines);
        if ($had->isOwner() !== $has->isOwner()) {
            array_push($branches, ...$had->branches(), ...$has->branches());
        }
        $effects = [];
        foreach (array_unique([null, ...$branches]) as $branch) {
            $page = $branch === null ? null : $workspace->pages->find($branch);
            if ($branch !== null && $page === null) {
                continue;
            }
            $around = $page === null ? [] : [$page->id, ...array_column($workspace->pages->ancestors($page), 'id')];
            foreach (Right::cases() as $right) {
                $may = $has->may($right, $around);
                // What holds for the whole site is told there, and not once more for every branch.
                $isToldAbove = $branch !== null && $may === $has->may($right) && $had->may($right, $around) === $had->may($right);
                if ($may !== $had->may($right, $around) && ! $isToldAbove) {
                    $effects[] = new AccessEffect($person->id, $person->name, $right, $branch, $page->name ?? '', $may);
                }
            }
        }

        return $effects;
    }
}
