<?php

declare(strict_types=1);

namespace App\Desk\Accounts;

use App\Desk\UnderWay\SiteLock;
use App\Models\Membership;
use App\Models\Role;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\Role as CoreRole;
use Heronstem\Core\Access\Who;
use Heronstem\Core\InputRefused;
use Illuminate\Database\Connection;

/** Lets somebody who works on a site in no longer, and again; says which roles need a second step. */
final readonly class LetPeopleIn
{
    public function __construct(private Connection $db, private SecurityLog $log, private Sessions $sessions, private SiteLock $lock)
    {
    }

    /**
     * From now on, everywhere: what is asked of their rights is asked anew with every request. Where they work on no other site,
     * sessions and tokens end as well.
     */
    public function disable(Site $site, User $by, string $person): void
    {
        $this->db->transaction(function () use ($site, $by, $person): void {
            // As changes of roles are: of two owners who shut each other out in one moment, one stays.
            $this->lock->take($site, true);
            $membership = $this->membership($site, $person);
            $user = $membership->user;
            if ($user->id === $by->id) {
                throw new InputRefused('person', 'You cannot disable yourself. Ask another owner.');
            }
            $own = $this->membership($site, $by->ulid);
            if ($this->isOwner($membership) && ! ($this->isOwner($own) && $own->disabled_at === null)) {
                throw new InputRefused('person', 'Only an owner disables an owner.');
            }
            $membership->forceFill(['disabled_at' => $membership->disabled_at ?? now()])->save();
            $this->log->note(Happened::Disabled, $by, site: $site, detail: $user->name);
            if (! Membership::query()->where('user_id', $user->id)->whereNull('disabled_at')->exists()) {
                $this->sessions->endAll($user);
                $user->tokens()->delete();
            }
        });
    }

    public function enable(Site $site, User $by, string $person): void
    {
        $membership = $this->membership($site, $person);
        $membership->forceFill(['disabled_at' => null])->save();
        $this->log->note(Happened::Enabled, $by, site: $site, detail: $membership->user->name);
    }

    public function needSecondStep(Site $site, User $by, string $role, bool $isNeeded): void
    {
        $found = Role::query()->where('site_id', $site->id)->where('key', $role)->firstOrFail();
        $found->forceFill(['needs_second_step' => $isNeeded])->save();
        $this->log->note(Happened::RightsChanged, $by, site: $site, detail: "{$found->name}: second step ".($isNeeded ? 'needed' : 'not needed'));
    }

    /** @throws InputRefused when nobody here is that */
    public function nameOf(Site $site, Who $who): string
    {
        $name = $who->isRole
            ? Role::query()->where('site_id', $site->id)->where('key', $who->id)->value('name')
            : Membership::query()
                ->where('site_id', $site->id)
                ->whereHas('user', static fn ($user) => $user->where('ulid', $who->id))
                ->with('user')
                ->first()?->user->name;

        return is_string($name) ? $name : throw new InputRefused('who', 'There is no such role or person on this site.');
    }

    private function membership(Site $site, string $person): Membership
    {
        return Membership::query()
            ->where('site_id', $site->id)
            ->whereHas('user', static fn ($user) => $user->where('ulid', $person))
            ->with(['user', 'roles'])
            ->firstOrFail();
    }

    private function isOwner(Membership $membership): bool
    {
        return $membership->roles->contains(static fn (Role $role): bool => $role->key === CoreRole::OWNER);
    }
}
