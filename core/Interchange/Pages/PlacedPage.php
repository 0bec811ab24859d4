<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Tree\Page;

/** One page of a source on its way into the tree: what is given of it, where it stands, and what it becomes. */
final class PlacedPage
{
    public PlacedStatus $status = PlacedStatus::New;

    /** Identity in the tree. */
    public string $id = '';

    public ?self $above = null;

    /** A page of the tree that it stands under, where that is none of the source. */
    public ?string $under = null;

    /** As it is now; null where it is not there yet. */
    public ?Page $before = null;

    /** As it becomes; null where it is refused. */
    public ?Page $after = null;

    /** Where it will be, as far as the structure alone says. */
    public ?Address $address = null;

    /** @var list<Address> */
    public array $former = [];

    /** @var list<Remark> */
    public array $remarks;

    /** @var list<string> ways in which the source writes its address, its own among them */
    public array $spellings = [];

    /** @param  list<string>|null  $segments  where its address stands; null where the source says its place otherwise */
    public function __construct(public GivenPage $given, public ?WrittenAddress $written, public ?array $segments)
    {
        $this->remarks = $given->remarks;
        if ($written !== null) {
            $this->spellings[] = $written->path;
        }
    }

    public function remark(Remark $remark): void
    {
        $this->remarks[] = $remark;
        if ($remark->refuses) {
            $this->status = PlacedStatus::Refused;
        }
    }

    public function isRefused(): bool
    {
        return $this->status === PlacedStatus::Refused;
    }

    public function level(): int
    {
        $level = 0;
        for ($at = $this->above; $at !== null; $at = $at->above) {
            $level++;
        }

        return $level;
    }
}
