<?php

declare(strict_types=1);

namespace App\Desk\Accounts;

use App\Desk\AccountLinks;
use App\Models\Site;
use App\Models\Visitor;
use Heronstem\Core\Access\MailAddress;
use Heronstem\Core\Access\NewPassword;
use Heronstem\Core\Access\PersonName;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Visitors\SignUp;
use Illuminate\Cache\RateLimiter;
use Illuminate\Database\Connection;

/** What visitors do with their accounts themselves: sign up, set a password, change what is kept of them, delete it all. */
final readonly class VisitorAccounts
{
    /** Letters asked for: in a minute from one network, and in an hour for one address. */
    private const MOST = ['network' => [10, 60], 'account' => [3, 3600]];

    public function __construct(private Connection $db, private VisitorLinks $links, private RateLimiter $limiter)
    {
    }

    public function signUp(Site $site): SignUp
    {
        return SignUp::stored($site->sign_up);
    }

    /**
     * Begins an account, or tells whoever has one already by mail: the answer is the same.
     *
     * @throws InputRefused naming the field
     */
    public function ask(Site $site, string $name, string $mail): void
    {
        $called = PersonName::read($name);
        $to = MailAddress::read($mail, 'mail');
        $signUp = $this->signUp($site);
        $this->db->transaction(function () use ($site, $to, $called, $signUp): void {
            $known = Visitor::query()->where('site_id', $site->id)->where('email', $to)->first();
            if ($known?->confirmed_at !== null || $known?->disabled_at !== null) {
                $known->disabled_at === null && $this->links->send($known, $site, VisitorLinks::PASSWORD);

                return;
            }
            $visitor =
                $known ??
                // Whoever sends the form twice in one moment has one account.
                Visitor::query()->createOrFirst(
                    ['site_id' => $site->id, 'email' => $to],
                    [
                        'name' => $called,
                        'roles' => $signUp->rolesFor($to),
                        'password' => bin2hex(random_bytes(32)),
                        'admitted_at' => $signUp->open === SignUp::EVERYONE ? now() : null,
                    ],
                );
            $this->links->send($visitor, $site, VisitorLinks::SIGN_UP);
        });
    }

    public function forgotten(Site $site, string $mail): void
    {
        $visitor = Visitor::query()->where('site_id', $site->id)->where('email', mb_strtolower(trim($mail)))->first();
        if ($visitor !== null && $visitor->disabled_at === null) {
            $this->links->send($visitor, $site, VisitorLinks::PASSWORD);
        }
    }

    /** Whether another letter may be asked for from here and for this address. */
    public function mayAsk(string $network, string $mail): bool
    {
        foreach (['network' => $network, 'account' => mb_strtolower(trim($mail))] as $kind => $of) {
            [$most, $seconds] = self::MOST[$kind];
            $key = "visitor-letters:$kind:".hash('sha256', $of);
            if ($this->limiter->tooManyAttempts($key, $most)) {
                return false;
            }
            $this->limiter->hit($key, $seconds);
        }

        return true;
    }

    /** Sets the password by a link of a letter, by which the mail address is theirs as well. Sign-ins end. */
    public function setByLink(Visitor $visitor, #[\SensitiveParameter] string $password): void
    {
        $this->guard($visitor, $password);
        $this->db->transaction(function () use ($visitor, $password): void {
            if (! $this->links->use($visitor)) {
                throw new InputRefused('link', 'This link has just been used. Ask for another one.');
            }
            $visitor->forceFill(['password' => $password, 'confirmed_at' => $visitor->confirmed_at ?? now()])->save();
            $this->db->delete('delete from visitor_sign_ins where visitor_id = ?', [$visitor->id]);
        });
    }

    public function changePassword(Visitor $visitor, #[\SensitiveParameter] string $password): void
    {
        $this->guard($visitor, $password);
        $visitor->forceFill(['password' => $password])->save();
        $this->db->delete('delete from visitor_sign_ins where visitor_id = ?', [$visitor->id]);
    }

    public function rename(Visitor $visitor, string $name): void
    {
        $visitor->forceFill(['name' => PersonName::read($name)])->save();
    }

    public function delete(Visitor $visitor): void
    {
        $visitor->delete();
    }

    private function guard(Visitor $visitor, #[\SensitiveParameter] string $password): void
    {
        NewPassword::guard($password, AccountLinks::commonest(), [$visitor->name, $visitor->email]);
    }
}
