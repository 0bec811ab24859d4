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
 * @property string|null $email_wanted
 * @property string $password
 * @property \Illuminate\Support\Carbon|null $joined_at null for somebody who was invited and has not come yet
 * @property string|null $second_step secret of its device, encrypted
 * @property \Illuminate\Support\Carbon|null $second_step_since
 * @property int|null $second_step_used step of the code that was used last
 * @property string|null $recovery_codes hashes of those that are left
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Membership> $memberships
 */
final class User extends Authenticatable
{
    use StartsQuickly;

    protected $table = 'users';

    /** @use HasApiTokens<\Laravel\Sanctum\PersonalAccessToken> */
    use HasApiTokens;

    use HasUlids;

    protected $fillable = ['name', 'email', 'password', 'joined_at'];

    protected $hidden = ['password', 'second_step', 'recovery_codes'];

    protected $rememberTokenName = '';

    protected $casts = ['password' => 'hashed', 'joined_at' => 'datetime', 'second_step_since' => 'datetime'];

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
}
