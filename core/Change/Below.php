<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** Which changes reach what is below the pages they name, by moving its addresses or taking it along: known before anything is planned. */
final class Below
{
    private const ALWAYS = [
        Move::class,
        Rename::class,
        SetSlug::class,
        Pin::class,
        Unpin::class,
        PutInBin::class,
        BringBack::class,
        DeleteForGood::class,
        IncludeInAddresses::class,
        LeaveOutOfAddresses::class,
        SetAccess::class,
        SetStartPage::class,
    ];

    /** @return list<string> pages whose branches a batch may change; each once */
    public static function pages(Batch $batch): array
    {
        $pages = [];
        foreach ($batch->changes as $change) {
            if (self::reachedBy($change)) {
                $pages[(string) $change->toArray()['page']] = true;
            }
        }

        return array_map(strval(...), array_keys($pages));
    }

    /** Whether it may change every page of the site. */
    public static function isWhole(Batch $batch): bool
    {
        return array_filter($batch->changes, static fn (Change $change): bool => $change instanceof SetAddressRules) !== [];
    }

    private static function reachedBy(Change $change): bool
    {
        return in_array($change::class, self::ALWAYS, true) ||
            (($change instanceof Duplicate || $change instanceof GoLive || $change instanceof TakeOffline) && $change->scope === Scope::Branch);
    }
}
