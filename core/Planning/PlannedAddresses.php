<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Redirect\AddressHolder;
use Heronstem\Core\Redirect\AddressLookup;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Workspace\Workspace;

/** What answers at an address once a batch is applied. */
final readonly class PlannedAddresses implements AddressLookup
{
    public function __construct(private Workspace $workspace, private ClaimPlan $claims)
    {
    }

    public function at(string $key): ?AddressHolder
    {
        $claim = $this->claims->claimAt(Address::stored($key, $this->workspace->rules()));

        return $claim === null
            ? null
            : new AddressHolder(
                $claim->address->path,
                $claim->kind,
                $claim->page === null ? null : $this->page($claim->page),
                $claim->kind === ClaimKind::Rule ? $this->workspace->redirects->claimingAt($key) : null,
                $claim->everLive,
            );
    }

    public function page(string $id): ?AnsweringPage
    {
        $page = $this->workspace->pages->find($id);

        return $page === null || $page->isBinned()
            ? null
            : new AnsweringPage($page->id, $page->name, $this->claims->addressOf($id)->path, $page->isLive(), $page->kind, $page->leadsTo);
    }

    /** Where a section leads is inside the tree: nothing there comes back to a rule. */
    public function firstInside(string $id): ?AnsweringPage
    {
        return null;
    }

    public function file(string $id): string
    {
        return "/_files/$id";
    }
}
