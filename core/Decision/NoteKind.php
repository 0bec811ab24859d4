<?php

declare(strict_types=1);

namespace Heronstem\Core\Decision;

enum NoteKind: string
{
    /** The page is live, and a page above it (`other`) is not. */
    case LiveUnderHidden = 'live-under-hidden';
    /** The page is live and listed, and a page above it (`other`) is unlisted, so no menu leads there. */
    case NoMenuReaches = 'no-menu-reaches';
    /** The page stays live and drops out of a menu (`other`). */
    case LeavesMenu = 'leaves-menu';
    /** The page stays live and listed, and from now on stands in no menu at all that visitors see. */
    case InNoMenu = 'in-no-menu';
    /** The page was live in no menu, and a menu (`other`) leads there again. */
    case MenuReachesAgain = 'menu-reaches-again';
    /** Visitors of the site's start get no page. */
    case StartPageHidden = 'start-page-hidden';
    /** A page that showed cards of what is inside it shows those of the front page, once it is the start page. */
    case StartShowsOthers = 'start-shows-others';
    /** The address that visitors knew now answers with another page (`other`). */
    case AddressTakenOver = 'address-taken-over';
    /** A further address is taken away: `other` is recorded as gone. */
    case AddressGone = 'address-gone';
    /** The page gets another layout, which has no place for some fields (`other` names them): they are kept for the way back. */
    case FieldsKept = 'fields-kept';
    /** Pages go into the bin; `other` says how many go along. */
    case Retires = 'retires';
    /** A section without a live child: its address leads nowhere. */
    case SectionEmpty = 'section-empty';
    /** A pointer to a page that visitors cannot see (`other`). */
    case PointerBroken = 'pointer-broken';
    /** Somebody (`other`) has unsaved content on the page, which go with it. */
    case UnsavedContentGoes = 'unsaved-content-goes';
    /** Something is said of the rights of somebody, or of a role (`other`), in the branch of the page, which goes with it. */
    case BranchGoes = 'branch-goes';
    /** Undoing: this (`other`) has changed again since, and stays. */
    case Stays = 'stays';
    /** Undoing: a page that was made stays, since it has changed (`other` says what), or holds pages (how many). */
    case StaysMade = 'stays-made';
    /** Undoing: of a menu, what has changed again since stays. */
    case MenuStays = 'menu-stays';
    /** Undoing: the redirect of this source stays as it is by now, or stays away. */
    case RedirectStays = 'redirect-stays';
    /** Undoing: what the whole site tells search engines has changed again since, and stays. */
    case SearchStays = 'search-stays';
    /** Undoing: how addresses are written has changed again since, and stays. */
    case AddressRulesStay = 'address-rules-stay';
    /** Undoing: of rights, roles and people, what has changed again since stays. */
    case AccessStays = 'access-stays';
    /** A redirect (`other`) answers before this live page. */
    case RedirectHides = 'redirect-hides';
    /** Undoing: a redirect leads back to itself, as it did before. */
    case RedirectCircles = 'redirect-circles';
    /** A redirect leads on to another: visitors end up at `other`. */
    case RedirectChains = 'redirect-chains';
    /** Other redirects (`other` says how many) lead to the address of this one. */
    case RedirectsLeadHere = 'redirects-lead-here';
    /** Redirects lead to this page (`other` says how many), which visitors no longer get. */
    case RedirectsBreak = 'redirects-break';
    /** Undoing: the page is no longer there. */
    case IsGone = 'is-gone';
}
