<?php

declare(strict_types=1);

namespace App\Desk\Accounts;

use App\Desk\AccountLinks;
use App\Jobs\SendLetter;
use App\Models\User;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Database\ConnectionInterface;

/** Devices that somebody has signed in with: of another one they are told by mail. */
final readonly class Devices
{
    /** Days after which a device that was not used is a new one. */
    private const DAYS = 400;

    public function __construct(private ConnectionInterface $db, private Dispatcher $bus)
    {
    }

    /**
     * @param  string|null  $mark  what the device brings along; null for nothing
     * @param  string  $network  where it is
     * @param  string  $device  what it calls itself
     * @return string the mark that it brings along from now on
     */
    public function greet(User $user, ?string $mark, string $network, string $device): string
    {
        $this->db->delete('delete from known_devices where user_id = ? and seen_at < now() - make_interval(days => ?)', [$user->id, self::DAYS]);
        $isKnown =
            $mark !== null &&
            $this->db->update('update known_devices set seen_at = now() where user_id = ? and mark_hash = ?', [$user->id, hash('sha256', $mark)]) > 0;
        if ($isKnown) {
            return $mark;
        }
        $isFirst = $this->db->scalar('select exists (select 1 from known_devices where user_id = ?)', [$user->id]) === false;
        $mark ??= bin2hex(random_bytes(24));
        $this->db->insert('insert into known_devices (user_id, mark_hash) values (?, ?) on conflict do nothing', [$user->id, hash('sha256', $mark)]);
        if (! $isFirst && AccountLinks::canMail()) {
            $this->bus->dispatch(
                new SendLetter($user->email, 'Somebody signed in to Heronstem with your account', [
                    "Hello {$user->name},",
                    'somebody signed in with your account on a device that was not used before: '.
                    mb_substr(mb_scrub($device, 'UTF-8'), 0, 200).
                    ", from the network address $network.",
                    'If this was you, there is nothing to do. If it was not, end the session on the page of your account and set another password.',
                ]),
            );
        }

        return $mark;
    }
}
