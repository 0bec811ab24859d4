<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\File;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Whoever sees a site sees its files. */
final readonly class FilePolicy
{
    public function __construct(private SitePolicy $sites)
    {
    }

    public function see(User $user, File $file): Response
    {
        return $this->sites->see($user, $file->site);
    }
}
