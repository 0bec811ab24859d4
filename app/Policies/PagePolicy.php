<?php

declare(strict_types=1);

namespace App\Policies;

use App\Desk\RightsOn;
use App\Models\Page;
use App\Models\User;
use Heronstem\Core\Access\Right;
use Illuminate\Auth\Access\Response;

/** Who may do something to one page. */
final readonly class PagePolicy
{
    public function __construct(private SitePolicy $sites, private RightsOn $rights)
    {
    }

    public function may(User $user, Page $page, string $right): Response
    {
        $asked = Right::from($right);
        if ($this->rights->held($user, $page->site)->mayOn($asked, $page)) {
            return Response::allow();
        }
        $changes = $this->sites->change($user, $page->site);

        return $changes->denied()
            ? $changes
            : Response::deny("“{$page->name}”: this takes the right “{$asked->label()}” there, which you do not have. Ask an owner of the site.");
    }
}
