<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Gives a role another name. */
final readonly class RenameRole implements RequestedChange
{
    use HasShape;

    /** @param  string  $role  its key */
    public function __construct(public string $role, public string $name)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('rename-role', Subject::Whole, Field::text('role', 'key of the role'), Field::text('name'));
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->text('role'), $input->text('name'));
    }

    public function on(Workspace $workspace): void
    {
        $renamed = $workspace->access()->withRoleNamed($this->role, $this->name);
        if ($renamed->roles[$this->role]->name === $workspace->access()->roles[$this->role]->name) {
            throw new NothingToChange('name', 'The role has this name already.');
        }
        $workspace->setAccess($renamed);
    }

    public function pagesNamed(): array
    {
        return [];
    }

    public function sentence(Outcome $outcome): string
    {
        return "Renamed the role {$outcome->formerRole($this->role)} to {$outcome->role($this->role)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'rename-role', 'role' => $this->role, 'name' => $this->name];
    }
}
