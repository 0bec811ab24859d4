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

    /**
     * @param  list<string>  $closed  pages among those concerned that not everyone sees
     * @return list<string> each once
     */
    public static function of(Ripple $ripple, array $closed = []): array
    {
        $moves = array_column($ripple->addresses->moves, null, 'page');
        $differences = array_column($ripple->pages->differences, null, 'page');
        $turned = array_filter($ripple->visitors->changes, static fn (VisitorChange $change): bool => $change->listed);
        $told = array_fill_keys(array_column($turned, 'address'), true);
        // What nobody could find before and cannot now is nobody's to be told.
        $silent = array_diff_key(array_fill_keys($closed, true), array_fill_keys($ripple->visitors->pages(), true));
        foreach ($moves + array_filter($differences, self::isSeen(...)) as $id => $any) {
            if (isset($silent[$id])) {
                continue;
            }
            $page = $ripple->pages->outcome[$id] ?? null;
            $address = ($moves[$id] ?? null)?->from->path ?? $page?->address->path;
            $told += $page !== null && $page->isLive() && $page->listed ? [$page->address->path => true] : [];
            $told += $address !== null && self::wasShown($differences[$id] ?? null, $page) ? [$address => true] : [];
        }

        return array_map(strval(...), array_keys($told));
    }

    private static function isSeen(PageDifference $difference): bool
    {
        // A place among siblings comes with the parent, changed or not.
        $unseen = [...self::UNSEEN, ...$difference->changedParent() ? [] : ['parent']];

        return array_diff_key($difference->after ?? ($difference->before ?? []), array_flip($unseen)) !== [];
    }

    /** @param  PageDifference|null  $difference  null for a page that only moves along */
    private static function wasShown(?PageDifference $difference, ?Page $page): bool
    {
        if ($difference?->wasMade() === true) {
            return false;
        }
        $state = $difference->before['state'] ?? $page?->state->value;
        $listed = $difference->before['listed'] ?? $page?->listed;

        return $state === PageState::Live->value && (bool) $listed;
    }
}
