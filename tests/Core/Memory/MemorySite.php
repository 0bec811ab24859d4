<?php

declare(strict_types=1);

namespace Tests\Core\Memory;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Claim;
use Heronstem\Core\Address\Ledger;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Linking\LinksInto;
use Heronstem\Core\Structure\Batch;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\Change\GoLive;
use Heronstem\Core\Structure\Change\Make;
use Heronstem\Core\Structure\Change\TakeBack;
use Heronstem\Core\Structure\Name;
use Heronstem\Core\Structure\Page;
use Heronstem\Core\Structure\Pages;
use Heronstem\Core\Structure\Place;
use Heronstem\Core\Structure\Planner;
use Heronstem\Core\Structure\Ripple;
use Heronstem\Core\Structure\SiteFrame;

/** A whole site in memory: the core's ports, and applying as plainly as can be. */
final class MemorySite implements Ledger, LinksInto, Pages
{
    /** @var array<string, Page> */
    public array $pages = [];

    /** @var array<string, Claim> */
    public array $claims = [];

    public ?string $startPage = null;

    public int $links = 0;

    public function __construct(public readonly AddressRules $rules = new AddressRules)
    {
    }

    /** Makes a live page and returns its identity; `$name` is unique enough in a test to be one. */
    public function live(string $name, ?string $parent = null, ?string $slug = null): string
    {
        $id = $this->draft($name, $parent, $slug);
        $this->apply(new GoLive($id));

        return $id;
    }

    public function draft(string $name, ?string $parent = null, ?string $slug = null): string
    {
        $this->apply(new Make($name, Name::of($name), Place::lastIn($parent), $slug === null ? null : Slug::of($slug)));

        return $name;
    }

    public function plan(Change ...$changes): Ripple
    {
        return $this->planBatch(Batch::of(...$changes));
    }

    public function planBatch(Batch $batch): Ripple
    {
        return (new Planner(new SiteFrame($this->rules, $this->startPage), $this, $this, $this))->plan($batch);
    }

    public function apply(Change ...$changes): Ripple
    {
        return $this->carryOut($this->plan(...$changes));
    }

    public function carryOut(Ripple $ripple): Ripple
    {
        if (! $ripple->canBeApplied()) {
            throw new \LogicException('A conflict is open at '.$ripple->conflicts[0]->address->path);
        }
        foreach ($ripple->outcome as $id => $page) {
            if ($page === null) {
                unset($this->pages[$id]);
            } else {
                $this->pages[$id] = $page;
            }
        }
        foreach ($ripple->claims as $difference) {
            if ($difference->after === null) {
                unset($this->claims[$difference->key]);
            } else {
                $this->claims[$difference->key] = $difference->after;
            }
        }

        return $ripple;
    }

    public function takeBack(Ripple $applied): Ripple
    {
        return $this->apply(new TakeBack('entry', $applied->pages, $applied->claims));
    }

    /** How a path is answered: `page NAME`, `redirect ADDRESS`, `hidden NAME` or `missed`. */
    public function answer(string $path): string
    {
        $claim = $this->claims[Address::asked($path, $this->rules)->key] ?? null;
        $page = $claim?->page === null ? null : $this->pages[$claim->page];
        if ($claim === null || $page === null) {
            return 'missed';
        }
        if (! $page->isLive()) {
            return 'hidden '.$page->name;
        }

        return $claim->isPageOf($page->id) ? 'page '.$page->name : 'redirect '.$page->address->path;
    }

    /** @return array{array<string, mixed>, array<string, mixed>} everything that must come back exactly */
    public function snapshot(): array
    {
        $pages = array_map(static fn (Page $p): array => [$p->parent, $p->position, $p->name, $p->slug->text, $p->slugByHand, $p->state->value, $p->everLive, $p->address->path], $this->pages);
        $claims = array_map(static fn (Claim $c): array => [$c->address->path, $c->kind->value, $c->page, $c->everLive], $this->claims);
        ksort($pages);
        ksort($claims);

        return [$pages, $claims];
    }

    public function page(string $id): ?Page
    {
        return $this->pages[$id] ?? null;
    }

    public function branch(string $id): iterable
    {
        if (isset($this->pages[$id])) {
            yield $this->pages[$id];
            foreach (array_keys($this->childOrder($id)) as $child) {
                yield from $this->branch((string) $child);
            }
        }
    }

    public function childOrder(?string $parent): array
    {
        $order = [];
        foreach ($this->pages as $page) {
            if ($page->parent === $parent) {
                $order[$page->id] = $page->position;
            }
        }
        asort($order);

        return $order;
    }

    public function claimsOn(array $addresses): array
    {
        return array_intersect_key($this->claims, array_flip(array_column($addresses, 'key')));
    }

    public function claimsOfPage(string $page): array
    {
        return array_values(array_filter($this->claims, static fn (Claim $claim): bool => $claim->page === $page));
    }

    public function countInto(array $pages): int
    {
        return $this->links;
    }
}
