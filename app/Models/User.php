<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Laravel\Sanctum\HasApiTokens;

/**
 * @property int $id
 * @property string $ulid
 * @property string $name
 * @property string $email
 * @property string $password
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Membership> $memberships
 */
final class User extends Authenticatable
{
    /** @use HasApiTokens<\Laravel\Sanctum\PersonalAccessToken> */
    use HasApiTokens;

    use HasUlids;

    protected $fillable = ['name', 'email', 'password'];

    protected $hidden = ['password'];

    protected $rememberTokenName = '';

    protected $casts = ['password' => 'hashed'];

    /** @return list<string> */
    public function uniqueIds(): array
    {
        return ['ulid'];
    }

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }

    /** Read once for as long as this user is looked at, which is a request. */
    public function membershipOf(Site $site): ?Membership
    {
        $this->loadMissing('memberships');

        return $this->memberships->firstWhere('site_id', $site->id);
    }
}
