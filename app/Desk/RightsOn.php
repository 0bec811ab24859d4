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

    private ?LookingAs $looking = null;

    public function __construct(private readonly ConnectionInterface $db)
    {
    }

    /** What they may make happen: asked of the ripple, whatever brings it about. */
    public function of(User $user, Site $site): Rights
    {
        return Rights::ofPerson($this->held($user, $site)->rights, new StoredMarks($this->db, $site));
    }

    /** What they may do, or, while they look as somebody else, what that one may, as far as they may do it themselves. */
    public function held(User $user, Site $site): HeldRights
    {
        $own = $this->own($user, $site);

        return $this->looking?->site === $site->id ? $this->lookedAs($this->looking, $site, $own) : $own;
    }

    /** As whom they look at a site; null for themselves. */
    public function lookingAs(Site $site): ?LookingAs
    {
        return $this->looking?->site === $site->id ? $this->looking : null;
    }

    public function lookAs(?LookingAs $looking): void
    {
        $this->looking = $looking;
    }

    public function own(User $user, Site $site): HeldRights
    {
        $only = self::ofToken($user);
        $which = "{$user->id} {$site->id} ".implode(',', array_column($only ?? [], 'value')).($only === null ? '' : '.');

        return $this->held[$which] ??= $this->read($user, $site, $only);
    }

    private function lookedAs(LookingAs $looking, Site $site, HeldRights $own): HeldRights
    {
        return $this->held["as {$looking->who->toText()} {$site->id}"] ??= $this->readLookedAs($looking, $site, $own);
    }

    private function readLookedAs(LookingAs $looking, Site $site, HeldRights $own): HeldRights
    {
        [$rights, $branches] = (new StoredAccess($this->db, $site))->ofWho($looking->who);
        // Nobody gets to see by it what they may not see themselves.
        $may = array_values(array_filter(Right::cases(), static fn (Right $right): bool => $own->may($right)));

        return new HeldRights($own->rights->isOwner() ? $rights : $rights->onlyWith($may), $branches);
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
        $this->looking = null;
    }
}
