<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Access\Reason;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\RightsOfPerson;

/** Refuses what somebody has no right to, in words that say which right it takes. */
final class NeededRights
{
    public function __construct(private readonly RightsOfPerson $rights, private readonly PlacesOfRipple $places)
    {
    }

    /** @throws BeyondRights */
    public function on(Right $right, string $page, string $what): void
    {
        $this->at($right, $this->places->before($page), $what);
    }

    /** @throws BeyondRights */
    public function inside(Right $right, ?string $parent, string $what): void
    {
        $this->at($right, $this->places->after($parent), $what);
    }

    /** @throws BeyondRights */
    public function onSite(Right $right, string $what): void
    {
        $this->at($right, [], $what);
    }

    /**
     * @param  list<string>  $branches  nearest first
     *
     * @throws BeyondRights
     */
    private function at(Right $right, array $branches, string $what): void
    {
        $verdict = $this->rights->on($right, $branches);
        if (! $verdict->isYes) {
            $why = $verdict->reason === Reason::Line ? 'is denied to you there' : 'nothing gives you there';
            throw new BeyondRights("$what: this takes the right “{$right->label()}”, which $why. Ask an owner of the site.");
        }
    }
}
