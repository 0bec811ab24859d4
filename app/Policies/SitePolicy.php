<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Site;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/**
 * Who may come in at a site: its people look; owners, managers and writers write; owners and managers manage.
 * What a batch may make happen is judged by its ripple besides, in RightsOn.
 */
final class SitePolicy
{
    public function see(User $user, Site $site): Response
    {
        return $user->membershipOf($site) === null
            ? Response::deny('You are not among the people of this site. Ask its owner to add you.')
            : Response::allow();
    }

    public function write(User $user, Site $site): Response
    {
        return match ($user->membershipOf($site)?->role->writes()) {
            null => $this->see($user, $site),
            false => Response::deny('You can look at this site, not change it. Ask its owner for another role.'),
            true => Response::allow(),
        };
    }

    public function manage(User $user, Site $site): Response
    {
        return match ($user->membershipOf($site)?->role->manages()) {
            null => $this->see($user, $site),
            false => Response::deny('Only managers and the owner of the site do this. Ask one of them.'),
            true => Response::allow(),
        };
    }
}
