<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/** Who works on a site, in which roles, and what is said of their rights. Values: every change gives another one. */
final readonly class SiteAccess
{
    /** Roles of a site. */
    private const MOST_ROLES = 100;

    /** Lines of a site. */
    private const MOST_LINES = 10_000;

    /**
     * @param  array<string, Role>  $roles  by key
     * @param  array<string, Person>  $people  by identity
     * @param  array<string, Line>  $lines  by their keys
     */
    public function __construct(public array $roles = [], public array $people = [], public array $lines = [])
    {
    }

    /** As a site begins: with the ready-made roles, and nobody in them. */
    public static function begun(): self
    {
        return new self(array_column(Role::readyMade(), null, 'key'), [], self::keyed(Role::readyMadeLines()));
    }

    public function rightsOf(string $person): RightsOfPerson
    {
        return isset($this->people[$person]) ? RightsOfPerson::of($this->people[$person], $this->lines) : RightsOfPerson::none();
    }

    /** @throws InputRefused when there is no such role or person, it is one of the owner's, or the branch makes no sense for the right */
    public function says(Who $who, ?string $branch, Right $right, ?Says $says, string $field): self
    {
        if ($who->isRole ? ! isset($this->roles[$who->id]) : ! isset($this->people[$who->id])) {
            throw new InputRefused("$field.who", $who->isRole ? 'There is no such role on this site.' : 'There is no such person on this site.');
        }
        if ($who->isRole && $who->id === Role::OWNER) {
            throw new InputRefused("$field.who", 'Owners may do everything, so that nobody is locked out. Take the role from somebody instead.');
        }
        if ($branch !== null && $right->isOfSite()) {
            throw new InputRefused("$field.branch", "The right “{$right->label()}” is held for a whole site: leave the branch out.");
        }
        $lines = $this->lines;
        $key = Line::keyOf($who, $branch, $right);
        unset($lines[$key]);
        if ($says !== null) {
            $lines[$key] = new Line($who, $branch, $right, $says);
        }
        if (count($lines) > self::MOST_LINES) {
            throw new InputRefused(
                $field,
                sprintf('A site has at most %d lines of rights. Say it of a role rather than of each person.', self::MOST_LINES),
            );
        }

        return new self($this->roles, $this->people, $lines);
    }

    /**
     * @param  string|null  $like  key of the role whose lines it begins with
     *
     * @throws InputRefused
     */
    public function withRole(string $key, string $name, ?string $like = null): self
    {
        if (isset($this->roles[$key])) {
            throw new InputRefused('role', 'There is a role with this identity already.');
        }
        if (count($this->roles) >= self::MOST_ROLES) {
            throw new InputRefused('role', sprintf('A site has at most %d roles.', self::MOST_ROLES));
        }
        if ($like !== null && ! isset($this->roles[$like])) {
            throw new InputRefused('like', 'There is no such role on this site.');
        }
        if ($like === Role::OWNER) {
            throw new InputRefused(
                'like',
                'What owners may do is not written in lines, so it cannot be copied. Copy another role, or begin with none.',
            );
        }
        $made = new self([...$this->roles, $key => new Role($key, $this->named($name, $key))], $this->people, $this->lines);
        $lines = $made->lines;
        foreach ($like === null ? [] : $this->linesOf(Who::role($like)) as $line) {
            $copy = new Line(Who::role($key), $line->branch, $line->right, $line->says);
            $lines[$copy->key()] = $copy;
        }

        return new self($made->roles, $made->people, $lines);
    }

    /** @throws InputRefused */
    public function withRoleNamed(string $key, string $name): self
    {
        $this->guardRole($key, 'role');

        return new self([...$this->roles, $key => new Role($key, $this->named($name, $key))], $this->people, $this->lines);
    }

    /** @throws InputRefused while somebody has it */
    public function withoutRole(string $key): self
    {
        $role = $this->guardRole($key, 'role');
        if ($role->isOwner()) {
            throw new InputRefused('role', 'A site always has the role of owners.');
        }
        $having = array_filter($this->people, static fn (Person $person): bool => $person->has(Who::role($key)));
        if ($having !== []) {
            $names =
                implode(', ', array_slice(array_column($having, 'name'), 0, 3)).
                (count($having) > 3 ? ' and '.(count($having) - 3).' more' : '');
            throw new InputRefused('role', "$names ".(count($having) === 1 ? 'has' : 'have').' this role. Give them another one first.');
        }
        $roles = $this->roles;
        unset($roles[$key]);

        return new self($roles, $this->people, array_diff_key($this->lines, $this->linesOf(Who::role($key))));
    }

    /**
     * @param  list<string>  $roles  keys; none takes the person off the site, with the lines of their own
     * @param  string  $name  of somebody who was not among the people yet
     *
     * @throws InputRefused when the site would be left without an owner
     */
    public function withPerson(string $id, array $roles, string $name = ''): self
    {
        foreach ($roles as $i => $key) {
            $this->guardRole($key, "roles.$i");
        }
        $people = $this->people;
        $lines = $this->lines;
        if ($roles === []) {
            unset($people[$id]);
            $lines = array_diff_key($lines, $this->linesOf(Who::person($id)));
        } else {
            $people[$id] = ($this->people[$id] ?? new Person($id, $name, []))->withRoles(array_values(array_unique($roles)));
        }
        $changed = new self($this->roles, $people, $lines);
        if ($this->owners() !== [] && $changed->owners() === []) {
            throw new InputRefused('roles', 'This is the last owner of the site who can sign in. Make somebody else an owner first.');
        }

        return $changed;
    }

    /** @return list<Person> those who are let in: a disabled one answers for nothing */
    public function owners(): array
    {
        return array_values(array_filter($this->people, static fn (Person $person): bool => $person->isOwner() && ! $person->isDisabled));
    }

    /** @return array<string, int> the branches of which something is said, of one or of anybody, with how many lines */
    public function branches(?Who $who = null): array
    {
        $lines = $who === null ? $this->lines : $this->linesOf($who);

        return array_count_values(array_filter(array_map(static fn (Line $line): ?string => $line->branch, $lines)));
    }

    /** @return array<string, Line> by their keys */
    public function linesOf(Who $who): array
    {
        return array_filter($this->lines, static fn (Line $line): bool => $line->who->toText() === $who->toText());
    }

    /** @param  iterable<Line>  $lines
     * @return array<string, Line>
     */
    public static function keyed(iterable $lines): array
    {
        $keyed = [];
        foreach ($lines as $line) {
            $keyed[$line->key()] = $line;
        }

        return $keyed;
    }

    private function guardRole(string $key, string $field): Role
    {
        return $this->roles[$key] ?? throw new InputRefused($field, 'There is no such role on this site.');
    }

    private function named(string $typed, string $of): string
    {
        $name = OneLine::typed($typed);
        if ($name === '' || mb_strlen($name) > Role::MAX_NAME) {
            throw new InputRefused('name', sprintf('A role has a name of at most %d characters.', Role::MAX_NAME));
        }
        foreach ($this->roles as $key => $role) {
            if ((string) $key !== $of && mb_strtolower($role->name) === mb_strtolower($name)) {
                throw new InputRefused('name', "There is a role “{$role->name}” already. Choose another name.");
            }
        }

        return $name;
    }
}
