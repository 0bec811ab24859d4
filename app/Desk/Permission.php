<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Membership;
use App\Models\Page;
use App\Models\Role;
use App\Models\Site;
use App\Models\User;
use App\Store\StoredBranch;
use Heronstem\Core\Access\Preparing;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Database\ConnectionInterface;

/** Who may do what on a site. Owners and managers: all; writers: content and drafts of their branch; readers look. */
final readonly class Permission
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @throws AuthorizationException */
    public function toSee(User $user, Site $site): Membership
    {
        return $user->membershipOf($site) ?? throw new AuthorizationException('You are not among the people of this site. Ask its owner to add you.');
    }

    /** @throws AuthorizationException */
    public function toWrite(User $user, Site $site, ?Page $page): void
    {
        $membership = $this->toSee($user, $site);
        if (! $membership->role->writes()) {
            throw new AuthorizationException('You can look at this site, not change it. Ask its owner for another role.');
        }
        if ($page !== null && ! $this->inBranch($membership, $page->path)) {
            throw new AuthorizationException("You write in another branch; “{$page->name}” lies outside it.");
        }
    }

    /** @throws AuthorizationException */
    public function toManage(User $user, Site $site): void
    {
        if (! $this->toSee($user, $site)->role->manages()) {
            throw new AuthorizationException('Only managers and the owner of the site do this. Ask one of them.');
        }
    }

    /**
     * What somebody who writes may make happen: asked of the ripple, whatever brings it about.
     *
     * @throws AuthorizationException when they only look
     */
    public function rights(User $user, Site $site): Rights
    {
        $this->toWrite($user, $site, null);
        $membership = $this->toSee($user, $site);

        return match (true) {
            $membership->role === Role::Owner => Rights::of(Authority::Owner),
            $membership->role->manages() => Rights::of(Authority::Manager),
            default => Rights::toPrepare(new Preparing(new StoredBranch($this->db, $site, $membership->branch_id))),
        };
    }

    private function inBranch(Membership $membership, ?string $path): bool
    {
        if ($membership->role !== Role::Writer || $membership->branch_id === null) {
            return true;
        }

        return $path !== null && in_array((string) $membership->branch_id, explode('.', $path), true);
    }
}
