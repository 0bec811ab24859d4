<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\BinnedInside;
use Heronstem\Core\Workspace\Workspace;

/**
 * Takes away again the pages that an entry made, whatever is made inside another first. One stays, and a note says so, if it has changed
 * since, has pages inside, is the start page, or visitors know it.
 */
final class Unmaking
{
    /** @var array<string, Page|null> those taken away, as they were found; null where that is as they were before the batch */
    private array $gone = [];

    /** @var array<string, list<string>> pages in the bin that lay inside one that was taken away */
    private array $setFree = [];

    /** @var list<Page> */
    private array $kept = [];

    /** @var array<string, array<string, true>> */
    private array $mates = [];

    /** @var array<string, true> pages with all that lay in the bin with them that were looked through */
    private array $looked = [];

    /** @param  array<string, string|null>  $made  what each page that the entry made strayed in since, by page */
    public function __construct(private array $made, private readonly BinnedInside $binned, private readonly Workspace $workspace)
    {
    }

    public function all(): void
    {
        foreach (array_reverse(array_keys($this->made)) as $id) {
            $this->unmake((string) $id);
        }
    }

    /** A page turns out to stay inside of this one: if it was taken away, it stays too, and so do those that it was made inside of. */
    public function keep(?string $id): void
    {
        if ($id === null || ! array_key_exists($id, $this->gone)) {
            return;
        }
        $page = $this->gone[$id] ?? ($this->workspace->pages->before($id) ?? throw new \LogicException('A page that was taken away was not there.'));
        unset($this->gone[$id]);
        $this->keep($page->parent);
        $this->workspace->pages->put($page);
        foreach ($this->setFree[$page->id] ?? [] as $each) {
            $binned = $this->workspace->pages->find($each);
            if ($binned !== null && $binned->isBinned() && $binned->parent === null) {
                $this->workspace->pages->put($binned->placed($page->id, $binned->position));
            }
        }
        $this->kept[] = $page;
    }

    /** Once it is known what stays where, so that as many are told as are inside. */
    public function sayWhatWasKept(): void
    {
        foreach ($this->kept as $page) {
            $this->stays($page, (string) count($this->inside($page)));
        }
    }

    private function unmake(string $id): void
    {
        $page = array_key_exists($id, $this->made) ? $this->workspace->pages->find($id) : null;
        $strayed = $this->made[$id] ?? null;
        unset($this->made[$id]);
        if ($page === null) {
            return;
        }
        foreach ($this->inside($page) as $child) {
            $this->unmake($child);
        }
        $inside = count($this->inside($page));
        if ($strayed !== null || $inside > 0 || $this->workspace->mustStay($id) || $this->workspace->isStartPage($id)) {
            $this->stays($page, $inside > 0 ? "$inside" : $strayed ?? 'address');

            return;
        }
        foreach ($this->binned->of($id) as $binned) {
            $this->setFree[$id][] = $binned->id;
            $this->workspace->pages->put($binned->placed(null, $binned->position));
        }
        $this->gone[$id] = $this->workspace->pages->hasTouched($id) ? $page : null;
        $this->workspace->pages->remove($id);
    }

    /** @return list<string> pages right inside; of one in the bin, those that lie there with it */
    private function inside(Page $page): array
    {
        if (! $page->isBinned()) {
            return array_map(strval(...), array_keys($this->workspace->pages->childOrder($page->id)));
        }
        $inside = [];
        foreach (array_keys($this->mates($page->id)[$page->id] ?? []) as $id) {
            $mate = $this->workspace->pages->find((string) $id);
            if ($mate !== null && $mate->parent === $page->id && $mate->isBinned() && $mate->bin !== $mate->id) {
                $inside[] = $mate->id;
            }
        }

        return $inside;
    }

    /** @return array<string, array<string, true>> pages that are, or were, in the bin with others, by the page that they are right inside of */
    private function mates(string $page): array
    {
        $root = $this->workspace->pages->before($page)->bin ?? '';
        if (! isset($this->looked[$root])) {
            $this->looked[$root] = true;
            foreach ([...$root === '' ? [] : $this->workspace->pages->branchBefore($root), ...$this->workspace->pages->touched()] as $id) {
                $parent = $this->workspace->pages->find($id)?->parent;
                if ($parent !== null) {
                    $this->mates[$parent][$id] = true;
                }
            }
        }

        return $this->mates;
    }

    private function stays(Page $page, string $why): void
    {
        $this->workspace->note(new Note(NoteKind::StaysMade, $page->id, $page->name, $why));
    }
}
