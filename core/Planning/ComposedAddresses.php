<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

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

    /** @var array<string, true> pages whose address may differ from before */
    private array $affected = [];

    /** @var array<string, int> */
    private array $levels = [];

    private function __construct(private readonly Workspace $workspace)
    {
    }

    /**
     * Every touched or affected page as it will be.
     *
     * @throws InputRefused when a branch would stand too deep
     */
    public static function of(Workspace $workspace): PagesAfter
    {
        return (new self($workspace))->outcome();
    }

    private function outcome(): PagesAfter
    {
        $outcome = new PagesAfter($this->workspace->pages);
        foreach ($this->workspace->pages->touched() as $id) {
            $page = $this->workspace->pages->find($id);
            $outcome->add($id);
            $before = $this->workspace->pages->before($id);
            if ($page === null || $page->isBinned() || ($before !== null && ! $this->movesBranch($before, $page))) {
                continue;
            }
            $this->affected[$id] = true;
            foreach ($before === null || $before->isBinned() ? [] : $this->workspace->pages->branchBefore($id) as $below) {
                $this->affected[$below] = true;
            }
        }
        if ($this->workspace->rulesDifference()?->respells() === true) {
            $this->affected += $this->workspace->pages->wholeBefore();
        }
        $composer = AddressComposer::where($this->workspace, fn (string $id): bool => isset($this->affected[$id]));
        foreach ($this->affected as $id => $_) {
            $page = $this->workspace->pages->find((string) $id);
            if ($page !== null && ! $page->isBinned()) {
                $outcome->addAt($page, $composer->address($page));
                $this->guardDepth($page);
            }
        }

        return $outcome;
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
