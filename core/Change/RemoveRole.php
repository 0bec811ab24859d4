<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Removes a role that nobody has, with what is said of its rights. */
final readonly class RemoveRole implements RequestedChange
{
    use HasShape;

    /** @param  string  $role  its key */
    public function __construct(public string $role)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('remove-role', Subject::Whole, Field::text('role', 'key of the role'));
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->text('role'));
    }

    public function on(Workspace $workspace): void
    {
        $workspace->setAccess($workspace->access()->withoutRole($this->role));
    }

    public function pagesNamed(): array
    {
        return [];
    }

    public function sentence(Outcome $outcome): string
    {
        return "Removed the role {$outcome->formerRole($this->role)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'remove-role', 'role' => $this->role];
    }
}
