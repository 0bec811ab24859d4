<?php

declare(strict_types=1);

namespace App\Desk\Accounts;

use App\Models\User;
use Heronstem\Core\Access\Totp;
use Heronstem\Core\InputRefused;
use Illuminate\Contracts\Cache\Repository as Cache;
use Illuminate\Contracts\Encryption\StringEncrypter;
use Illuminate\Database\ConnectionInterface;

/** The second step of signing in: a code of a device, or one of the codes that were written down for the day the device is lost. */
final readonly class SecondStep
{
    /** Codes that are written down. */
    private const CODES = 10;

    /** Minutes in which a device that is set up has to show its first code. */
    private const MINUTES = 20;

    public function __construct(
        private ConnectionInterface $db,
        private StringEncrypter $encrypter,
        private Cache $cache,
        private SecurityLog $log,
    ) {
    }

    /** Begins to set it up; nothing is asked for before the device has shown a code. */
    public function begin(User $user): Totp
    {
        $totp = Totp::ofBytes(random_bytes(Totp::BYTES));
        $this->cache->put(self::key($user), $this->encrypter->encryptString($totp->toLetters()), now()->addMinutes(self::MINUTES));

        return $totp;
    }

    /**
     * @return list<string> codes to write down, each good once; told this one time
     *
     * @throws InputRefused naming the field `code`
     */
    public function confirm(User $user, string $code): array
    {
        $kept = $this->cache->get(self::key($user));
        if (! is_string($kept)) {
            throw new InputRefused('code', 'This took too long. Begin again: the picture is another one then.');
        }
        $letters = $this->encrypter->decryptString($kept);
        $step = Totp::ofLetters($letters)->stepOf($code, now()->getTimestamp(), null);
        if ($step === null) {
            throw new InputRefused(
                'code',
                'This is not the code that your device shows now. Codes change every half minute, and its clock has to be right.',
            );
        }
        $this->cache->forget(self::key($user));
        $user
            ->forceFill(['second_step' => $this->encrypter->encryptString($letters), 'second_step_since' => now(), 'second_step_used' => $step])
            ->save();
        $this->log->note(Happened::SecondStepOn, $user);

        return $this->newCodes($user);
    }

    /** @return list<string> those before are no longer valid */
    public function newCodes(User $user): array
    {
        // Fifteen letters of base 32: 75 bits.
        $letters = static fn (): string => substr(strtolower(Totp::ofBytes(random_bytes(10))->toLetters()), 0, 15);
        $codes = array_map(static fn (): string => implode('-', str_split($letters(), 5)), range(1, self::CODES));
        $user->forceFill(['recovery_codes' => json_encode(array_map(self::hash(...), $codes), JSON_THROW_ON_ERROR)])->save();

        return $codes;
    }

    public function end(User $user): void
    {
        $user->forceFill(['second_step' => null, 'second_step_since' => null, 'second_step_used' => null, 'recovery_codes' => '[]'])->save();
        $this->log->note(Happened::SecondStepOff, $user);
    }

    public function isOn(User $user): bool
    {
        return $user->second_step_since !== null;
    }

    /** Whether some role of theirs asks for it. */
    public function isNeeded(User $user): bool
    {
        return (bool) $this->db->scalar(
            'select exists (select 1 from memberships m join membership_roles mr on mr.membership_id = m.id join roles r on r.id = mr.role_id
                where m.user_id = ? and m.disabled_at is null and r.needs_second_step)',
            [$user->id],
        );
    }

    /** Whether a code is right; it is used up by that. Of two who type one code at once, one is let in. */
    public function takes(User $user, string $code): bool
    {
        return $this->db->transaction(function () use ($user, $code): bool {
            $row = User::query()->whereKey($user->id)->lockForUpdate()->firstOrFail();
            if ($row->second_step === null) {
                return true;
            }
            $step = Totp::ofLetters($this->encrypter->decryptString($row->second_step))->stepOf($code, now()->getTimestamp(), $row->second_step_used);
            if ($step !== null) {
                $row->forceFill(['second_step_used' => $step])->save();

                return true;
            }

            return $this->takesRecoveryCode($row, $code);
        });
    }

    public function codesLeft(User $user): int
    {
        return count(self::kept($user));
    }

    private function takesRecoveryCode(User $user, string $code): bool
    {
        $kept = self::kept($user);
        $hash = self::hash($code);
        if (! in_array($hash, $kept, true)) {
            return false;
        }
        $user->forceFill(['recovery_codes' => json_encode(array_values(array_diff($kept, [$hash])), JSON_THROW_ON_ERROR)])->save();
        $this->log->note(Happened::RecoveryCodeUsed, $user);

        return true;
    }

    /** @return list<string> */
    private static function kept(User $user): array
    {
        $kept = json_decode($user->recovery_codes ?? '[]', true);

        return is_array($kept) ? array_values(array_filter($kept, is_string(...))) : [];
    }

    /** A code has 75 bits of chance: nobody tries them all, so that a plain hash will do. */
    private static function hash(string $code): string
    {
        return hash('sha256', strtolower((string) preg_replace('/[^A-Za-z2-7]/', '', $code)));
    }

    private static function key(User $user): string
    {
        return "second-step.{$user->id}";
    }
}
