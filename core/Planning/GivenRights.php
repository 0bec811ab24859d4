<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Access\AccessDifference;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Access\Line;
use Heronstem\Core\Access\Marks;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\RightsOfPerson;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Access\Says;
use Heronstem\Core\Access\SiteAccess;
use Heronstem\Core\Access\Who;
use Heronstem\Core\Ripple\AccessEffects;

/**
 * Who looks after people gives and takes away what they have themselves, and nothing else: a line that allows, or the end of one that
 * denies, takes the right that it is about, where it is about it; and nobody gets a right anywhere, by whatever follows from all lines
 * together, that is not held there by whoever gives it. Only owners make owners and unmake them.
 */
final readonly class GivenRights
{
    public function __construct(private RightsOfPerson $rights, private NeededRights $need, private PlacesOfRipple $places, private Marks $marks)
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
                throw new BeyondRights('Only an owner can make somebody an owner or change what an owner may do.');
            }
            $this->guardRoles($access->after, array_values(array_diff($is, $was)), Says::Allow);
            $this->guardRoles($access->before, array_values(array_diff($was, $is)), Says::Deny);
        }
        foreach ($access->settings->lines() as ['line' => $line, 'before' => $before, 'after' => $after]) {
            if ($after === Says::Allow || $before === Says::Deny) {
                $this->guardLine($line);
            }
        }
        $this->guardGains($access->settings, $access->before, $access->after);
    }

    /**
     * What somebody gets is looked at in every branch of which something is said, since between these nothing changes. Cost: those who
     * are concerned, times the branches, times the rights.
     */
    private function guardGains(AccessDifference $settings, SiteAccess $before, SiteAccess $after): void
    {
        $branches = $this->rights->branches();
        foreach ([...array_values($before->lines), ...array_values($after->lines)] as $line) {
            if ($line->branch !== null) {
                $branches[] = $line->branch;
            }
        }
        $branches = array_values(array_unique($branches));
        $places = [[], ...array_values($branches === [] ? [] : $this->marks->around($branches, $branches))];
        $changed = array_column($settings->lines(), 'line');
        foreach ($after->people as $id => $person) {
            $concerns = isset($settings->people()[$id]) || array_filter($changed, static fn (Line $line): bool => $person->has($line->who)) !== [];
            if ($concerns) {
                [$had, $has] = [$before->rightsOf((string) $id), $after->rightsOf((string) $id)];
                foreach ($places as $around) {
                    $this->guardGain($had, $has, $around);
                }
            }
        }
    }

    /** @param  list<string>  $around  branches around a place */
    private function guardGain(RightsOfPerson $had, RightsOfPerson $has, array $around): void
    {
        foreach (Right::cases() as $right) {
            if ($has->may($right, $around) && ! $had->may($right, $around) && ! $this->rights->may($right, $around)) {
                throw $this->beyond($right);
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
            throw $this->beyond($line->right);
        }
    }

    private function beyond(Right $right): BeyondRights
    {
        return new BeyondRights("This gives the right “{$right->label()}” where you do not have it yourself. Ask an owner of the site.");
    }
}
