<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a person may do on a site, and, for a writer, in which branch.
 *
 * @property int $id
 * @property int $site_id
 * @property int $user_id
 * @property Role $role
 * @property int|null $branch_id
 * @property-read Site $site
 * @property-read User $user
 */
final class Membership extends Model
{
    public $timestamps = false;

    protected $fillable = ['site_id', 'user_id', 'role', 'branch_id'];

    protected $casts = ['role' => Role::class];

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
}
