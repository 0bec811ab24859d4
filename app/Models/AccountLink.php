<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A link with which somebody sets a password.
 *
 * @property int $user_id
 * @property string $purpose
 * @property string $token_hash
 * @property \Illuminate\Support\Carbon $expires_at
 * @property-read User $user
 */
final class AccountLink extends Model
{
    protected $table = 'account_links';

    public const UPDATED_AT = null;

    protected $guarded = ['id'];

    protected $casts = ['expires_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
