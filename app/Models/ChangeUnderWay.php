<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A large change that is made in the background.
 *
 * @phpstan-import-type Asked from \App\Desk\UnderWay\AskedBatch
 *
 * @property int $id
 * @property string $ulid
 * @property int $site_id
 * @property int|null $user_id
 * @property string $title what is done, as its act is called
 * @property Asked $asked what was asked for, as it was asked
 * @property string|null $digest of the ripple that was seen
 * @property string $note
 * @property bool $confirmed whoever asked had shown lately that it is them
 * @property int $pages about how many it concerns
 * @property 'waiting'|'planning'|'writing'|'done'|'refused'|'stopped'|'failed' $state
 * @property int $done rows written
 * @property int $total rows to write; 0 while that is not known
 * @property string|null $problem why it was not done
 * @property bool $look_again what would follow is no longer what was seen
 * @property int|null $entry_id
 * @property bool $stop_asked
 * @property \Illuminate\Support\Carbon $created_at
 * @property \Illuminate\Support\Carbon $beat_at when it was last heard of
 * @property \Illuminate\Support\Carbon|null $ended_at
 * @property-read Site $site
 * @property-read User|null $user
 * @property-read HistoryEntry|null $entry
 */
final class ChangeUnderWay extends Model
{
    use KnownByUlid;

    public $timestamps = false;

    protected $table = 'changes_under_way';

    protected $guarded = ['id'];

    protected $casts = [
        'asked' => 'array',
        'confirmed' => 'boolean',
        'look_again' => 'boolean',
        'stop_asked' => 'boolean',
        'created_at' => 'datetime',
        'beat_at' => 'datetime',
        'ended_at' => 'datetime',
    ];

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

    /** @return BelongsTo<HistoryEntry, $this> */
    public function entry(): BelongsTo
    {
        return $this->belongsTo(HistoryEntry::class);
    }
}
