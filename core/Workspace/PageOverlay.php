<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Address\AddressShift;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\CarriedPage;
use Heronstem\Core\Tree\PackedPages;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\Pages;
use Heronstem\Core\Tree\PersonAtPage;

/**
 * The pages as a batch leaves them, laid over what is: reads through to the port, keeps what changed, writes nothing.
 */
final class PageOverlay
{
    /** Room left between siblings, so that placing one rarely moves another. */
    public const GAP = 65536;

    /** Pages that are read at a time. */
    private const PIECE = 4000;

    private readonly PackedPages $original;

    /** With none for a page that goes away. */
    private readonly PackedPages $changed;

    private readonly OrdersBefore $ordersBefore;

    private readonly SiblingOrders $orders;

    private ?CarriedPages $carried = null;

    public function __construct(private readonly Pages $pages)
    {
        $this->original = new PackedPages();
        $this->changed = new PackedPages();
        $this->ordersBefore = new OrdersBefore($pages);
        $this->orders = new SiblingOrders($this->ordersBefore);
    }

    /**
     * Reads these pages and those above them in one go, or in few where they are very many.
     *
     * @param  list<string>  $ids
     */
    public function expect(array $ids): void
    {
        $unknown = array_values(array_filter($ids, fn (string $id): bool => ! $this->original->has($id)));
        foreach (array_chunk($unknown, self::PIECE) as $piece) {
            foreach ($this->pages->withAncestors($piece) as $page) {
                $this->remember($page);
            }
        }
        foreach ($unknown as $id) {
            $this->original->has($id) || $this->original->put($id, null);
        }
    }

    /**
     * Reads the children of these pages, as they were before the batch, in one go.
     *
     * @param  list<string|null>  $parents  the top of the site, null, is read when it is asked for
     */
    public function expectChildren(array $parents): void
    {
        $pages = array_filter($parents, is_string(...));
        $this->ordersBefore->expect(array_values(array_filter($pages, fn (string $parent): bool => ! $this->isNew($parent))));
    }

    /**
     * Reads so many levels of pages below these, as they were before the batch, each level in one go.
     *
     * @param  list<string|null>  $tops  null for the top of the site
     */
    public function expectBelow(array $tops, int $levels): void
    {
        for ($above = $tops; $levels > 0 && $above !== []; $levels--) {
            $this->expectChildren($above);
            $below = [];
            foreach ($above as $parent) {
                array_push($below, ...array_map(strval(...), array_keys($this->childOrderBefore($parent))));
            }
            $this->expect($below);
            $above = $below;
        }
    }

    public function find(string $id): ?Page
    {
        return $this->changed->find($id) ?? ($this->changed->has($id) ? null : $this->before($id));
    }

    /**
     * A page of the tree.
     *
     * @throws InputRefused when there is no such page on this site, or it lies in the bin
     */
    public function page(string $id, string $field = 'page'): Page
    {
        $page = $this->known($id, $field);
        if ($page->isBinned()) {
            throw new InputRefused($field, "“{$page->name}” is in the bin and takes part in nothing there. Bring it back first.");
        }

        return $page;
    }

    /** @throws InputRefused when there is no such page on this site, in the tree or in the bin */
    public function known(string $id, string $field = 'page'): Page
    {
        return $this->find($id) ?? throw new InputRefused($field, "There is no page $id on this site. It may have been undone; reload the outline.");
    }

    /** The page as it was before the batch. */
    public function before(string $id): ?Page
    {
        $page = $this->original->find($id);
        if ($page !== null || $this->original->has($id)) {
            return $page;
        }
        if ($this->carried?->has($id) === true) {
            $this->expect($this->carried->around($id));
        } else {
            $this->original->put($id, $this->pages->page($id));
        }

        return $this->original->find($id);
    }

    public function put(Page $page): void
    {
        $this->orders->remove($this->find($page->id));
        $this->changed->put($page->id, $page);
        $this->orders->add($page);
    }

    public function remove(string $id): void
    {
        $this->orders->remove($this->find($id));
        $this->changed->put($id, null);
    }

    /** @return list<string> pages that the batch touched, in the order of the first touch */
    public function touched(): array
    {
        return $this->changed->ids();
    }

    public function hasTouched(string $id): bool
    {
        return $this->changed->has($id);
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
            $this->remember($page);
            $ids[] = $page->id;
        }

        return $ids;
    }

    /**
     * What was below a page of the tree, each in few words, nothing of it remembered.
     *
     * @return iterable<CarriedPage>
     */
    public function carriedBefore(string $id, AddressShift $shift): iterable
    {
        return $this->pages->carried($id, $shift);
    }

    /** These are known to be there, and read in pieces where they are asked for. */
    public function carry(CarriedPages $pages): void
    {
        $this->carried = $pages;
    }

    /**
     * The page and everything below it as the batch leaves it, parents before their children; of one in the bin, what lies there with it.
     *
     * @return list<string>
     */
    public function branch(string $id): array
    {
        $candidates = [$id => true] + array_flip($this->branchBefore($id));
        foreach ($this->changed->ids() as $each) {
            $page = $this->changed->find($each);
            $was = $this->before($each);
            $candidates[$each] = true;
            if ($page !== null && $was !== null && $was->parent !== $page->parent) {
                $candidates += array_flip($this->branchBefore($each));
            }
        }
        $bin = $this->known($id)->bin;
        $levels = [$id => 0];
        foreach (array_keys($candidates) as $each) {
            $this->levelBelow((string) $each, $levels);
        }
        $levels = array_filter(
            $levels,
            fn (?int $level, string|int $each): bool => $level !== null && ($page = $this->find((string) $each)) !== null && $page->bin === $bin,
            ARRAY_FILTER_USE_BOTH,
        );
        asort($levels);

        return array_map(strval(...), array_keys($levels));
    }

    /** @param  array<string, int|null>  $levels by page, null for one that is not below */
    private function levelBelow(string $id, array &$levels): ?int
    {
        if (! array_key_exists($id, $levels)) {
            $parent = $this->find($id)?->parent;
            $above = $parent === null ? null : $this->levelBelow($parent, $levels);
            $levels[$id] = $above === null ? null : $above + 1;
        }

        return $levels[$id];
    }

    /** @return list<Page> all that lie in the bin on their own and may be right below something of this page's branch, as the batch leaves them */
    public function aloneInBin(string $id): array
    {
        $candidates = array_fill_keys($this->changed->ids(), true);
        foreach ($this->pages->binnedBelow($id) as $page) {
            $this->remember($page);
            $candidates[$page->id] = true;
        }
        $found = [];
        foreach (array_keys($candidates) as $each) {
            $now = $this->find((string) $each);
            if ($now !== null && $now->bin === $now->id) {
                $found[] = $now;
            }
        }

        return $found;
    }

    /**
     * @param  list<string>  $pages
     * @return iterable<PersonAtPage>
     */
    public function peopleAt(array $pages): iterable
    {
        return $this->pages->peopleAt($pages);
    }

    /** @return array<string, int> children with positions, in order, as they were before the batch */
    public function childOrderBefore(?string $parent): array
    {
        return $this->isNew($parent) ? [] : $this->ordersBefore->of($parent);
    }

    /** @return list<Page> ancestors as the batch leaves them, nearest first */
    public function ancestors(Page $page): array
    {
        $line = [];
        while ($page->parent !== null) {
            $page = $this->known($page->parent, 'parent');
            $line[] = $page;
        }

        return $line;
    }

    /**
     * Pages that name one of these as their canonical one, as they were before the batch.
     *
     * @param  list<string>  $pages
     * @return list<string>
     */
    public function namingAsCanonical(array $pages): array
    {
        $ids = [];
        foreach ($pages === [] ? [] : $this->pages->namingAsCanonical($pages) as $page) {
            $this->remember($page);
            $ids[] = $page->id;
        }

        return $ids;
    }

    /**
     * Pages that set something for their branch, as they were before the batch, in branches of some of these.
     *
     * @param  array<string, true>  $pages
     * @return list<string>
     */
    public function settingBranchesIn(array $pages): array
    {
        $setting = $pages === [] ? [] : $this->pages->settingBranches();
        $this->expect($setting);
        $found = [];
        foreach ($setting as $id) {
            $page = $this->before($id);
            foreach ($page === null ? [] : [$page, ...$this->ancestorsBefore($page)] as $above) {
                if (isset($pages[$above->id])) {
                    $found[] = $id;
                    break;
                }
            }
        }

        return $found;
    }

    /** @return list<Page> pages that have a tag as the batch leaves them */
    public function tagged(string $tag): array
    {
        foreach ($this->pages->tagged($tag) as $page) {
            $this->remember($page);
        }
        $found = [];
        foreach (array_keys(array_flip([...$this->original->ids(), ...$this->changed->ids()])) as $id) {
            $page = $this->find((string) $id);
            if ($page !== null && ! $page->isBinned() && $page->tags->has($tag)) {
                $found[] = $page;
            }
        }

        return $found;
    }

    /** @return array<string, true> every page of the tree as it was, each remembered for later reading */
    public function wholeBefore(): array
    {
        $ids = [];
        foreach ($this->pages->whole() as $page) {
            $this->remember($page);
            $ids[$page->id] = true;
        }

        return $ids;
    }

    /** @return list<Page> ancestors as they were before the batch, nearest first */
    public function ancestorsBefore(Page $page): array
    {
        $line = [];
        while ($page->parent !== null && ($above = $this->before($page->parent)) !== null) {
            $line[] = $page = $above;
        }

        return $line;
    }

    /** @return array<string, int> children with positions, in order, as the batch leaves them */
    public function childOrder(?string $parent): array
    {
        return $this->orders->of($parent, $this->changed, $this->isNew($parent));
    }

    /** Whether a page is known not to have been there before the batch. */
    private function isNew(?string $parent): bool
    {
        return $parent !== null && $this->original->has($parent) && $this->original->find($parent) === null;
    }

    private function remember(Page $page): void
    {
        $this->original->has($page->id) || $this->original->put($page->id, $page);
    }
}
