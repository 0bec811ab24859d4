<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

/** What somebody chose for bringing pages in. */
final readonly class BringOptions
{
    /**
     * @param  string|null  $under  page below which the source's own top stands; null for the top of the tree
     * @param  bool  $changesKnown  whether pages that are there already are changed, rather than left as they are
     * @param  bool  $keepsAddresses  whether the addresses that the source names lead to the pages, where those get others
     * @param  string  $zone  in which moments are read that name none
     */
    public function __construct(
        public ?string $under = null,
        public Gaps $gaps = Gaps::Sections,
        public BroughtAs $as = BroughtAs::Draft,
        public bool $changesKnown = true,
        public bool $keepsAddresses = true,
        public string $zone = 'UTC',
    ) {
    }
}
