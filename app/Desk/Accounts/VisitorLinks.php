<?php

declare(strict_types=1);

namespace App\Desk\Accounts;

use App\Desk\AccountLinks;
use App\Jobs\SendLetter;
use App\Models\Site;
use App\Models\Visitor;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Database\Connection;

/** Links in letters to visitors: to set a password, the first one or another. Each is good once, and for a time; of it only a hash is kept. */
final readonly class VisitorLinks
{
    public const INVITATION = 'invitation';

    public const SIGN_UP = 'sign-up';

    public const PASSWORD = 'password';

    /** Hours for which a link is good. */
    private const HOURS = [self::INVITATION => 168, self::SIGN_UP => 24, self::PASSWORD => 1];

    public function __construct(private Connection $db, private Dispatcher $bus)
    {
    }

    /** @return string|null where no mail is sent, the address to hand over */
    public function send(Visitor $visitor, Site $site, string $purpose): ?string
    {
        $address = $this->make($visitor, $site, $purpose);
        if (! AccountLinks::canMail()) {
            return $address;
        }
        $letter = match ($purpose) {
            self::INVITATION => new SendLetter($visitor->email, "Your account at {$site->name}", [
                "Hello {$visitor->name},",
                "an account has been made for you at {$site->name}. Set a password here, within seven days:",
                $address,
                'If you did not expect this, leave it: nothing happens without you.',
            ]),
            self::SIGN_UP => new SendLetter($visitor->email, "Confirm your account at {$site->name}", [
                "Hello {$visitor->name},",
                "somebody, probably you, asked for an account at {$site->name} with this mail address. Set a password here, within a day:",
                $address,
                'If this was not you, leave it: without this step there is no account.',
            ]),
            default => new SendLetter($visitor->email, "Set a new password for {$site->name}", [
                "Hello {$visitor->name},",
                'set a new password here, within an hour:',
                $address,
                'If you did not ask for this, leave it: your password stays as it is.',
            ]),
        };
        $this->db->afterCommit(fn () => $this->bus->dispatch($letter));

        return null;
    }

    /** Whom a link is for; null where it is no longer valid. */
    public function find(string $token, Site $site): ?Visitor
    {
        $id = $this->db->scalar(
            'select l.visitor_id from visitor_links l join visitors v on v.id = l.visitor_id where l.token_hash = ? and l.expires_at > now() and v.site_id = ?',
            [hash('sha256', $token), $site->id],
        );

        return $id === null ? null : Visitor::query()->whereKey($id)->first();
    }

    /** Whatever leads to setting a password is used up; whether there was something left. Of two who follow one link at once, one gets through. */
    public function use(Visitor $visitor): bool
    {
        return $this->db->delete('delete from visitor_links where visitor_id = ?', [$visitor->id]) > 0;
    }

    private function make(Visitor $visitor, Site $site, string $purpose): string
    {
        $this->db->delete('delete from visitor_links where expires_at < now()');
        $token = bin2hex(random_bytes(24));
        $this->db->insert(
            'insert into visitor_links (visitor_id, purpose, token_hash, expires_at) values (?, ?, ?, now() + make_interval(hours => ?))',
            [$visitor->id, $purpose, hash('sha256', $token), self::HOURS[$purpose]],
        );

        return "{$site->origin}/_account/set?link=$token";
    }
}
