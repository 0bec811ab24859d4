<?php

declare(strict_types=1);

namespace App\Models;

use Heronstem\Core\Content\Document;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A page's content: what is being worked on, and what visitors see.
 *
 * @property int $page_id
 * @property array<mixed> $working
 * @property int $working_version
 * @property array<mixed>|null $live
 * @property int|null $live_version
 * @property int|null $saved_by
 * @property \Illuminate\Support\Carbon $saved_at
 * @property-read User|null $savedBy
 */
final class PageContent extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'page_contents';

    protected $primaryKey = 'page_id';

    protected $guarded = [];

    protected $casts = ['working' => 'array', 'live' => 'array', 'saved_at' => 'datetime'];

    public static function document(?self $content): Document
    {
        return $content === null ? Document::blank() : Document::read($content->working);
    }

    public function liveDocument(): Document
    {
        return $this->live === null ? Document::blank() : Document::read($this->live);
    }

    public function hasUnpublishedEdits(): bool
    {
        return $this->live_version !== $this->working_version;
    }

    /** @return BelongsTo<User, $this> */
    public function savedBy(): BelongsTo
    {
        return $this->belongsTo(User::class, 'saved_by');
    }
}
