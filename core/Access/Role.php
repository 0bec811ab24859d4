<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

/** What several people have in common on a site. */
final readonly class Role
{
    /** Whoever has it may do everything, whatever lines say. */
    public const OWNER = 'owner';

    public const MANAGER = 'manager';

    public const WRITER = 'writer';

    public const READER = 'reader';

    /** Characters of a name. */
    public const MAX_NAME = 60;

    /** @param  string  $key  one of the ready-made ones above, or a ULID */
    public function __construct(public string $key, public string $name)
    {
    }

    public function isOwner(): bool
    {
        return $this->key === self::OWNER;
    }

    /** @return list<self> those that every site begins with */
    public static function readyMade(): array
    {
        return [
            new self(self::OWNER, 'Owner'),
            new self(self::MANAGER, 'Manager'),
            new self(self::WRITER, 'Writer'),
            new self(self::READER, 'Reader'),
        ];
    }

    /** @return list<Line> what the ready-made ones may do on a site until somebody says otherwise */
    public static function readyMadeLines(): array
    {
        $may = [
            self::MANAGER => array_filter(Right::cases(), static fn (Right $right): bool => ! in_array($right, [Right::Code, Right::People], true)),
            self::WRITER => [Right::See, Right::Write, Right::Structure, Right::Fields],
            self::READER => [Right::See],
        ];
        $lines = [];
        foreach ($may as $role => $rights) {
            foreach ($rights as $right) {
                $lines[] = new Line(Who::role($role), null, $right, Says::Allow);
            }
        }

        return $lines;
    }
}
