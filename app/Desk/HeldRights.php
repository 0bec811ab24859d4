<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Store\StoredMarks;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\RightsOfPerson;
use Heronstem\Core\Access\Verdict;

/** What somebody may do on a site, asked by the pages as they are stored. */
final readonly class HeldRights
{
    /** @param  array<int, string>  $branches  that something is said of, by the keys of their pages */
    public function __construct(public RightsOfPerson $rights, private array $branches)
    {
    }

    public function may(Right $right): bool
    {
        return $this->rights->may($right);
    }

    public function mayOn(Right $right, Page $page): bool
    {
        return $this->on($right, $page)->isYes;
    }

    public function on(Right $right, Page $page): Verdict
    {
        return $this->rights->on($right, StoredMarks::along($page->path, $this->branches));
    }

    /** @return list<Right> */
    public function allOn(string $path): array
    {
        $around = StoredMarks::along($path, $this->branches);

        return array_values(array_filter(Right::cases(), fn (Right $right): bool => $this->rights->may($right, $around)));
    }
}
