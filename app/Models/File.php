<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

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
 */
final class File extends Model
{
    use HasUlids;

    protected $guarded = ['id'];

    /** @return list<string> */
    public function uniqueIds(): array
    {
        return ['ulid'];
    }

    public function getRouteKeyName(): string
    {
        return 'ulid';
    }

    public function address(): string
    {
        return self::at($this->ulid, $this->name);
    }

    /** Where a file is served on its site. */
    public static function at(string $ulid, string $name): string
    {
        return "/_files/$ulid/".rawurlencode($name);
    }
}
