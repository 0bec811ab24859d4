<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Str;

/**
 * Content that is written once and shown on many pages.
 *
 * @property int $id
 * @property string $ulid
 * @property int $site_id
 * @property string $name
 * @property array<mixed> $document
 * @property int $number counts what was saved
 * @property int|null $changed_by
 * @property \Illuminate\Support\Carbon $updated_at
 * @property-read Site $site
 */
final class SharedPiece extends Model
{
    use KnownByUlid;

    protected $table = 'shared_pieces';

    protected $guarded = ['id'];

    protected $casts = ['document' => 'array'];

    public function newUniqueId(): string
    {
        return (string) Str::ulid();
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }
}
