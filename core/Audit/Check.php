<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/**
 * One rule of the audit. It looks at a page, at pages that the page names (AuditedPage::refersTo), at addresses that it
 * names (addressesNamed) and at whether another page shares one of its keys (keys): nothing else, so that it is known
 * which pages have to be looked at again after an edit.
 */
interface Check
{
    public function info(): CheckInfo;

    public function on(AuditedPage $page, AuditedSite $site): Verdict;
}
