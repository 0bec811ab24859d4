<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * A person among the people of a site, with their roles there.
 *
 * @property int $id
 * @property int $site_id
 * @property int $user_id
 * @property \Illuminate\Support\Carbon|null $disabled_at let in no longer
 * @property-read Site $site
 * @property-read User $user
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Role> $roles
 */
final class Membership extends Model
{
    use StartsQuickly;

    protected $table = 'memberships';

    public $timestamps = false;

    protected $fillable = ['site_id', 'user_id'];

    /** @param  string  ...$roles  keys of roles of the site */
    public static function begin(Site $site, User $user, string ...$roles): self
    {
        $membership = self::query()->create(['site_id' => $site->id, 'user_id' => $user->id]);
        $membership->roles()->attach(Role::query()->where('site_id', $site->id)->whereIn('key', $roles)->pluck('id')->all());

        return $membership;
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }

    /** @return BelongsToMany<Role, $this> */
    public function roles(): BelongsToMany
    {
        return $this->belongsToMany(Role::class, 'membership_roles')->orderBy('roles.id');
    }
}
