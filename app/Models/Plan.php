<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Str;

/**
 * Changes prepared beside the living site, to be made together.
 *
 * @property int $id
 * @property string $ulid
 * @property int $site_id
 * @property int|null $user_id
 * @property string $name
 * @property string $description
 * @property string $state open or applied
 * @property string|null $token hash of what the preview's link holds
 * @property array<string, array<string, scalar|null>> $base what it began with, as PlanBase takes it
 * @property array<mixed> $decisions as a batch takes them
 * @property \Illuminate\Support\Carbon|null $switch_at
 * @property int|null $switched_by
 * @property string|null $problem why it was not switched on at its moment
 * @property string|null $entry of the history, once it is applied
 * @property \Illuminate\Support\Carbon $created_at
 * @property \Illuminate\Support\Carbon $updated_at
 * @property-read Site $site
 * @property-read User|null $user
 */
final class Plan extends Model
{
    use HoldsRow, KnownByUlid;

    protected $table = 'plans';

    protected $guarded = ['id'];

    protected $casts = ['base' => 'array', 'decisions' => 'array', 'switch_at' => 'datetime'];

    public function newUniqueId(): string
    {
        return (string) Str::ulid();
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasMany<StoredStep, $this> in the order in which they were prepared */
    public function steps(): HasMany
    {
        return $this->hasMany(StoredStep::class)->orderBy('id');
    }
}
