<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that was given to be brought into a site, and how far that has come.
 *
 * @property int $id
 * @property string $ulid
 * @property int $site_id
 * @property int|null $user_id
 * @property string $name of the file, or what else it was given as
 * @property string $source where it came from: text, file or site
 * @property string $state reading, ready, failed, applying, applied or stopped
 * @property array<string, mixed> $said what somebody chose, as SaidOfImport reads it
 * @property array<string, mixed> $understood what it was read as
 * @property int $done
 * @property int $total
 * @property string|null $entry of the history, once it is applied
 * @property string|null $problem
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read Site $site
 * @property-read User|null $user
 */
final class SiteImport extends Model
{
    use HoldsRow, KnownByUlid;

    protected $table = 'site_imports';

    protected $guarded = ['id'];

    protected $casts = ['said' => 'array', 'understood' => 'array'];

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

    /** Where on the files' disk it is kept: as it came, and as it was read. */
    public function path(string $what): string
    {
        return "imports/{$this->site->key}/{$this->ulid}/$what";
    }
}
