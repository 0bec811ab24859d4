<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Composition;

/**
 * Works out every address that a batch touches, inherited ones included, and guards the depth.
 * Cost: the branches below pages whose place, slug or pinned address changed.
 */
final class Recomposition
{
    /** Deepest level a page may stand on; the top is level 1. */
    public const DEEPEST = 32;

    /** @var array<string, true> pages whose address may differ from before */
    private array $affected = [];

    /** @var array<string, Address> */
    private array $addresses = [];

    /** @var array<string, int> */
    private array $levels = [];

    private function __construct(private readonly Workspace $workspace)
    {
    }

    /**
     * @return array<string, Page|null> every touched or affected page as it will be; null for a removed one
     *
     * @throws ChangeRefused when a branch would stand too deep
     */
    public static function of(Workspace $workspace): array
    {
        return (new self($workspace))->outcome();
    }

    /** @return array<string, Page|null> */
    private function outcome(): array
    {
        $outcome = [];
        foreach ($this->workspace->touched() as $id) {
            $page = $this->workspace->find($id);
            $outcome[$id] = $page;
            $before = $this->workspace->before($id);
            if ($page === null || ($before !== null && ! $this->movesBranch($before, $page))) {
                continue;
            }
            $this->affected[$id] = true;
            foreach ($before === null ? [] : $this->workspace->branchBefore($id) as $below) {
                $this->affected[$below] = true;
            }
        }
        foreach (array_keys($this->affected) as $id) {
            $page = $this->workspace->find((string) $id);
            if ($page !== null) {
                $outcome[$page->id] = $page->at($this->address($page));
                $this->guardDepth($page);
            }
        }

        return $outcome;
    }

    private function movesBranch(Page $before, Page $after): bool
    {
        return $before->parent !== $after->parent || ! $before->slug->equals($after->slug) || $before->pinned?->path !== $after->pinned?->path;
    }

    private function address(Page $page): Address
    {
        if (isset($this->addresses[$page->id])) {
            return $this->addresses[$page->id];
        }
        $rules = $this->workspace->rules();
        $address = match (true) {
            ! isset($this->affected[$page->id]) => $page->address,
            $page->id === $this->workspace->site->startPage => Address::stored('/', $rules),
            $page->pinned !== null => $page->pinned,
            $page->parent === null => Composition::compose(null, $page->slug, $rules),
            default => Composition::compose($this->address($this->workspace->page($page->parent, 'place')), $page->slug, $rules),
        };

        return $this->addresses[$page->id] = $address;
    }

    private function guardDepth(Page $page): void
    {
        if ($this->level($page) > self::DEEPEST) {
            throw new ChangeRefused('place', sprintf('“%s” would stand more than %d levels deep. Choose a place further up.', $page->name, self::DEEPEST));
        }
    }

    private function level(Page $page): int
    {
        return $this->levels[$page->id] ??= $page->parent === null ? 1 : 1 + $this->level($this->workspace->page($page->parent, 'place'));
    }
}
