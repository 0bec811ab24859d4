<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What one person has typed and not saved yet, kept so that nothing is lost.
 *
 * @property int $page_id
 * @property int $user_id
 * @property array<mixed> $document
 * @property array{heading: string, summary: string}|null $texts heading and summary, where they were typed too
 * @property int $based_on version of the content they started from
 * @property \Illuminate\Support\Carbon $updated_at
 * @property-read User $user
 */
final class Draft extends Model
{
    protected $table = 'drafts';

    protected $guarded = ['id'];

    protected $casts = ['document' => 'array', 'texts' => 'array'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
