<?php

declare(strict_types=1);

namespace App\Desk\Accounts;

use App\Desk\AccountLinks;
use App\Jobs\SendLetter;
use App\Jobs\SendMailConfirmation;
use App\Models\AccountLink;
use App\Models\User;
use Heronstem\Core\Access\MailAddress;
use Heronstem\Core\Access\NewPassword;
use Heronstem\Core\Access\PersonName;
use Heronstem\Core\Access\Right;
use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Database\Connection;
use Illuminate\Support\Carbon;
use Laravel\Sanctum\PersonalAccessToken;

/** What somebody looks after of their own account: name, mail address, password, where they are signed in, and tokens. */
final readonly class OwnAccount
{
    /** Tokens that one person has at most, and days that one is good at most. */
    private const MOST_TOKENS = 50;

    public const MOST_DAYS = 730;

    public function __construct(
        private Connection $db,
        private SecurityLog $log,
        private SecondStep $secondStep,
        private Dispatcher $bus,
        private AccountLinks $links,
        private Sessions $ended,
    ) {
    }

    /**
     * @param  string|null  $session  the one that asks
     * @return array<string, mixed>
     */
    public function read(User $user, ?string $session): array
    {
        return [
            'name' => $user->name,
            'email' => $user->email,
            'emailWanted' => $user->email_wanted,
            'secondStep' => [
                'since' => $user->second_step_since?->toIso8601ZuluString(),
                'isNeeded' => $this->secondStep->isNeeded($user),
                'codesLeft' => $this->secondStep->codesLeft($user),
            ],
            'sessions' => $this->sessions($user, $session),
            'tokens' => $user->tokens()->orderByDesc('id')->get()->map(self::token(...))->values()->all(),
            'log' => $this->log->ofUser($user, 20),
        ];
    }

    public function rename(User $user, string $name): void
    {
        $user->forceFill(['name' => PersonName::read($name)])->save();
    }

    /**
     * Asks at another mail address whether it is theirs; it holds from then on. The one they have takes back what was asked for.
     *
     * @param  string  $editor  address of the editor
     */
    public function askForMail(User $user, string $mail, string $editor): void
    {
        $to = MailAddress::read($mail);
        if ($to !== $user->email && ! AccountLinks::canMail()) {
            throw new InputRefused('email', 'This installation sends no mail, so that an address cannot be confirmed. Ask whoever runs it.');
        }
        AccountLink::query()->where('user_id', $user->id)->where('purpose', AccountLinks::MAIL)->delete();
        $user->forceFill(['email_wanted' => $to === $user->email ? null : $to])->save();
        if ($to === $user->email) {
            return;
        }
        $this->bus->dispatch(new SendMailConfirmation($user->id, $to, $editor));
    }

    /**
     * Both addresses are told.
     *
     * @throws InputRefused when the link is no longer valid, or the address has become somebody else's
     */
    public function confirmMail(string $token): User
    {
        return $this->db->transaction(function () use ($token): User {
            $user = $this->links->take($token, AccountLinks::MAIL)->user;
            $to = (string) $user->email_wanted;
            if ($to === '' || User::query()->where('email', $to)->exists()) {
                throw new InputRefused('link', 'This mail address can no longer be used. Ask for another one on the page of your account.');
            }
            $was = $user->email;
            $user->forceFill(['email' => $to, 'email_wanted' => null])->save();
            $this->log->note(Happened::MailChanged, $user, detail: "$was became $to");
            $this->db->afterCommit(function () use ($user, $was, $to): void {
                foreach ([$was, $to] as $address) {
                    $this->tell($address, 'Your mail address for Heronstem was changed', [
                        "Hello {$user->name},",
                        "you sign in with $to from now on, and no longer with $was.",
                        'If this was not you, tell an owner of the site at once.',
                    ]);
                }
            });

            return $user;
        });
    }

    /** Whoever is signed in elsewhere is so no longer; tokens end. */
    public function changePassword(User $user, #[\SensitiveParameter] string $password, ?string $session): void
    {
        NewPassword::guard($password, AccountLinks::commonest(), [$user->name, $user->email]);
        $this->db->transaction(function () use ($user, $password, $session): void {
            $user->forceFill(['password' => $password])->save();
            $this->endSessions($user, $session);
            $user->tokens()->delete();
        });
        $this->log->note(Happened::PasswordChanged, $user);
        $this->tell($user->email, 'Your password for Heronstem was changed', [
            "Hello {$user->name},",
            'your password was changed just now. Everybody who was signed in with the old one elsewhere is signed out, and tokens have ended.',
            'If this was not you, ask for a new password on the page where you sign in, and tell an owner of the site.',
        ]);
    }

    /** @param  string|null  $except  the one that asks */
    public function endSessions(User $user, ?string $except): void
    {
        $this->ended->endAll($user, $except);
        $this->log->note(Happened::SessionsEnded, $user);
    }

    /** @param  string  $mark  as sessions() names it */
    public function endSession(User $user, string $mark): bool
    {
        foreach ($this->db->table('sessions')->where('user_id', $user->id)->pluck('id') as $id) {
            if (is_string($id) && hash_equals(self::mark($id), $mark)) {
                $this->log->note(Happened::SessionsEnded, $user);

                return $this->ended->end($id) > 0;
            }
        }

        return false;
    }

    /**
     * @param  list<Right>|null  $rights  null for all that one has, now and later
     * @return string what is shown once
     */
    public function makeToken(User $user, string $name, ?array $rights, int $days): string
    {
        $called = OneLine::typed($name);
        if ($called === '' || mb_strlen($called) > 100) {
            throw new InputRefused('name', 'Say what the token is for, in at most 100 characters.');
        }
        if ($days < 1 || $days > self::MOST_DAYS) {
            throw new InputRefused('days', sprintf('A token is good for 1 to %d days.', self::MOST_DAYS), '90');
        }
        if ($user->tokens()->count() >= self::MOST_TOKENS) {
            throw new InputRefused('name', sprintf('You have %d tokens already. End one that is not needed any more.', self::MOST_TOKENS));
        }
        $abilities = $rights === null ? ['*'] : array_map(static fn (Right $right): string => $right->value, $rights);
        $token = $user->createToken($called, $abilities, Carbon::now()->addDays($days))->plainTextToken;
        $this->log->note(Happened::TokenMade, $user, detail: $called);

        return $token;
    }

    public function endToken(User $user, int $token): bool
    {
        $found = $user->tokens()->whereKey($token)->first();
        if ($found === null) {
            return false;
        }
        $this->log->note(Happened::TokenEnded, $user, detail: $found->name);

        return (bool) $found->delete();
    }

    /** @return list<array<string, mixed>> the one that asks first, then those used last */
    private function sessions(User $user, ?string $own): array
    {
        $rows = $this->db->table('sessions')->where('user_id', $user->id)->orderByDesc('last_activity')->limit(100)->get();

        return array_values(
            $rows
                ->map(
                    static fn (\stdClass $row): array => [
                        'id' => self::mark($row->id),
                        'isThis' => $row->id === $own,
                        'network' => (string) $row->ip_address,
                        'device' => (string) $row->user_agent,
                        'last' => Carbon::createFromTimestamp($row->last_activity)->toIso8601ZuluString(),
                    ],
                )
                ->sortByDesc('isThis')
                ->all(),
        );
    }

    /** @return array<string, mixed> */
    private static function token(PersonalAccessToken $token): array
    {
        return [
            'id' => $token->getKey(),
            'name' => $token->name,
            'rights' => in_array('*', $token->abilities ?? [], true) ? null : array_values($token->abilities ?? []),
            'made' => $token->created_at?->toIso8601ZuluString(),
            'expires' => $token->expires_at?->toIso8601ZuluString(),
            'used' => $token->last_used_at?->toIso8601ZuluString(),
        ];
    }

    /** A session is named by what does not open it. */
    private static function mark(string $session): string
    {
        return substr(hash('sha256', "session $session"), 0, 32);
    }

    /** @param  list<string>  $lines */
    private function tell(string $mail, string $about, array $lines): void
    {
        if (AccountLinks::canMail()) {
            $this->bus->dispatch(new SendLetter($mail, $about, $lines));
        }
    }
}
