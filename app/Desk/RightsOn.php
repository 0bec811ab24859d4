<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Models\User;
use App\Store\StoredAccess;
use App\Store\StoredMarks;
use Heronstem\Core\Access\Right;
use Illuminate\Database\ConnectionInterface;
use Laravel\Sanctum\PersonalAccessToken;

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
        $only = self::ofToken($user);
        $which = "{$user->id} {$site->id} ".implode(',', array_column($only ?? [], 'value')).($only === null ? '' : '.');

        return $this->held[$which] ??= $this->read($user, $site, $only);
    }

    /** @param  list<Right>|null  $only */
    private function read(User $user, Site $site, ?array $only): HeldRights
    {
        [$rights, $branches] = (new StoredAccess($this->db, $site))->ofPerson($user);

        return new HeldRights($only === null ? $rights : $rights->onlyWith($only), $branches);
    }

    /** @return list<Right>|null the rights that the token of a request was made for; null for all that its person has */
    private static function ofToken(User $user): ?array
    {
        $token = $user->currentAccessToken();
        if (! ($token instanceof PersonalAccessToken) || in_array('*', $token->abilities ?? [], true)) {
            return null;
        }

        return array_values(
            array_filter(array_map(static fn (mixed $name): ?Right => is_string($name) ? Right::tryFrom($name) : null, $token->abilities ?? [])),
        );
    }

    public function forget(): void
    {
        $this->held = [];
    }
}
