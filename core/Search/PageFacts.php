<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

use Heronstem\Core\Content\Layout\FieldText;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageTexts;

/** What a page contributes to its own search appearance. */
final readonly class PageFacts
{
    /**
     * @param  string|null  $section  name of its topmost ancestor, null at the top
     * @param  string|null  $parent  name of its parent
     * @param  string  $text  its content without marks, blocks apart by line breaks
     * @param  EffectiveSearch  $settings  what holds for it after everything it inherits
     * @param  string|null  $canonical  absolute URL that counts, where it is not its own; empty where it names none
     * @param  bool  $listed  false for a page that is reached by its address only
     * @param  string|null  $picture  address of a picture for social cards
     * @param  (\Closure(): Layout)|null  $layout  that it has at its place, asked for where a pattern names a field; null where it has no fields
     */
    public function __construct(
        public string $name,
        public ?string $section,
        public ?string $parent,
        public PageTexts $texts,
        public string $text,
        public string $address,
        public EffectiveSearch $settings,
        public ?string $canonical = null,
        public bool $listed = true,
        public ?string $picture = null,
        private ?\Closure $layout = null,
    ) {
    }

    /**
     * Of a page of the tree.
     *
     * @param  list<Page>  $above  its ancestors, nearest first
     * @param  PageTexts|null  $texts  other than those that visitors get
     * @param  (\Closure(): Layout)|null  $layout  that it has at its place
     */
    public static function inTree(
        Page $page,
        array $above,
        EffectiveSearch $settings,
        ?PageTexts $texts = null,
        string $text = '',
        ?\Closure $layout = null,
    ): self {
        return new self(
            name: $page->name,
            section: $above === [] ? null : $above[count($above) - 1]->name,
            parent: $above[0]->name ?? null,
            texts: $texts ?? $page->texts,
            text: $text,
            address: $page->address->path,
            settings: $settings,
            listed: $page->listed,
            layout: $layout,
        );
    }

    /** What stands in a field, as somebody reads it; nothing where it has no such field. */
    public function field(string $key, string $language): string
    {
        $layout = $this->layout === null ? null : ($this->layout)();
        $field = $layout?->field($key);
        $value = $this->texts->fields->values[$key] ?? $field?->fallback();

        return $layout === null || $field === null || $value === null || ! $layout->takes($key, $value)
            ? ''
            : FieldText::of($field, $value, $language);
    }

    public function heading(): string
    {
        return $this->texts->heading ?? $this->name;
    }
}
