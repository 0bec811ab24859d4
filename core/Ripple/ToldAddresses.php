<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\PageState;

/**
 * Addresses that search engines should look at again after a batch: of pages that they may find now, or might before, and
 * that came, went, moved or say something else. What visitors never get by a list is never told.
 */
final class ToldAddresses
{
    /** Fields of a page that search engines see nothing of. */
    private const UNSEEN = ['prepared', 'reviewNote', 'position', 'isProtected', 'slugByHand', 'was', 'bin'];

    /** @return list<string> each once */
    public static function of(Ripple $ripple): array
    {
        $told = [];
        foreach ($ripple->pages->differences as $difference) {
            $page = $ripple->pages->outcome[$difference->page] ?? null;
            $seen = array_diff_key($difference->after ?? $difference->before ?? [], array_flip(self::UNSEEN));
            if ($seen !== []) {
                $is = $page !== null && $page->isLive() && $page->listed;
                $told += $is ? [$page->address->path => true] : [];
                $address = self::addressBefore($ripple, $difference, $page);
                $told += $address !== null && self::wasShown($difference, $page) ? [$address => true] : [];
            }
        }
        foreach ($ripple->addresses->moves as $move) {
            $page = $ripple->pages->outcome[$move->page] ?? null;
            if ($page !== null && $page->isLive() && $page->listed) {
                $told += [$move->from->path => true, $move->to->path => true];
            }
        }

        return array_map(strval(...), array_keys($told));
    }

    private static function wasShown(PageDifference $difference, ?Page $page): bool
    {
        if ($difference->before === null) {
            return false;
        }
        $state = $difference->before['state'] ?? $page?->state->value;
        $listed = $difference->before['listed'] ?? $page?->listed;

        return $state === PageState::Live->value && (bool) $listed;
    }

    private static function addressBefore(Ripple $ripple, PageDifference $difference, ?Page $page): ?string
    {
        foreach ($ripple->addresses->moves as $move) {
            if ($move->page === $difference->page) {
                return $move->from->path;
            }
        }

        return $page?->address->path;
    }
}
