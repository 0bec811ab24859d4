<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\ClaimKind;
use Heronstem\Core\Redirect\Answers;
use Heronstem\Core\Redirect\Held;
use Heronstem\Core\Redirect\Standing;

/** What answers at an address once a batch is applied. */
final readonly class PlannedAnswers implements Answers
{
    public function __construct(private Workspace $workspace, private LedgerEffects $effects)
    {
    }

    public function at(string $key): ?Held
    {
        $claim = $this->effects->claimAt(Address::stored($key, $this->workspace->rules()));

        return $claim === null ? null : new Held($claim->address->path, $claim->kind, $claim->page === null ? null : $this->page($claim->page), $claim->kind === ClaimKind::Rule ? $this->workspace->redirects->claimingAt($key) : null, $claim->everLive);
    }

    public function page(string $id): ?Standing
    {
        $page = $this->workspace->find($id);

        return $page === null || $page->isBinned() ? null : new Standing($page->id, $page->name, $this->effects->addressOf($id)->path, $page->isLive(), $page->kind, $page->leadsTo);
    }

    /** Where a section leads is inside the tree: nothing there comes back to a rule. */
    public function firstInside(string $id): ?Standing
    {
        return null;
    }

    public function file(string $id): string
    {
        return "/_files/$id";
    }
}
