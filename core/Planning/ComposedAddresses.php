<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\AddressShift;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\AddressComposer;
use Heronstem\Core\Workspace\PagesAfter;
use Heronstem\Core\Workspace\Workspace;

/**
 * Works out every address that a batch touches, inherited ones included, and guards the depth.
 * Cost: the branches below pages whose place, slug or pinned address changed.
 */
final class ComposedAddresses
{
    /** Deepest level a page may stand on; the top is level 1. */
    public const MAX_DEPTH = 32;

    /** @var array<string, true> pages that are looked at by themselves and whose address may differ from before */
    private array $affected = [];

    /** @var array<string, bool> whether a page, or one that it stands below, is such */
    private array $moved = [];

    /** @var array<string, int> */
    private array $levels = [];

    private readonly AddressComposer $composer;

    private readonly PagesAfter $outcome;

    private function __construct(private readonly Workspace $workspace)
    {
        $this->composer = AddressComposer::where($workspace, $this->moves(...));
        $this->outcome = new PagesAfter($workspace->pages);
    }

    /**
     * Every touched or affected page as it will be.
     *
     * @param  bool  $mayCarry  whether nothing in the batch tells single addresses below a page what becomes of them
     *
     * @throws InputRefused when a branch would stand too deep
     */
    public static function of(Workspace $workspace, bool $mayCarry): PagesAfter
    {
        return (new self($workspace))->outcome($mayCarry && $workspace->rulesDifference() === null);
    }

    private function outcome(bool $mayCarry): PagesAfter
    {
        $branches = [];
        foreach ($this->workspace->pages->touched() as $id) {
            $page = $this->workspace->pages->find($id);
            $this->outcome->add($id);
            $before = $this->workspace->pages->before($id);
            if ($page === null || $page->isBinned() || ($before !== null && ! $this->movesBranch($before, $page))) {
                continue;
            }
            $this->affected[$id] = true;
            if ($before !== null && ! $before->isBinned()) {
                $branches[$id] = [$before, $page];
            }
        }
        if ($this->workspace->rulesDifference()?->respells() === true) {
            $this->affected += $this->workspace->pages->wholeBefore();
        }
        $this->takeAlong($branches, $mayCarry);
        foreach ($this->affected as $id => $_) {
            $page = $this->workspace->pages->find((string) $id);
            if ($page !== null && ! $page->isBinned()) {
                $this->outcome->addAt($page, $this->composer->address($page));
                $this->guardDepth($page);
            }
        }

        return $this->outcome;
    }

    /**
     * What is below pages that move: plainly, where that can be, the others each by itself.
     *
     * @param  array<string, array{Page, Page}>  $branches  pages at the top, before and after
     */
    private function takeAlong(array $branches, bool $mayCarry): void
    {
        $carried = new CarriedBranches($this->workspace, array_fill_keys(array_keys($branches), true));
        $whole = [];
        foreach ($branches as $id => [$before, $after]) {
            $isPlain = $mayCarry && ! $before->leftOut && ! $after->leftOut;
            $shift = $isPlain ? AddressShift::between($before->address, $this->composer->address($after), $this->workspace->rules()) : null;
            if ($shift === null) {
                $whole[] = (string) $id;
            } else {
                $carried->takeAlong($after, $shift, self::MAX_DEPTH - $this->level($after));
            }
        }
        $this->outcome->carry($carried->pages);
        $this->workspace->pages->expect($carried->others());
        $this->affected += array_fill_keys($carried->others(), true);
        foreach ($whole as $id) {
            $this->affected += array_fill_keys($this->workspace->pages->branchBefore($id), true);
        }
    }

    /** Whether a page's address may differ from before: something became of it, or of one that it stands below. */
    private function moves(string $id): bool
    {
        if (! isset($this->moved[$id])) {
            $parent = $this->workspace->pages->find($id)?->parent;
            $this->moved[$id] = isset($this->affected[$id]) || ($parent !== null && $this->moves($parent));
        }

        return $this->moved[$id];
    }

    private function movesBranch(Page $before, Page $after): bool
    {
        return $before->parent !== $after->parent ||
            ! $before->slug->equals($after->slug) ||
            $before->pinned?->path !== $after->pinned?->path ||
            $before->leftOut !== $after->leftOut ||
            $before->isBinned() ||
            ($before->id === $this->workspace->startPage()) !== ($before->id === $this->workspace->site->startPage);
    }

    private function guardDepth(Page $page): void
    {
        if ($this->level($page) > self::MAX_DEPTH) {
            throw new InputRefused(
                'place',
                sprintf('“%s” would stand more than %d levels deep. Choose a place further up.', $page->name, self::MAX_DEPTH),
            );
        }
    }

    private function level(Page $page): int
    {
        return $this->levels[$page->id] ??= $page->parent === null ? 1 : 1 + $this->level($this->workspace->pages->page($page->parent, 'place'));
    }
}
