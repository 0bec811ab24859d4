<?php

declare(strict_types=1);

namespace App\Models;

use Heronstem\Core\Menu\Viewer;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Somebody who signs in at a public site.
 *
 * @property int $id
 * @property int $site_id
 * @property string $email
 * @property string $name
 * @property string $password
 * @property list<string> $roles
 * @property \Illuminate\Support\Carbon|null $confirmed_at the mail address is theirs
 * @property \Illuminate\Support\Carbon|null $admitted_at somebody let them in, or nobody has to
 * @property \Illuminate\Support\Carbon|null $disabled_at
 * @property \Illuminate\Support\Carbon|null $last_at when they last signed in
 * @property-read Site $site
 */
final class Visitor extends Model
{
    protected $table = 'visitors';

    protected $guarded = ['id'];

    protected $hidden = ['password'];

    protected $casts = [
        'password' => 'hashed',
        'roles' => 'array',
        'confirmed_at' => 'datetime',
        'admitted_at' => 'datetime',
        'disabled_at' => 'datetime',
        'last_at' => 'datetime',
    ];

    /** Whether they may sign in. */
    public function isAdmitted(): bool
    {
        return $this->confirmed_at !== null && $this->admitted_at !== null && $this->disabled_at === null;
    }

    /** disabled, invited (no password yet), asks (to be let in), or in. */
    public function state(): string
    {
        return match (true) {
            $this->disabled_at !== null => 'disabled',
            $this->confirmed_at === null => 'invited',
            $this->admitted_at === null => 'asks',
            default => 'in',
        };
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }

    public function viewer(): Viewer
    {
        return Viewer::signedIn(...$this->roles);
    }
}
