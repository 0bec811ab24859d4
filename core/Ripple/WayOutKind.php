<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

enum WayOutKind: string
{
    case FreeSlug = 'free-slug';
    case Swap = 'swap';
    case ReplaceRedirect = 'replace-redirect';
    /** Take it from a page in the bin, which stays there without it. */
    case TakeOver = 'take-over';
    /** Delete the page in the bin that holds it for good. */
    case DeleteForGood = 'delete-for-good';
    /** Let a page answer where one was recorded as gone. */
    case AnswerAgain = 'answer-again';
    /** Let a redirect answer before the page that holds the address. */
    case StandInFront = 'stand-in-front';
    case ChooseAnother = 'choose-another';
}
