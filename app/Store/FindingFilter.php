<?php

declare(strict_types=1);

namespace App\Store;

/** Which findings are looked at. */
final readonly class FindingFilter
{
    /**
     * @param  bool  $liveOnly  those of pages that visitors see
     * @param  string|null  $branch  identity of a page: it and all below
     */
    public function __construct(private bool $liveOnly = true, private ?string $branch = null, private ?string $layout = null)
    {
    }

    /** @return array{string, list<mixed>} a condition on `p`, and its values */
    public function sql(): array
    {
        $conditions = ['true'];
        $bindings = [];
        if ($this->liveOnly) {
            $conditions[] = "p.state = 'live'";
        }
        if ($this->branch !== null) {
            $conditions[] = 'p.path <@ (select path from pages where ulid = ? and site_id = p.site_id)';
            $bindings[] = $this->branch;
        }
        if ($this->layout !== null) {
            $conditions[] = 'p.layout = ?';
            $bindings[] = $this->layout;
        }

        return [implode(' and ', $conditions), $bindings];
    }
}
