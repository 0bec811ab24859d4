<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

use Heronstem\Core\InputRefused;

/** Of whom a line speaks: all who have a role, or one person. Written `role:KEY` or `person:ULID`. */
final readonly class Who
{
    private function __construct(public bool $isRole, public string $id)
    {
    }

    public static function role(string $key): self
    {
        return new self(true, $key);
    }

    public static function person(string $id): self
    {
        return new self(false, $id);
    }

    /** @throws InputRefused naming the field */
    public static function read(mixed $given, string $field): self
    {
        if (is_string($given) && preg_match('/^(role|person):([0-9A-Za-z-]{1,40})$/D', $given, $found) === 1) {
            return new self($found[1] === 'role', $found[2]);
        }
        throw new InputRefused($field, 'Say of whom: role: and the key of a role, or person: and the identity of a person.', 'role:writer');
    }

    public function toText(): string
    {
        return ($this->isRole ? 'role:' : 'person:').$this->id;
    }
}
