<?php

declare(strict_types=1);

namespace App\Desk;

use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Access\Marks;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\RightsOfPerson;
use Heronstem\Core\Planning\WithinRights;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Workspace\Authority;

/** How far somebody's word reaches on a site while a change is planned. */
final readonly class Rights
{
    /** What ways out of a conflict may do. */
    private const OF_WAYS = [Right::Write, Right::Structure, Right::Publish, Right::Retire, Right::Menus, Right::Addresses];

    private function __construct(public Authority $authority, private RightsOfPerson $rights, private ?Marks $marks)
    {
    }

    /** Everything that the rules of the structure let this authority do: for what the installation itself does. */
    public static function of(Authority $authority): self
    {
        return new self($authority, RightsOfPerson::all(), null);
    }

    public static function ofPerson(RightsOfPerson $rights, Marks $marks): self
    {
        return new self($rights->isOwner() ? Authority::Owner : Authority::Manager, $rights, $marks);
    }

    /** Whether code of pages is copied along for them: whether they may write it where the copy stands is looked at in the ripple. */
    public function writesCode(): bool
    {
        return $this->marks === null ? $this->authority === Authority::Owner : $this->rights->maySomewhere(Right::Code);
    }

    /** Whether some ways out are not theirs, so that what would follow has to be looked at. */
    public function areNarrow(): bool
    {
        foreach (self::OF_WAYS as $right) {
            if (! $this->rights->mayEverywhere($right)) {
                return true;
            }
        }

        return false;
    }

    /** @throws BeyondRights when something of what a batch would do is not theirs to do */
    public function guard(Ripple $ripple): void
    {
        if ($this->marks !== null) {
            (new WithinRights($this->rights, $this->marks))->guard($ripple);
        }
    }
}
