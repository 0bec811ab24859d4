<?php

declare(strict_types=1);

namespace App\Desk;

use App\Jobs\SendAccountLink;
use App\Models\Membership;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\MailAddress;
use Heronstem\Core\Access\PersonName;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\SetRoles;
use Heronstem\Core\InputRefused;
use Illuminate\Database\Connection;

/** Adds somebody to the people of a site, by mail: an account is made for them where they have none. */
final readonly class InvitePeople
{
    public function __construct(private Connection $db, private ApplyChanges $apply, private RightsOn $rights, private AccountLinks $links)
    {
    }

    /**
     * @param  list<string>  $roles  keys
     * @param  string  $editor  address of the editor
     * @return array{User, string|null} and where no mail is sent, the address to hand over
     *
     * @throws InputRefused
     */
    public function invite(Site $site, User $by, string $name, string $mail, array $roles, string $editor): array
    {
        return $this->db->transaction(function () use ($site, $by, $name, $mail, $roles, $editor): array {
            $user = $this->account($name, $mail);
            if (Membership::query()->where('site_id', $site->id)->where('user_id', $user->id)->exists()) {
                throw new InputRefused('email', "{$user->name} is among the people of this site already. Change their roles instead.");
            }
            if ($roles === []) {
                throw new InputRefused('roles', 'Choose at least one role.');
            }
            $this->apply->apply($site, $by, Batch::of(new SetRoles($user->ulid, $roles)), rights: $this->rights->of($by, $site));

            return [$user, $this->send($site, $by, $user, $editor)];
        });
    }

    /** @return string|null where no mail is sent, the address to hand over */
    public function send(Site $site, User $by, User $user, string $editor): ?string
    {
        if (! AccountLinks::canMail()) {
            return $user->joined_at === null ? $this->handOver($by, $user, $editor) : null;
        }
        $this->db->afterCommit(static fn () => SendAccountLink::dispatch($user->email, $editor, $by->name, $site->name));

        return null;
    }

    /** Whoever holds the link holds the account: it is given to nobody who could not have given all that the account may do. */
    private function handOver(User $by, User $user, string $editor): string
    {
        foreach ($user->memberships()->with(['site' => static fn ($site) => $site->withTrashed()])->get() as $membership) {
            if (! $user->wasRecentlyCreated && ! $this->rights->held($by, $membership->site)->rights->isOwner()) {
                throw new InputRefused(
                    'person',
                    "This installation sends no mail, and the link would open all that {$user->name} may do. Ask an owner of {$membership->site->name} to hand it over.",
                );
            }
        }

        return $this->links->make($user, AccountLinks::INVITATION, $editor);
    }

    private function account(string $name, string $mail): User
    {
        $mail = MailAddress::read($mail);
        $known = User::query()->where('email', $mail)->first();
        if ($known !== null) {
            return $known;
        }

        return User::query()->create(['name' => PersonName::read($name), 'email' => $mail, 'password' => bin2hex(random_bytes(32))]);
    }
}
