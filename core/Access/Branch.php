<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

/** Port: the part of a site in which somebody works, as it is before a batch. */
interface Branch
{
    /** The page at its top; null for the whole site. */
    public function root(): ?string;

    /**
     * @param  list<string>  $pages
     * @return array<string, bool> for each page that is on the site, whether it lies in the branch, its top included
     */
    public function holds(array $pages): array;

    /** @return array<string, int> the children of a page (of the top for null) with their positions, in order */
    public function childOrder(?string $parent): array;
}
