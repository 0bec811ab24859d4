<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** How deep HTML is nested, told from its tags before anything is parsed: a parser goes through all that is open for every tag. */
final class HtmlNesting
{
    /** Elements that end by themselves, so that an open one is no level (HTML, 13.1.2). */
    private const ENDS_ITSELF = '(?:area|base|br|col|embed|hr|img|input|link|meta|source|track|wbr|p|li|dt|dd|tr|td|th|thead|tbody|tfoot|option|optgroup|colgroup|caption)\b';

    /** Cost: linear in the bytes. */
    public static function isDeeperThan(int $levels, string $html): bool
    {
        // A tag that never closes is none; without them no look for an end goes further than the next one.
        $tagged = substr($html, 0, (int) strrpos($html, '>') + 1);
        preg_match_all('#<(/?)(?!'.self::ENDS_ITSELF.')[a-z][^>]*?(/?)>#i', $tagged, $tags, PREG_SET_ORDER);
        $depth = 0;
        foreach ($tags as [, $closes, $isEmpty]) {
            $depth = max(0, $depth + ($closes === '/' ? -1 : ($isEmpty === '/' ? 0 : 1)));
            if ($depth > $levels) {
                return true;
            }
        }

        return false;
    }
}
