<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Accounts\Sessions;
use App\Jobs\SendLetter;
use App\Models\AccountLink;
use App\Models\User;
use Heronstem\Core\Access\NewPassword;
use Heronstem\Core\InputRefused;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Database\Connection;

/** Links by which somebody who was invited, or who forgot their password, sets one. Each is good once, and for a time. */
final readonly class AccountLinks
{
    public const INVITATION = 'invitation';

    public const PASSWORD = 'password';

    /** Confirms another mail address, and sets no password. */
    public const MAIL = 'mail';

    /** Hours for which a link is good. */
    private const HOURS = [self::INVITATION => 168, self::PASSWORD => 1, self::MAIL => 24];

    public function __construct(private Connection $db, private Dispatcher $bus, private Sessions $sessions)
    {
    }

    /** Whether mail leaves this installation at all. */
    public static function canMail(): bool
    {
        return config('mail.default') !== 'array';
    }

    /**
     * @param  string  $editor  address of the editor
     * @return string the address behind which a password is set; of the link only a hash is kept
     */
    public function make(User $user, string $purpose, string $editor): string
    {
        AccountLink::query()->where('expires_at', '<', now())->delete();
        $token = bin2hex(random_bytes(24));
        AccountLink::query()->create([
            'user_id' => $user->id,
            'purpose' => $purpose,
            'token_hash' => hash('sha256', $token),
            'expires_at' => now()->addHours(self::HOURS[$purpose]),
        ]);

        return rtrim(config('heronstem.editor_url') ?? $editor, '/')."/account/$token";
    }

    /**
     * @param  string  ...$purposes  that it may have
     *
     * @throws InputRefused when it is no longer valid, or for something else
     */
    public function find(string $token, string ...$purposes): AccountLink
    {
        return AccountLink::query()
            ->with('user')
            ->where('token_hash', hash('sha256', $token))
            ->where('expires_at', '>', now())
            ->whereIn('purpose', $purposes)
            ->first() ?? throw self::isOver();
    }

    private static function isOver(): InputRefused
    {
        return new InputRefused('link', 'This link is no longer valid: it has been used, or it has expired. Ask for another one.');
    }

    /**
     * The same, used up: of two who follow one link at once, one gets through. Inside a transaction, which the other waits for.
     *
     * @throws InputRefused as find() does
     */
    public function take(string $token, string ...$purposes): AccountLink
    {
        $link = $this->find($token, ...$purposes);
        AccountLink::query()->whereKey($link->id)->delete() === 1 || throw self::isOver();
        AccountLink::query()->where('user_id', $link->user_id)->delete();

        return $link;
    }

    /**
     * Sets the password. Whoever was signed in with the old one is so no longer, and tokens made with it are gone.
     *
     * @throws InputRefused
     */
    public function setPassword(string $token, string $password): User
    {
        return $this->db->transaction(function () use ($token, $password): User {
            $link = $this->take($token, self::INVITATION, self::PASSWORD);
            $user = $link->user;
            NewPassword::guard($password, self::commonest(), [$user->name, $user->email]);
            $user->forceFill(['password' => $password, 'joined_at' => $user->joined_at ?? now()])->save();
            $this->sessions->endAll($user);
            $user->tokens()->delete();
            if ($link->purpose === self::PASSWORD && self::canMail()) {
                $changed = new SendLetter($user->email, 'Your password for Heronstem was changed', [
                    "Hello {$user->name},",
                    'your password was changed just now, and everybody who was signed in with the old one is signed out.',
                    'If this was not you, ask for a new password on the page where you sign in, and tell an owner of the site.',
                ]);
                $this->db->afterCommit(fn () => $this->bus->dispatch($changed));
            }

            return $user;
        });
    }

    /** @return list<string> */
    public static function commonest(): array
    {
        return array_values(array_filter(explode("\n", (string) file_get_contents(resource_path('passwords/commonest.txt')))));
    }
}
