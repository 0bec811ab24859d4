<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Models\User;
use App\Store\StoredAccess;
use App\Store\StoredMarks;
use Illuminate\Database\ConnectionInterface;

/** The one place where it is asked what somebody may do on a site. Read once a request. */
final class RightsOn
{
    /** @var array<string, HeldRights> */
    private array $held = [];

    public function __construct(private readonly ConnectionInterface $db)
    {
    }

    /** What they may make happen: asked of the ripple, whatever brings it about. */
    public function of(User $user, Site $site): Rights
    {
        return Rights::ofPerson($this->held($user, $site)->rights, new StoredMarks($this->db, $site));
    }

    public function held(User $user, Site $site): HeldRights
    {
        return $this->held["{$user->id} {$site->id}"] ??= new HeldRights(...(new StoredAccess($this->db, $site))->ofPerson($user));
    }

    public function forget(): void
    {
        $this->held = [];
    }
}
