<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Role;
use App\Models\Site;
use App\Models\User;
use App\Store\StoredBranch;
use Heronstem\Core\Access\Preparing;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Database\ConnectionInterface;

/** What somebody may make happen on a site: asked of the ripple, whatever brings it about. */
final readonly class RightsOn
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** Of somebody who writes there: routes let nobody else in. */
    public function of(User $user, Site $site): Rights
    {
        $membership = $user->membershipOf($site) ?? throw new \LogicException('Somebody who is not among the people of the site asks for a change.');

        return match (true) {
            $membership->role === Role::Owner => Rights::of(Authority::Owner),
            $membership->role->manages() => Rights::of(Authority::Manager),
            default => Rights::toPrepare(new Preparing(new StoredBranch($this->db, $site, $membership->branch_id))),
        };
    }
}
