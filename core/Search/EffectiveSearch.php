<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

use Heronstem\Core\Tree\ChangeFrequency;
use Heronstem\Core\Tree\SearchDefaults;

/** What holds for a page after everything it inherits, and where each of it comes from. */
final readonly class EffectiveSearch
{
    /** The title pattern of a site that has none. */
    public const TITLE_PATTERN = '{heading} · {site}';

    /**
     * @param  SearchDefaults  $values  with nothing left open but pattern of the description, priority, frequency and picture
     * @param  array<string, SettingSource>  $sources  by field of the values
     */
    private function __construct(public SearchDefaults $values, public array $sources)
    {
    }

    /**
     * @param  list<array{SettingSource, SearchDefaults}>  $scopes  the nearest first
     */
    public static function of(array $scopes): self
    {
        $scopes[] = [
            new SettingSource(SettingScope::Default),
            new SearchDefaults(titlePattern: self::TITLE_PATTERN, index: true, follow: true, inSitemap: true, inSiteSearch: true),
        ];
        $fields = $sources = [];
        foreach ($scopes as [$source, $says]) {
            foreach (get_object_vars($says) as $field => $value) {
                if ($value !== null && ! isset($sources[$field])) {
                    $fields[$field] = $value;
                    $sources[$field] = $source;
                }
            }
        }

        return new self(new SearchDefaults(...$fields), $sources);
    }

    /** What holds where nothing is set at all. */
    public static function byDefault(): self
    {
        return self::of([]);
    }

    public function titlePattern(): TextPattern
    {
        return TextPattern::stored($this->values->titlePattern ?? self::TITLE_PATTERN);
    }

    public function descriptionPattern(): ?TextPattern
    {
        return $this->values->descriptionPattern === null ? null : TextPattern::stored($this->values->descriptionPattern);
    }

    public function index(): bool
    {
        return $this->values->index ?? true;
    }

    public function follow(): bool
    {
        return $this->values->follow ?? true;
    }

    public function inSitemap(): bool
    {
        return $this->values->inSitemap ?? true;
    }

    /** Whether the site's own search may show it. */
    public function inSiteSearch(): bool
    {
        return $this->values->inSiteSearch ?? true;
    }

    /** Tenths, 0 to 10; null where nobody said any. */
    public function priority(): ?int
    {
        return $this->values->priority;
    }

    public function changeFrequency(): ?ChangeFrequency
    {
        return $this->values->changeFrequency;
    }

    public function source(string $field): SettingSource
    {
        return $this->sources[$field] ?? new SettingSource(SettingScope::Default);
    }
}
