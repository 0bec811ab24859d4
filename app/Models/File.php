<?php

declare(strict_types=1);

namespace App\Models;

use App\Store\FileAddress;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property string $ulid
 * @property int $site_id
 * @property string $name
 * @property string $mime
 * @property int $bytes
 * @property int|null $width
 * @property int|null $height
 * @property string $path
 * @property string $folder divided by slashes; empty for none
 * @property string $alt
 * @property string $caption
 * @property int|null $focus_x % from the left
 * @property int|null $focus_y % from the top
 * @property int $number counts what was put in its place
 * @property int|null $user_id
 * @property \Illuminate\Support\Carbon|null $binned_at
 * @property \Illuminate\Support\Carbon $created_at
 * @property \Illuminate\Support\Carbon $updated_at
 * @property-read Site $site
 */
final class File extends Model
{
    use KnownByUlid;

    protected $table = 'files';

    protected $guarded = ['id'];

    protected $casts = ['binned_at' => 'datetime'];

    public function address(): string
    {
        return self::at($this->ulid, $this->name);
    }

    /** Its address for what is on a page: what is put in its place later has another one, so that this may be kept for good. */
    public function shownAt(): string
    {
        return $this->address()."?v={$this->number}";
    }

    /** Where a file is served on its site. */
    public static function at(string $ulid, string $name): string
    {
        return FileAddress::of($ulid, $name);
    }

    /** The identity of the site's picture that is served at an address, if there is one. */
    public static function pictureAt(string $address, Site $site): ?string
    {
        return preg_match('#/_files/([0-9A-HJKMNP-TV-Z]{26})/#', $address, $named) === 1
            ? self::query()->where('site_id', $site->id)->where('ulid', $named[1])->whereNotNull('width')->value('ulid')
            : null;
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }
}
