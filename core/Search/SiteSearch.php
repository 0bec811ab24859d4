<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\SearchDefaults;
use Heronstem\Core\Tree\Stored;

/** How a site is found as a whole: what its pages inherit, by layout too, its robots.txt, answers of its own search, and whom it asks outside. */
final readonly class SiteSearch
{
    /** Most answers of the site's own search. */
    public const MAX_ANSWERS = 500;

    /**
     * @param  array<string, SearchDefaults>  $layouts  by key of the layout
     * @param  string  $robots  lines of robots.txt besides those that are composed (RFC 9309)
     * @param  array<array-key, SearchAnswer>  $answers  by the words that are searched for, as SearchWords::key() has them
     * @param  string  $head  lines in the head of every page, as the owner of the site wrote them
     * @param  array<array-key, array<string, mixed>>  $fieldDefaults  what stands in fields of which a page says nothing, by layout and field
     */
    public function __construct(
        public SearchDefaults $defaults = new SearchDefaults(),
        public array $layouts = [],
        public string $robots = '',
        public array $answers = [],
        public OutsideServices $outside = new OutsideServices(),
        public string $head = '',
        public array $fieldDefaults = [],
    ) {
    }

    /** @param  list<Page>  $ancestors  nearest first */
    public function for(Page $page, array $ancestors): EffectiveSearch
    {
        return $this->effective(
            $page->search->own,
            $page->layout,
            array_map(static fn (Page $above): array => [new SettingSource(SettingScope::Branch, $above->id, $above->name), $above->branchSearch], [
                $page,
                ...$ancestors,
            ]),
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
            return $this->with(defaults: $this->defaults->changed($given));
        }
        $changed = ($this->layouts[$layout] ?? new SearchDefaults())->changed($given);

        return $this->with(
            layouts: $changed->toArray() === [] ? array_diff_key($this->layouts, [$layout => true]) : [...$this->layouts, $layout => $changed],
        );
    }

    public function withRobots(string $lines): self
    {
        return $this->with(robots: $lines);
    }

    public function withHead(string $lines): self
    {
        return $this->with(head: $lines);
    }

    /** @param  array<string, mixed>  $values  by field; none to leave it to the layout */
    public function withFieldDefaults(string $layout, array $values): self
    {
        $all = [...$this->fieldDefaults, $layout => $values];
        ksort($all, SORT_STRING);

        return $this->with(fieldDefaults: array_filter($all));
    }

    /**
     * @param  SearchAnswer|null  $answer  null takes it away
     *
     * @throws InputRefused when there are too many
     */
    public function withAnswer(SearchWords $words, ?SearchAnswer $answer): self
    {
        $answers = $this->answers;
        unset($answers[$words->key()]);
        if ($answer !== null) {
            $answers[$words->key()] = $answer;
        }
        if (count($answers) > self::MAX_ANSWERS) {
            throw new InputRefused(
                'words',
                sprintf('There are %d answers already, as many as a site can have. Remove one first.', self::MAX_ANSWERS),
            );
        }
        ksort($answers, SORT_STRING);

        return $this->with(answers: $answers);
    }

    public function withOutside(OutsideServices $outside): self
    {
        return $this->with(outside: $outside);
    }

    /** Whether something differs that bears on what pages tell search engines. */
    public function tellsOtherwiseThan(self $other): bool
    {
        return $this->with(answers: [], outside: new OutsideServices(), head: '')->toText() !==
            $other->with(answers: [], outside: new OutsideServices(), head: '')->toText();
    }

    /**
     * @param  array<string, SearchDefaults>|null  $layouts
     * @param  array<array-key, SearchAnswer>|null  $answers
     * @param  array<array-key, array<string, mixed>>|null  $fieldDefaults
     */
    private function with(
        ?SearchDefaults $defaults = null,
        ?array $layouts = null,
        ?string $robots = null,
        ?array $answers = null,
        ?OutsideServices $outside = null,
        ?string $head = null,
        ?array $fieldDefaults = null,
    ): self {
        return new self(
            $defaults ?? $this->defaults,
            $layouts ?? $this->layouts,
            $robots ?? $this->robots,
            $answers ?? $this->answers,
            $outside ?? $this->outside,
            $head ?? $this->head,
            $fieldDefaults ?? $this->fieldDefaults,
        );
    }

    public function toText(): string
    {
        return Stored::text(
            Stored::said([
                'defaults' => $this->defaults->toArray(),
                'layouts' => array_map(static fn (SearchDefaults $of): array => $of->toArray(), $this->layouts),
                'robots' => $this->robots,
                'answers' => array_map(static fn (SearchAnswer $answer): array => $answer->toArray(), $this->answers),
                'outside' => $this->outside->toArray(),
                'head' => $this->head,
                'fieldDefaults' => array_map(Stored::sorted(...), $this->fieldDefaults),
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
            array_map(
                static fn (mixed $answer): SearchAnswer => SearchAnswer::fromArray(is_array($answer) ? $answer : []),
                is_array($kept['answers'] ?? null) ? $kept['answers'] : [],
            ),
            OutsideServices::fromArray(is_array($kept['outside'] ?? null) ? $kept['outside'] : []),
            is_string($kept['head'] ?? null) ? $kept['head'] : '',
            array_filter(is_array($kept['fieldDefaults'] ?? null) ? $kept['fieldDefaults'] : [], is_array(...)),
        );
    }
}
