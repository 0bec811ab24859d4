<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Str;

/**
 * Addresses of an old site that are matched to pages, kept until that is done.
 *
 * @property int $id
 * @property string $ulid
 * @property int $site_id
 * @property int|null $user_id
 * @property string $name
 * @property int $threshold per cent from which on what is proposed is accepted
 * @property string $glossary as Glossary reads it
 * @property int $revision counts what changes in its rows
 * @property int $matched_revision what was chosen up to here taught what is proposed
 * @property \Illuminate\Support\Carbon|null $matched_at
 * @property \Illuminate\Support\Carbon $created_at
 * @property \Illuminate\Support\Carbon $updated_at
 * @property-read Site $site
 * @property-read User|null $user
 */
final class MatchList extends Model
{
    use KnownByUlid;

    protected $table = 'match_lists';

    protected $guarded = ['id'];

    protected $casts = ['matched_at' => 'datetime'];

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
}
