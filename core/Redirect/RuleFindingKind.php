<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** What is noticed of a redirect rule. */
enum RuleFindingKind: string
{
    /** Visitors come back to where they were. */
    case Loop = 'loop';
    /** It leads to another redirect. */
    case Chain = 'chain';
    /** Others take every request that it could answer. */
    case NeverFires = 'never-fires';
    /** It answers before a live page. */
    case HidesPage = 'hides-page';
    /** Nothing answers where it leads: a page that is not live or lies in the bin, an address that nobody holds. */
    case DeadTarget = 'dead-target';
    /** Where it leads is recorded as gone. */
    case GoneTarget = 'gone-target';
    /** It leads to a site without encryption. */
    case NotHttps = 'not-https';
    case Expired = 'expired';
    /** Nobody has used it for long. */
    case Idle = 'idle';
    /** A branch does the same. */
    case Doubled = 'doubled';
}
