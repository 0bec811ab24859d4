<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Access\Line;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\RightsOfPerson;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Access\Says;
use Heronstem\Core\Access\SiteAccess;
use Heronstem\Core\Access\Who;
use Heronstem\Core\Ripple\AccessEffects;

/**
 * Who looks after people gives and takes away what they have themselves, and nothing else: a line that allows, or the end of one that
 * denies, takes the right that it is about, where it is about it. Only owners make owners and unmake them.
 */
final readonly class GivenRights
{
    public function __construct(private RightsOfPerson $rights, private NeededRights $need, private PlacesOfRipple $places)
    {
    }

    /** @throws BeyondRights */
    public function guard(AccessEffects $access): void
    {
        $this->need->onSite(Right::People, 'Rights, roles and people');
        if ($access->settings === null || $access->before === null || $access->after === null) {
            return;
        }
        foreach ($access->settings->people() as [$was, $is]) {
            if (in_array(Role::OWNER, $was, true) || in_array(Role::OWNER, $is, true)) {
                throw new BeyondRights('Only an owner makes somebody an owner, and only an owner changes what an owner is.');
            }
            $this->guardRoles($access->after, array_values(array_diff($is, $was)), Says::Allow);
            $this->guardRoles($access->before, array_values(array_diff($was, $is)), Says::Deny);
        }
        foreach ($access->settings->lines() as ['line' => $line, 'before' => $before, 'after' => $after]) {
            if ($after === Says::Allow || $before === Says::Deny) {
                $this->guardLine($line);
            }
        }
    }

    /** @param  list<string>  $roles */
    private function guardRoles(SiteAccess $access, array $roles, Says $says): void
    {
        foreach ($roles as $role) {
            foreach ($access->linesOf(Who::role($role)) as $line) {
                if ($line->says === $says) {
                    $this->guardLine($line);
                }
            }
        }
    }

    private function guardLine(Line $line): void
    {
        if (! $this->rights->may($line->right, $line->branch === null ? [] : $this->places->before($line->branch))) {
            throw new BeyondRights("This gives the right “{$line->right->label()}” where you do not have it yourself. Ask an owner of the site.");
        }
    }
}
