<?php

declare(strict_types=1);

namespace App\Desk\Accounts;

use App\Desk\SignInAttempts;
use App\Models\User;
use Heronstem\Core\InputRefused;

/** Asks for the code of the second step wherever somebody is let in: by a password, by one typed again, by a link of a letter. */
final readonly class AskForCode
{
    public function __construct(private SecondStep $secondStep, private SignInAttempts $attempts, private SecurityLog $log)
    {
    }

    /** @throws InputRefused naming the field `code`, of somebody who has a second step and does not show it; wrong ones are counted like passwords */
    public function of(User $user, string $code, string $ip): void
    {
        if (! $this->secondStep->isOn($user)) {
            return;
        }
        if ($code === '') {
            throw new InputRefused('code', 'Type the code that your device shows now.');
        }
        $wait = $this->attempts->wait('editor', $user->email, $ip);
        if ($wait > 0) {
            throw new InputRefused('code', "Too many wrong attempts. Try again in $wait seconds.");
        }
        if (! $this->secondStep->takes($user, $code)) {
            $this->attempts->wasWrong('editor', $user->email, $ip);
            $this->log->note(Happened::Refused, $user, detail: 'second step');
            throw new InputRefused(
                'code',
                'This code is not right, or was used already. Wait for the next one, or type one of the codes that you wrote down.',
            );
        }
    }
}
