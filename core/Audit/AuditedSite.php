<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

use Heronstem\Core\Linking\OutsideState;

/** Port: the pages of a site as the audit knows them, found by what they share. */
interface AuditedSite
{
    public function page(string $id): ?AuditedPage;

    /** Whether another page that counts (AuditedPage::counts) holds the key. */
    public function isShared(string $key, string $except): bool;

    /** Whether another page that counts says nearly the same (Fingerprint). */
    public function hasNear(int $fingerprint, string $except): bool;

    public function at(string $address): AddressFate;

    /** What is known of a link to another site. */
    public function outside(string $url): OutsideState;
}
