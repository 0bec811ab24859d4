<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Changes of a plan that were prepared together.
 *
 * @property int $id
 * @property string $ulid
 * @property int $plan_id
 * @property int|null $user_id
 * @property list<array<string, mixed>> $changes
 * @property string $sentence what they would do
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read User|null $user
 */
final class StoredStep extends Model
{
    use KnownByUlid;

    public $timestamps = false;

    protected $table = 'plan_steps';

    protected $guarded = ['id'];

    protected $casts = ['changes' => 'array', 'created_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
