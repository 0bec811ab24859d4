<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\AccountLinks;
use App\Mail\Letter;
use App\Models\User;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Sends a link to set a password, where anybody has the mail address: whoever asks learns nothing, not even by the time it takes. */
final class SendAccountLink implements ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    public int $backoff = 30;

    /** @param  string|null  $by  who invites; null for a password that was forgotten */
    public function __construct(
        private readonly string $mail,
        private readonly string $editor,
        private readonly ?string $by = null,
        private readonly string $site = '',
    ) {
    }

    public function handle(AccountLinks $links, Mailer $mailer): void
    {
        $user = User::query()->where('email', $this->mail)->first();
        if ($user === null || ! AccountLinks::canMail()) {
            return;
        }
        $letter =
            $this->by === null
                ? new Letter('Set a new password for Heronstem', [
                    "Hello {$user->name},",
                    'set a new password here, within an hour:',
                    $links->make($user, AccountLinks::PASSWORD, $this->editor),
                    'If you did not ask for this, leave it: your password stays as it is.',
                ])
                : new Letter("{$this->by} invites you to work on {$this->site}", [
                    "Hello {$user->name},",
                    "{$this->by} has added you to the people who work on {$this->site}.",
                    ...$user->joined_at === null
                        ? ['Set a password and sign in here, within seven days:', $links->make($user, AccountLinks::INVITATION, $this->editor)]
                        : ['Sign in with the account that you have:', $this->editor],
                    'If you did not expect this, leave it: nothing happens without you.',
                ]);
        $mailer->to($user->email)->send($letter);
    }
}
