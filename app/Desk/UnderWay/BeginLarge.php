<?php

declare(strict_types=1);

namespace App\Desk\UnderWay;

use App\Desk\Accounts\SignedInLately;
use App\Jobs\CarryOutChange;
use App\Models\ChangeUnderWay;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Change;
use Heronstem\Core\InputRefused;

/**
 * What concerns many pages is made in the background, by the same way and under the same lock, so that no request has to last for it.
 *
 * @phpstan-import-type Asked from AskedBatch
 */
final readonly class BeginLarge
{
    public function __construct(private SizeOfBatch $size, private SignedInLately $lately, private ReadUnderWay $underWay)
    {
    }

    /**
     * @param  Asked|null  $asked
     * @return ChangeUnderWay|null null where it is small enough to be made at once
     *
     * @throws InputRefused while another large change of the site is under way
     */
    public function of(Site $site, User $user, Batch $batch, ?array $asked, ?string $digest, string $note): ?ChangeUnderWay
    {
        if ($asked === null) {
            return null;
        }
        $pages = $this->size->pages($batch, $site);
        if (isset($asked['changes']) && self::isLarge($pages)) {
            // As changes are kept: a password that is typed in one is not.
            $asked['changes'] = array_map(static fn (Change $change): array => $change->toArray(), $batch->changes);
        }

        return $this->ofSize($pages, $site, $user, $asked, fn (): string => LargeTitle::of($batch, $site), $digest, $note);
    }

    private static function isLarge(int $pages): bool
    {
        return $pages >= (int) config('heronstem.large_change');
    }

    /**
     * The same of what is known by its size.
     *
     * @param  Asked  $asked
     * @param  \Closure(): string  $title
     *
     * @throws InputRefused while another large change of the site is under way
     */
    public function ofSize(int $pages, Site $site, User $user, array $asked, \Closure $title, ?string $digest, string $note): ?ChangeUnderWay
    {
        if (! self::isLarge($pages)) {
            return null;
        }
        $other = $this->underWay->running($site)[0] ?? null;
        if ($other !== null) {
            throw new InputRefused(
                'changes',
                ($other->user === null ? 'Somebody' : $other->user->name).
                    ' is making a large change of this site. Yours can be made as soon as that is done, or stopped.',
            );
        }
        $change = ChangeUnderWay::query()
            ->create([
                'site_id' => $site->id,
                'user_id' => $user->id,
                'title' => mb_substr($title(), 0, 300),
                'asked' => $asked,
                'digest' => $digest,
                'note' => $note,
                'confirmed' => $this->lately->isSo(),
                'pages' => $pages,
            ])
            ->refresh();
        CarryOutChange::dispatch($change->id);

        return $change->refresh();
    }
}
