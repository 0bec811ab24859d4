<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Makes a role, with nothing said of its rights, or as much as is said of another one's. */
final readonly class MakeRole implements RequestedChange
{
    use HasShape;

    public function __construct(public string $role, public string $name, public ?string $like = null)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'make-role',
            Subject::Whole,
            Field::identity('role', 'a ULID for the new role'),
            Field::text('name'),
            Field::text('like', 'key of the role whose rights it begins with')->orNull()->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->identity('role'), $input->text('name'), $input->textOrNull('like'));
    }

    public function on(Workspace $workspace): void
    {
        $workspace->setAccess($workspace->access()->withRole($this->role, $this->name, $this->like));
    }

    public function pagesNamed(): array
    {
        return [];
    }

    public function sentence(Outcome $outcome): string
    {
        return "Made the role {$outcome->role($this->role)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'make-role', 'role' => $this->role, 'name' => $this->name, ...$this->like === null ? [] : ['like' => $this->like]];
    }
}
