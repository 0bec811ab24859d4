<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Tree\Page;
use Heronstem\Core\Visitors\PageAccess;
use Heronstem\Core\Workspace\Workspace;

/** What can decide who sees a page, before a batch and as it leaves the site: worked out once for every page that others stand below. */
final class AccessLines
{
    /** @var array<string, list<PageAccess>> */
    private array $before = [];

    /** @var array<string, list<PageAccess>> */
    private array $after = [];

    public function __construct(private readonly Workspace $workspace)
    {
    }

    /** @return list<PageAccess> nearest first */
    public function before(Page $page): array
    {
        return $this->before[$page->id] ??= self::line(
            $page,
            $page->parent === null ? null : $this->workspace->pages->before($page->parent),
            $this->before(...),
        );
    }

    /** @return list<PageAccess> nearest first */
    public function after(Page $page): array
    {
        return $this->after[$page->id] ??= self::line(
            $page,
            $page->parent === null ? null : $this->workspace->pages->find($page->parent),
            $this->after(...),
        );
    }

    /** Whether everyone saw it, and search engines with them. */
    public function wasOpen(Page $page): bool
    {
        return $this->isEveryone($this->before($page));
    }

    public function isOpen(Page $page): bool
    {
        return $this->isEveryone($this->after($page));
    }

    /** @param  list<PageAccess>  $line */
    private function isEveryone(array $line): bool
    {
        return $line === [] || (PageAccess::at($this->workspace->now(), $line)?->isEveryone() ?? true);
    }

    /**
     * @param  \Closure(Page): list<PageAccess>  $of
     * @return list<PageAccess>
     */
    private static function line(Page $page, ?Page $parent, \Closure $of): array
    {
        if ($page->access?->isLasting() === true) {
            return [$page->access];
        }
        $above = $parent === null ? [] : $of($parent);

        return $page->access === null ? $above : [$page->access, ...$above];
    }
}
