<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Str;

/**
 * A page or a branch that is kept to make new pages from.
 *
 * @property int $id
 * @property string $ulid
 * @property int $site_id
 * @property string $name
 * @property string $description
 * @property list<string> $placeholders what stands in braces in its pages
 * @property int|null $changed_by
 * @property \Illuminate\Support\Carbon $updated_at
 * @property-read Site $site
 * @property-read User|null $changedBy
 */
final class StartingPoint extends Model
{
    use KnownByUlid;

    protected $table = 'starting_points';

    protected $guarded = ['id'];

    protected $casts = ['placeholders' => 'array'];

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
    public function changedBy(): BelongsTo
    {
        return $this->belongsTo(User::class, 'changed_by');
    }
}
