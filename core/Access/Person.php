<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

/** Somebody among the people of a site. */
final readonly class Person
{
    /**
     * @param  list<string>  $roles  keys
     * @param  bool  $isDisabled  let in no longer, with the roles that they had
     */
    public function __construct(public string $id, public string $name, public array $roles, public bool $isDisabled = false)
    {
    }

    /** @param  list<string>  $roles  keys */
    public function withRoles(array $roles): self
    {
        return new self($this->id, $this->name, $roles, $this->isDisabled);
    }

    public function isOwner(): bool
    {
        return in_array(Role::OWNER, $this->roles, true);
    }

    public function has(Who $who): bool
    {
        return $who->isRole ? in_array($who->id, $this->roles, true) : $who->id === $this->id;
    }
}
