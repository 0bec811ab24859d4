<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

/**
 * What a batch changed of who may do what: roles, people and lines, each with what it was and is. Exact enough to undo from.
 *
 * @phpstan-type Parts array{roles: array<string, array{string|null, string|null}>, people: array<string, array{list<string>, list<string>}>, names: array<string, string>, lines: array<string, array{string|null, string|null}>}
 */
final readonly class AccessDifference
{
    /** @param  Parts  $parts  before and after; of roles their names, of people the keys of their roles, of lines what they say */
    private function __construct(private array $parts)
    {
    }

    /** Null when nothing differs. */
    public static function between(SiteAccess $before, SiteAccess $after): ?self
    {
        $parts = ['roles' => [], 'people' => [], 'names' => [], 'lines' => []];
        foreach ($before->roles + $after->roles as $key => $any) {
            $names = [($before->roles[$key] ?? null)?->name, ($after->roles[$key] ?? null)?->name];
            $parts['roles'] += $names[0] === $names[1] ? [] : [$key => $names];
        }
        foreach ($before->people + $after->people as $id => $any) {
            $roles = [self::rolesOf($before, (string) $id), self::rolesOf($after, (string) $id)];
            if ($roles[0] !== $roles[1]) {
                $parts['people'][$id] = $roles;
                $parts['names'][$id] = $any->name;
            }
        }
        foreach ($before->lines + $after->lines as $key => $any) {
            $says = [($before->lines[$key] ?? null)?->says->value, ($after->lines[$key] ?? null)?->says->value];
            $parts['lines'] += $says[0] === $says[1] ? [] : [$key => $says];
        }

        return $parts['roles'] === [] && $parts['people'] === [] && $parts['lines'] === [] ? null : new self($parts);
    }

    /** @return array<string, array{string|null, string|null}> names of roles before and after, null where there was or is none, by key */
    public function roles(): array
    {
        return $this->parts['roles'];
    }

    /** @return array<string, array{list<string>, list<string>}> roles of people before and after */
    public function people(): array
    {
        return $this->parts['people'];
    }

    /** @return list<array{line: Line, before: Says|null, after: Says|null}> */
    public function lines(): array
    {
        $lines = [];
        foreach ($this->parts['lines'] as $key => [$before, $after]) {
            $lines[] = [
                'line' => self::line($key, (string) ($after ?? $before)),
                'before' => $before === null ? null : Says::from($before),
                'after' => $after === null ? null : Says::from($after),
            ];
        }

        return $lines;
    }

    /**
     * Takes back each part that is still as this left it; what was set anew since stays, and so does the last owner. A line of a
     * role or person that is gone stays away.
     */
    public function undoneOn(SiteAccess $now): SiteAccess
    {
        [$roles, $people] = [$now->roles, $now->people];
        foreach ($this->parts['roles'] as $key => [$before, $after]) {
            if (($now->roles[$key] ?? null)?->name === $after) {
                if ($before === null) {
                    unset($roles[$key]);
                } else {
                    $roles[$key] = new Role($key, $before);
                }
            }
        }
        foreach ($this->parts['people'] as $id => [$before, $after]) {
            if (self::rolesOf($now, (string) $id) === $after) {
                $known = array_values(array_filter($before, static fn (string $key): bool => isset($roles[$key])));
                if ($known === []) {
                    unset($people[$id]);
                } else {
                    $people[$id] = ($people[$id] ?? new Person((string) $id, $this->parts['names'][$id], []))->withRoles($known);
                }
            }
        }
        $inUse = array_merge([], ...array_values(array_map(static fn (Person $person): array => $person->roles, $people)));
        foreach ($inUse as $key) {
            $roles[$key] ??= $now->roles[$key];
        }
        $undone = new SiteAccess($roles, $people, $this->linesUndoneOn($now, $roles, $people));

        return $undone->owners() === [] && $now->owners() !== [] ? new SiteAccess($roles + $now->roles, $now->people, $now->lines) : $undone;
    }

    /** Whether nothing of it was set anew since. */
    public function canBeUndoneOn(SiteAccess $now): bool
    {
        $back = self::between($this->undoneOn($now), $now);

        return $back !== null && $back->parts == $this->parts; // in whatever order
    }

    /** @return Parts */
    public function toArray(): array
    {
        return $this->parts;
    }

    /** @param  Parts|null  $kept */
    public static function fromArray(?array $kept): ?self
    {
        return $kept === null ? null : new self($kept);
    }

    /**
     * @param  array<string, Role>  $roles
     * @param  array<string, Person>  $people
     * @return array<string, Line>
     */
    private function linesUndoneOn(SiteAccess $now, array $roles, array $people): array
    {
        $lines = $now->lines;
        foreach ($this->parts['lines'] as $key => [$before, $after]) {
            if (($now->lines[$key] ?? null)?->says->value === $after) {
                unset($lines[$key]);
                if ($before !== null) {
                    $lines[$key] = self::line($key, $before);
                }
            }
        }

        return array_filter(
            $lines,
            static fn (Line $line): bool => $line->who->isRole ? isset($roles[$line->who->id]) : isset($people[$line->who->id]),
        );
    }

    /** @return list<string> in an order of their own: in which they were given says nothing */
    private static function rolesOf(SiteAccess $access, string $person): array
    {
        $roles = ($access->people[$person] ?? null)->roles ?? [];
        sort($roles);

        return $roles;
    }

    private static function line(string $key, string $says): Line
    {
        [$who, $branch, $right] = explode(' ', $key);

        return new Line(Who::read($who, 'who'), $branch === '*' ? null : $branch, Right::from($right), Says::from($says));
    }
}
