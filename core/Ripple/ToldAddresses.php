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
        $turned = array_filter($ripple->visitors->changes, static fn (VisitorChange $change): bool => $change->listed);
        $told = array_fill_keys(array_column($turned, 'address'), true);
        // What nobody could find before and cannot now is nobody's to be told.
        $silent = array_diff_key(array_fill_keys($closed, true), array_fill_keys($ripple->visitors->pages(), true));
        $moved = array_fill_keys($ripple->addresses->moved, true);
        foreach ($ripple->pages->differences as $difference) {
            if (isset($moved[$difference->page])) {
                $moved[$difference->page] = $difference->packed();
            } elseif (! isset($silent[$difference->page]) && self::isSeen($difference)) {
                $page = $ripple->pages->outcome->find($difference->page);
                $told += self::told($page, $difference, $page?->address->path);
            }
        }
        foreach ($ripple->addresses->moves as $move) {
            $difference = is_string($moved[$move->page]) ? PageDifference::unpacked($move->page, $moved[$move->page]) : null;
            $told += isset($silent[$move->page]) ? [] : self::told($ripple->pages->outcome->find($move->page), $difference, $move->from->path);
        }

        return array_map(strval(...), array_keys($told));
    }

    /** @return array<string, true> */
    private static function told(?Page $page, ?PageDifference $difference, ?string $former): array
    {
        return ($page !== null && $page->isLive() && $page->listed ? [$page->address->path => true] : []) +
            ($former !== null && self::wasShown($difference, $page) ? [$former => true] : []);
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
