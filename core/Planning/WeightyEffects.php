<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageDifference;

/** Effects that are confirmed by signing in again: of people and rights, of who sees pages, of code, of what holds for the whole site. */
final class WeightyEffects
{
    /** What is set for the whole site and counts; how it is found is everyday work. */
    private const OF_SITE = ['head', 'outside'];

    /** Fields of a page. */
    private const OF_PAGES = ['access' => true, 'code' => true];

    public static function isIn(Ripple $ripple): bool
    {
        return $ripple->access->settings !== null ||
            $ripple->visitors->changes !== [] ||
            $ripple->addresses->rules !== null ||
            $ripple->pages->changeStartPages() ||
            array_intersect($ripple->search->settings?->fields() ?? [], self::OF_SITE) !== [] ||
            $ripple->pages->where(self::isWeighty(...)) !== [];
    }

    private static function isWeighty(PageDifference $difference): bool
    {
        return array_intersect_key($difference->before ?? [], self::OF_PAGES) !== [];
    }
}
