<?php

declare(strict_types=1);

namespace App\Models;

use Heronstem\Core\Access\Role as CoreRole;
use Illuminate\Database\Eloquent\Model;

/**
 * What several people of a site have in common.
 *
 * @property int $id
 * @property int $site_id
 * @property string $key
 * @property string $name
 * @property bool $needs_second_step whoever has it signs in with a code of a device besides
 */
final class Role extends Model
{
    use StartsQuickly;

    protected $table = 'roles';

    public $timestamps = false;

    protected $guarded = ['id'];

    public function onSite(): CoreRole
    {
        return new CoreRole($this->key, $this->name);
    }
}
