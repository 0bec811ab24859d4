<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Redirects that are brought in in the background, and how far that has come.
 *
 * @property int $id
 * @property string $ulid
 * @property int $site_id
 * @property int|null $user_id
 * @property string $state waiting, running, done, stopped or failed
 * @property int $total rows that can be made
 * @property int $done
 * @property string $entries of the history, as a PostgreSQL array
 * @property string $path of the file on the disk
 * @property string $note
 * @property string|null $problem
 * @property-read Site $site
 * @property-read User|null $user
 */
final class RedirectImport extends Model
{
    use KnownByUlid;

    protected $table = 'redirect_imports';

    protected $guarded = ['id'];

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
