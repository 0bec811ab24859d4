<?php

declare(strict_types=1);

namespace App\Models;

use Heronstem\Core\Menu\Viewer;
use Illuminate\Database\Eloquent\Model;

/**
 * Somebody who signs in at a public site.
 *
 * @property int $id
 * @property int $site_id
 * @property string $email
 * @property string $name
 * @property string $password
 * @property list<string> $roles
 */
final class Visitor extends Model
{
    protected $guarded = ['id'];

    protected $hidden = ['password'];

    protected $casts = ['password' => 'hashed', 'roles' => 'array'];

    public function viewer(): Viewer
    {
        return Viewer::signedIn(...$this->roles);
    }
}
