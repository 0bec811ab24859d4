<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** What is noticed in a menu. */
enum MenuFindingKind: string
{
    /** What the entry leads to is no longer there, or nothing answers at its address. */
    case LeadsNowhere = 'leads-nowhere';
    /** Its page is not live, is unlisted or lies in the bin: visitors do not see the entry. */
    case PageHidden = 'page-hidden';
    /** Its page is shown, and search engines are asked not to list it. */
    case Noindex = 'noindex';
    /** Its address sends on: visitors take a detour. */
    case Redirect = 'redirect';
    /** More entries on the first level than the place takes without getting crowded. */
    case Crowded = 'crowded';
    /** Deeper than the place shows. */
    case TooDeep = 'too-deep';
    /** Two entries of one level with the same label. */
    case LabelDoubled = 'label-doubled';
    /** Another entry of the menu leads there as well, on whatever level. */
    case TargetDoubled = 'target-doubled';
    /** A heading, or a branch, with nothing below it that visitors see. */
    case Blank = 'blank';
}
