<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** Port: who has to be looked at again. */
interface AuditIndex extends AuditedSite
{
    /**
     * Pages whose answer about a key may be another once one page takes it or lets it go: the only other holder, or where
     * there is none, all that ask for it. With two other holders nobody's answer depends on a third.
     *
     * @return iterable<string>
     */
    public function asking(string $key, string $except): iterable;

    /** @return iterable<string> pages that say nearly the same */
    public function near(int $fingerprint, string $except): iterable;

    /** @return iterable<string> pages that name this one: by a link, as canonical, as parent */
    public function namingPage(string $id): iterable;

    /**
     * @param  list<string>  $addresses
     * @return iterable<string> pages that name one of them
     */
    public function namingAddresses(array $addresses): iterable;
}
