<?php

declare(strict_types=1);

namespace Heronstem\Core\Decision;

/** What a manager may answer to a question of a ripple. */
enum Answer: string
{
    /** A retired page's addresses send on to the nearest live page above it. */
    case Parent = 'parent';
    /** … are recorded as gone (410). */
    case Gone = 'gone';
    /** … send on to a page that is named. */
    case Page = 'page';
    /** Children go into the bin along with their parent. */
    case Along = 'along';
    /** Children take their parent's place in the tree. */
    case Up = 'up';
    /** Drafts below a page that goes live stay drafts; links written as addresses, and menu entries, stay as they are. */
    case Leave = 'leave';
    /** … go live with it. */
    case Live = 'live';
    /** Links written as addresses become links to their pages. */
    case Rewrite = 'rewrite';
    /** Menu entries are taken out. */
    case Remove = 'remove';
    /** Addresses known only in between send on to their page. */
    case Redirect = 'redirect';
    /** … are let go, as if they had never been. */
    case Free = 'free';
}
