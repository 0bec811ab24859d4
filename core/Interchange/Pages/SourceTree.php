<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Change\BringIn;
use Heronstem\Core\InputRefused;

/**
 * The pages of a source as a tree: by their addresses, with what is missing in between, or by what the source says of parents.
 * Cost: linear in the segments of all addresses.
 */
final class SourceTree
{
    /** Deepest a page may stand. */
    private const MAX_DEPTH = 32;

    /** @var list<PlacedPage> in the order of the source, sections in between before the first page below them */
    public array $pages = [];

    /** @var array<string, PlacedPage> by address */
    private array $byPath = [];

    /** @var array<string, PlacedPage> by what other pages name them by */
    private array $byKey = [];

    private ?string $host = null;

    public function __construct(private readonly AddressRules $rules, private readonly BringOptions $options)
    {
    }

    /** @param  iterable<GivenPage>  $given */
    public static function of(iterable $given, AddressRules $rules, BringOptions $options): self
    {
        $self = new self($rules, $options);
        $self->takeIn($given);
        $self->join();

        return $self;
    }

    /** The host of most addresses, where they name one. */
    public function host(): ?string
    {
        return $this->host;
    }

    public function at(string $address): ?PlacedPage
    {
        try {
            $written = WrittenAddress::read($address);
        } catch (InputRefused) {
            return null;
        }

        return $written->host === null || $written->host === $this->host ? $this->byPath[$this->path($written->segments)] ?? null : null;
    }

    /** The page that another names as its parent. */
    public function named(string $key): ?PlacedPage
    {
        return $this->byKey[$key] ?? ($this->byKey[mb_strtolower($key)] ?? (str_contains($key, '/') ? $this->at($key) : null));
    }

    /** @param  iterable<GivenPage>  $given */
    private function takeIn(iterable $given): void
    {
        $hosts = [];
        foreach ($given as $page) {
            if (count($this->pages) > 4 * BringIn::MAX_PAGES) {
                throw new InputRefused('text', sprintf('There is more in this than can be looked over at once: more than %s pages.', number_format(4 * BringIn::MAX_PAGES)));
            }
            $placed = $this->taken($page->light());
            $this->pages[] = $placed;
            if ($placed->written?->host !== null) {
                $hosts[$placed->written->host] = ($hosts[$placed->written->host] ?? 0) + 1;
            }
        }
        arsort($hosts);
        $this->host = array_key_first($hosts) === null ? null : (string) array_key_first($hosts);
    }

    private function taken(GivenPage $page): PlacedPage
    {
        $written = null;
        $fault = null;
        if ($page->address !== null) {
            try {
                $written = WrittenAddress::read($page->address);
            } catch (InputRefused $no) {
                $fault = Remark::refusing($no->field, $no->reason);
            }
        }
        $placed = new PlacedPage($page, $written, $page->hasPlace ? null : $written?->segments);
        if ($fault !== null) {
            $placed->remark($fault);
        } elseif ($written === null && ! $page->hasPlace && $page->id === null && $page->name === null) {
            $placed->remark(Remark::refusing('address', 'There is neither an address nor a name here: nothing says which page this is.'));
        }
        if ($page->isRefused()) {
            $placed->status = PlacedStatus::Refused;
        }

        return $placed;
    }

    private function join(): void
    {
        foreach ($this->pages as $page) {
            $this->know($page);
        }
        $joined = [];
        foreach ($this->pages as $page) {
            if (! $page->isRefused()) {
                $page->segments === null ? $this->under($page) : $this->byAddress($page, $joined);
            }
            $joined[] = $page;
        }
        $this->pages = $joined;
        $this->guardDepth();
    }

    private function know(PlacedPage $page): void
    {
        if ($page->isRefused()) {
            return;
        }
        if ($page->written?->host !== null && $page->written->host !== $this->host) {
            $page->remark(Remark::refusing('address', "This is on another host than the others: {$page->written->host}, not {$this->host}."));

            return;
        }
        if ($page->segments !== null && ($page->written->query ?? '') !== '') {
            $page->remark(Remark::refusing('address', 'What follows the question mark is no place in a tree. Give the page an address of its own, or leave the row out; a redirect can lead from this one.'));

            return;
        }
        if ($page->written !== null) {
            $path = $this->path($page->written->segments);
            $first = $this->byPath[$path] ?? null;
            if ($first !== null && $page->segments !== null) {
                $page->remark(Remark::refusing('address', "This is the same page as {$first->given->at}, written otherwise; its address leads there as well."));
                array_push($first->spellings, ...$page->spellings);

                return;
            }
            $this->byPath[$path] ??= $page;
        }
        foreach (array_filter([$page->given->key, $page->given->id], static fn (?string $key): bool => $key !== null && $key !== '') as $key) {
            $this->byKey[$key] ??= $page;
            $this->byKey[mb_strtolower($key)] ??= $page;
        }
    }

    private function under(PlacedPage $page): void
    {
        $parent = $page->given->parent;
        if ($parent === null || $parent === '') {
            $page->under = $this->options->under;

            return;
        }
        $above = $this->named($parent);
        if ($above === $page) {
            $page->remark(Remark::refusing('parent', 'The page names itself as the one above it.'));
        } elseif ($above === null) {
            $page->under = $parent; // perhaps one that is in the tree
        } else {
            $page->above = $above;
        }
    }

    /** @param  list<PlacedPage>  $joined  what stands before it, to which sections in between are added */
    private function byAddress(PlacedPage $page, array &$joined): void
    {
        $segments = $page->segments ?? [];
        $path = '';
        $above = null;
        foreach (array_slice($segments, 0, -1) as $i => $segment) {
            $path = $this->path(array_slice($segments, 0, $i + 1));
            $there = $this->byPath[$path] ?? null;
            if ($there === null && $this->options->gaps === Gaps::Sections) {
                $there = new PlacedPage(new GivenPage('in between'), null, array_slice($segments, 0, $i + 1));
                $there->status = PlacedStatus::Between;
                $there->above = $above;
                $there->under = $above === null ? $this->options->under : null;
                $this->byPath[$path] = $there;
                $joined[] = $there;
            }
            $above = $there === null || $there->isRefused() ? $above : $there;
        }
        $page->above = $above;
        $page->under = $above === null ? $this->options->under : null;
    }

    /** @param  list<string>  $segments */
    private function path(array $segments): string
    {
        $path = '/'.implode('/', $segments);

        return $this->rules->caseSensitive ? $path : mb_strtolower($path);
    }

    /** A page below one that is not taken is not taken either; so is one of a circle, and one too deep. */
    private function guardDepth(): void
    {
        $levels = new \SplObjectStorage();
        foreach ($this->pages as $page) {
            $line = [];
            $seen = new \SplObjectStorage();
            for ($at = $page; $at !== null && ! isset($levels[$at]) && ! isset($seen[$at]); $at = $at->above) {
                $line[] = $at;
                $seen[$at] = true;
            }
            $isCircle = $at !== null && isset($seen[$at]);
            $level = $at === null || $isCircle ? -1 : $levels[$at];
            foreach (array_reverse($line) as $each) {
                $levels[$each] = ++$level;
                $above = $each->above;
                if ($each->isRefused()) {
                    continue;
                }
                if ($isCircle || $level > self::MAX_DEPTH) {
                    $each->remark(Remark::refusing('parent', $isCircle ? 'The pages above this one form a loop.' : 'This stands deeper than '.self::MAX_DEPTH.' levels.'));
                } elseif ($above?->isRefused() === true) {
                    $each->remark(Remark::refusing('parent', "The page above it, {$above->given->at}, cannot be taken."));
                }
            }
        }
    }
}
