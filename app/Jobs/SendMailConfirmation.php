<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Desk\AccountLinks;
use App\Mail\Letter;
use App\Models\User;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Asks at the mail address that somebody wants to sign in with whether it is theirs, and tells the one they sign in with now. */
final class SendMailConfirmation implements ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    public int $backoff = 30;

    public function __construct(private readonly int $user, private readonly string $to, private readonly string $editor)
    {
    }

    public function handle(AccountLinks $links, Mailer $mailer): void
    {
        $user = User::query()->find($this->user);
        if ($user === null || $user->email_wanted !== $this->to) {
            return;
        }
        // Whoever asks is not told whether the address is somebody's; whoever reads its mail is.
        $isTaken = User::query()->where('email', $this->to)->exists();
        $mailer->to($this->to)->send(
            $isTaken
                ? new Letter('Your mail address was named for another account', [
                    'Hello,',
                    "{$user->name} wants to sign in to Heronstem with this mail address, which is yours already. Nothing has changed.",
                ])
                : new Letter('Confirm your mail address for Heronstem', [
                    "Hello {$user->name},",
                    'say here, within a day, that this is your mail address, and sign in with it from then on:',
                    $links->make($user, AccountLinks::MAIL, $this->editor),
                    'If you did not ask for this, leave it: nothing changes.',
                ]),
        );
        $mailer->to($user->email)->send(
            new Letter('Another mail address was asked for', [
                "Hello {$user->name},",
                "you asked to sign in with {$this->to} instead of {$user->email}. It holds once it is confirmed there.",
                'If this was not you, change your password at once, and tell an owner of the site.',
            ]),
        );
    }
}
