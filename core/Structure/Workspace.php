<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\AddressRules;

/**
 * The structure as a batch leaves it, laid over what is: reads through to the port,
 * keeps what changed, writes nothing.
 */
final class Workspace
{
    /** Room left between siblings, so that placing one rarely moves another. */
    public const GAP = 65536;

    /** @var array<string, Page|null> */
    private array $original = [];

    /** @var array<string, Page|null> null for a page that goes away */
    private array $changed = [];

    /** @var array<string, array<string, int>> children by parent, kept up to date once they were asked for */
    private array $orders = [];

    /** @var array<string, true> parents whose children have to be sorted again */
    private array $unsorted = [];

    public function __construct(public readonly SiteFrame $site, private readonly Pages $pages)
    {
    }

    public function rules(): AddressRules
    {
        return $this->site->rules;
    }

    public function find(string $id): ?Page
    {
        return array_key_exists($id, $this->changed) ? $this->changed[$id] : $this->before($id);
    }

    /** @throws ChangeRefused when there is no such page on this site */
    public function page(string $id, string $field = 'page'): Page
    {
        return $this->find($id) ?? throw new ChangeRefused($field, "There is no page $id on this site. It may have been taken back; reload the outline.");
    }

    /** The page as it was before the batch. */
    public function before(string $id): ?Page
    {
        if (! array_key_exists($id, $this->original)) {
            $this->original[$id] = $this->pages->page($id);
        }

        return $this->original[$id];
    }

    public function put(Page $page): void
    {
        $this->leave($this->find($page->id));
        $this->changed[$page->id] = $page;
        $key = $page->parent ?? '';
        if (isset($this->orders[$key])) {
            $last = array_key_last($this->orders[$key]);
            $this->orders[$key][$page->id] = $page->position;
            if ($last !== null && $this->orders[$key][$last] >= $page->position) {
                $this->unsorted[$key] = true;
            }
        }
    }

    public function remove(string $id): void
    {
        $this->leave($this->find($id));
        $this->changed[$id] = null;
    }

    private function leave(?Page $page): void
    {
        if ($page !== null) {
            unset($this->orders[$page->parent ?? ''][$page->id]);
        }
    }

    /** @return list<string> pages that the batch touched, in the order of the first touch */
    public function touched(): array
    {
        return array_map(strval(...), array_keys($this->changed));
    }

    /**
     * The page's branch as it was, each page remembered for later reading.
     *
     * @return list<string>
     */
    public function branchBefore(string $id): array
    {
        $ids = [];
        foreach ($this->pages->branch($id) as $page) {
            $this->original[$page->id] = $page;
            $ids[] = $page->id;
        }

        return $ids;
    }

    /** @return array<string, int> children with positions, in order, as the batch leaves them */
    public function childOrder(?string $parent): array
    {
        $key = $parent ?? '';
        if (! isset($this->orders[$key])) {
            $this->orders[$key] = $this->pages->childOrder($parent);
            foreach ($this->changed as $id => $page) {
                unset($this->orders[$key][$id]);
                if ($page !== null && $page->parent === $parent) {
                    $this->orders[$key][$page->id] = $page->position;
                }
            }
            $this->unsorted[$key] = true;
        }
        if (isset($this->unsorted[$key])) {
            asort($this->orders[$key]);
            unset($this->unsorted[$key]);
        }

        return $this->orders[$key];
    }

    /** @return list<Page> ancestors as the batch leaves them, nearest first */
    public function ancestors(Page $page): array
    {
        $line = [];
        while ($page->parent !== null) {
            $page = $this->page($page->parent, 'parent');
            $line[] = $page;
        }

        return $line;
    }
}
