<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\BringIn\ApplySource;
use App\Models\SiteImport;
use App\Models\User;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Brings in something large that was given and looked over. */
final class BringInSource implements ShouldQueue
{
    use Queueable;

    public int $timeout = 3600;

    public int $tries = 1;

    /** @param  array<mixed>  $decisions */
    public function __construct(
        public readonly int $import,
        public readonly int $user,
        public readonly array $decisions,
        public readonly ?string $digest,
        public readonly string $note,
    ) {
    }

    public function handle(ApplySource $apply): void
    {
        $import = SiteImport::query()->find($this->import);
        $user = User::query()->find($this->user);
        if ($import?->state === 'applying' && $user !== null) {
            $apply->goOn($import, $user, $this->decisions, $this->digest, $this->note);
        }
    }

    public function failed(?\Throwable $error): void
    {
        SiteImport::query()
            ->whereKey($this->import)
            ->where('state', 'applying')
            ->update(['state' => 'ready', 'problem' => 'Bringing it in stopped by a fault; nothing of it was made. Try again, or give it in parts.']);
    }
}
