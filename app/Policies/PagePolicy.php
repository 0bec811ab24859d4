<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Membership;
use App\Models\Page;
use App\Models\Role;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Who may write on a page: whoever writes on its site, and a writer of one branch on the pages of that branch. */
final readonly class PagePolicy
{
    public function __construct(private SitePolicy $sites)
    {
    }

    public function write(User $user, Page $page): Response
    {
        $onSite = $this->sites->write($user, $page->site);
        $membership = $user->membershipOf($page->site);

        return $onSite->denied() || $membership === null || $this->holds($membership, $page)
            ? $onSite
            : Response::deny("You write in another branch; “{$page->name}” lies outside it.");
    }

    private function holds(Membership $membership, Page $page): bool
    {
        return $membership->role !== Role::Writer ||
            $membership->branch_id === null ||
            in_array((string) $membership->branch_id, explode('.', $page->path), true);
    }
}
