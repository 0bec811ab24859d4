<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Workspace;

/** Sets the roles of somebody among the people of the site; none takes them off the site. */
final readonly class SetRoles implements RequestedChange
{
    use HasShape;

    /** @param  list<string>  $roles  keys */
    public function __construct(public string $person, public array $roles)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'set-roles',
            Subject::Whole,
            Field::text('person', 'identity'),
            Field::list('roles', ['type' => 'string', 'description' => 'key of a role; none takes the person off the site']),
        );
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->text('person'), $input->texts('roles'));
    }

    public function on(Workspace $workspace): void
    {
        $access = $workspace->access();
        $had = ($access->people[$this->person] ?? null)?->roles;
        $name = $had === null ? $workspace->site->access?->nameOf($this->person) : '';
        if ($name === null) {
            throw new InputRefused('person', 'Nobody has this identity. Invite them by mail first.');
        }
        $changed = $access->withPerson($this->person, $this->roles, $name);
        if ((($changed->people[$this->person] ?? null)->roles ?? []) === ($had ?? [])) {
            throw new NothingToChange('roles', 'They have these roles already.');
        }
        $workspace->setAccess($changed);
    }

    public function pagesNamed(): array
    {
        return [];
    }

    public function sentence(Outcome $outcome): string
    {
        $roles = implode(', ', array_map($outcome->role(...), $this->roles));

        return $this->roles === []
            ? "Removed {$outcome->person($this->person)} from the site"
            : "Set the roles of {$outcome->person($this->person)}: $roles";
    }

    public function toArray(): array
    {
        return ['kind' => 'set-roles', 'person' => $this->person, 'roles' => $this->roles];
    }
}
