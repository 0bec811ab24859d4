<?php

declare(strict_types=1);

namespace App\Policies;

use App\Desk\RightsOn;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\Right;
use Illuminate\Auth\Access\Response;

/** Who may come in at a site, and for what. What a batch may make happen is judged by its ripple besides. */
final readonly class SitePolicy
{
    public function __construct(private RightsOn $rights)
    {
    }

    public function see(User $user, Site $site): Response
    {
        return $this->rights->held($user, $site)->rights->maySomewhere(Right::See)
            ? Response::allow()
            : Response::deny('You are not among the people who may see this site. Ask its owner to add you.');
    }

    /** Whoever may do anything at all besides looking; what exactly is judged by what they do. */
    public function change(User $user, Site $site): Response
    {
        return $this->rights->held($user, $site)->rights->changesSomething() ? Response::allow() : $this->onlyLooks($user, $site);
    }

    /** Whoever puts files into content or fields somewhere, or looks after files, brings new ones in. */
    public function bringIn(User $user, Site $site): Response
    {
        $rights = $this->rights->held($user, $site)->rights;
        foreach ([Right::Write, Right::Fields, Right::Files] as $right) {
            if ($rights->maySomewhere($right)) {
                return Response::allow();
            }
        }

        return $this->may($user, $site, Right::Files->value);
    }

    /** Somebody who may do this on the whole site. */
    public function may(User $user, Site $site, string $right): Response
    {
        $held = $this->rights->held($user, $site);
        $asked = Right::from($right);

        return match (true) {
            $held->may($asked) => Response::allow(),
            $held->rights->changesSomething() => Response::deny(
                "This takes the right “{$asked->label()}” on the whole site, which you do not have. Ask an owner of the site.",
            ),
            default => $this->onlyLooks($user, $site),
        };
    }

    private function onlyLooks(User $user, Site $site): Response
    {
        $sees = $this->see($user, $site);

        return $sees->denied() ? $sees : Response::deny('You can look at this site, not change it. Ask its owner for another role.');
    }
}
