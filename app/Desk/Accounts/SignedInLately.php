<?php

declare(strict_types=1);

namespace App\Desk\Accounts;

use App\Desk\ConfirmFirst;

/**
 * Whether whoever asks has shown a short time ago that they are who they say: what gives others rights, opens pages, runs as code or
 * holds for the whole site is done by nobody who merely found a browser open.
 */
final class SignedInLately
{
    /** When they signed in, or confirmed it; null where a token stands for itself, or the installation asks. */
    private ?int $at = null;

    private bool $isSession = false;

    /** @param  int|null  $at  seconds since 1970; null for never */
    public function session(?int $at): void
    {
        $this->isSession = true;
        $this->at = $at;
    }

    public function token(): void
    {
        $this->isSession = false;
    }

    public function isSo(): bool
    {
        $minutes = (int) config('heronstem.confirm_minutes');

        return ! $this->isSession || ($this->at !== null && $this->at > now()->getTimestamp() - 60 * $minutes);
    }

    /** @throws ConfirmFirst */
    public function guard(): void
    {
        if (! $this->isSo()) {
            throw new ConfirmFirst(
                'Type your password once more for this: it is some time since you signed in, and this gives rights, opens pages or holds for the whole site.',
            );
        }
    }
}
