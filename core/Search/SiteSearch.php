<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\SearchDefaults;
use Heronstem\Core\Tree\Stored;

/** What a site tells search engines as a whole: what its pages inherit, by layout too, and its robots.txt. */
final readonly class SiteSearch
{
    /**
     * @param  array<string, SearchDefaults>  $layouts  by key of the layout
     * @param  string  $robots  lines of robots.txt besides those that are composed (RFC 9309)
     */
    public function __construct(public SearchDefaults $defaults = new SearchDefaults(), public array $layouts = [], public string $robots = '')
    {
    }

    /** @param  list<Page>  $ancestors  nearest first */
    public function for(Page $page, array $ancestors): EffectiveSearch
    {
        return $this->effective(
            $page->search->own,
            $page->layout,
            array_map(
                static fn (Page $above): array => [new SettingSource(SettingScope::Branch, $above->id, $above->name), $above->branchSearch],
                [$page, ...$ancestors],
            ),
        );
    }

    /**
     * @param  SearchDefaults  $own  of the page
     * @param  list<array{SettingSource, SearchDefaults}>  $branches  its own branch, then those around it
     */
    public function effective(SearchDefaults $own, string $layout, array $branches): EffectiveSearch
    {
        return EffectiveSearch::of([
            [new SettingSource(SettingScope::Own), $own],
            ...$branches,
            [new SettingSource(SettingScope::Layout, $layout), $this->layouts[$layout] ?? new SearchDefaults()],
            [new SettingSource(SettingScope::Site), $this->defaults],
        ]);
    }

    /** @param  array<string, mixed>  $given  as SearchDefaults takes them */
    public function withDefaults(array $given, ?string $layout): self
    {
        if ($layout === null) {
            return new self($this->defaults->changed($given), $this->layouts, $this->robots);
        }
        $changed = ($this->layouts[$layout] ?? new SearchDefaults())->changed($given);

        return new self(
            $this->defaults,
            $changed->toArray() === [] ? array_diff_key($this->layouts, [$layout => true]) : [...$this->layouts, $layout => $changed],
            $this->robots,
        );
    }

    public function withRobots(string $lines): self
    {
        return new self($this->defaults, $this->layouts, $lines);
    }

    public function toText(): string
    {
        return Stored::text(
            array_filter([
                'defaults' => $this->defaults->toArray(),
                'layouts' => array_map(static fn (SearchDefaults $of): array => $of->toArray(), $this->layouts),
                'robots' => $this->robots,
            ]),
        );
    }

    public static function stored(?string $text): self
    {
        $kept = Stored::read($text);
        $layouts = [];
        foreach (is_array($kept['layouts'] ?? null) ? $kept['layouts'] : [] as $layout => $says) {
            $layouts[(string) $layout] = SearchDefaults::fromArray(is_array($says) ? $says : []);
        }

        return new self(
            SearchDefaults::fromArray(is_array($kept['defaults'] ?? null) ? $kept['defaults'] : []),
            $layouts,
            is_string($kept['robots'] ?? null) ? $kept['robots'] : '',
        );
    }
}
