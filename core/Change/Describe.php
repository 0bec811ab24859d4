<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Workspace\Workspace;

/** Sets what a page says of itself and how it is laid out; of a live page at once. */
final readonly class Describe implements NamesFiles, RequestedChange
{
    use HasShape, NamesItsPage;

    /**
     * @param  array<string, string|null>  $texts  by the names of PageTexts
     * @param  string|null  $layout  null to leave it
     * @param  array<mixed>  $fields  of the layout, by their keys; null or blank for none
     * @param  array<string, mixed>  $showing  picture, reload and caching, as Showing takes them
     */
    public function __construct(
        public string $page,
        private array $texts = [],
        public ?string $layout = null,
        public array $fields = [],
        private array $showing = [],
    ) {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'describe',
            Subject::Pages,
            Field::text('heading', 'null to follow the name')->orNull()->optional(),
            Field::text('summary')->optional(),
            Field::text('searchTitle')->optional(),
            Field::text('searchDescription')->optional(),
            Field::text('socialTitle')->optional(),
            Field::text('socialDescription')->optional(),
            Field::text('layout')->optional(),
            Field::text('picture', 'the small picture in menus and on cards: identity of a file; null for none')->orNull()->optional(),
            Field::number('reload', 'minutes after which browsers load the page anew; null for never')->orNull()->optional(),
            Field::caching()->orNull()->optional(),
            Field::map('fields', 'what stands in fields of the layout, by their keys; null for nothing')->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        $page = $input->page();
        /** @var array<string, string|null> $texts */
        $texts = $input->only(array_keys(PageTexts::MAX_LENGTHS));
        foreach ($texts as $field => $text) {
            if (! is_string($text) && ($text !== null || $field !== 'heading')) {
                throw new InputRefused($field, 'This is a text.');
            }
        }
        $fields = $input->map('fields');
        $showing = $input->only(['picture', 'reload', 'caching']);
        if ($texts === [] && $fields === [] && $showing === [] && ! $input->has('layout')) {
            throw new InputRefused(
                'page',
                'Say what of the page is set: '.implode(', ', array_keys(PageTexts::MAX_LENGTHS)).', layout, fields, picture, reload or caching.',
            );
        }

        return new self($page, $texts, $input->textOrNull('layout'), $fields, $showing);
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if ($this->layout !== null) {
            $workspace->site->layouts->guard($this->layout);
        }
        $changed = $this->described($page, $workspace->layout($page, $this->layout));
        if (PageDifference::between($page, $changed) === null) {
            throw new NothingToChange('page', "“{$page->name}” says this already.");
        }
        $workspace->pages->put($changed);
    }

    public function filesNamed(): array
    {
        return array_filter(['picture' => $this->showing['picture'] ?? null], is_string(...));
    }

    public function sentence(Outcome $outcome): string
    {
        $called = [
            'heading' => 'heading',
            'summary' => 'summary',
            'searchTitle' => 'search title',
            'searchDescription' => 'search description',
            'socialTitle' => 'social title',
            'socialDescription' => 'social description',
            'layout' => 'layout',
            'fields' => 'fields',
            'picture' => 'small picture',
            'reload' => 'loading anew',
            'caching' => 'caching',
        ];

        return 'Changed '.implode(', ', array_values(array_intersect_key($called, $this->toArray())))." of {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return [
            'kind' => 'describe',
            'page' => $this->page,
            ...$this->texts,
            ...$this->layout === null ? [] : ['layout' => $this->layout],
            ...$this->fields === [] ? [] : ['fields' => $this->fields],
            ...$this->showing,
        ];
    }

    /** Texts that wait to be published keep what this change does not set. */
    private function described(Page $page, Layout $layout): Page
    {
        $texts = $this->changed($page->texts, $page, $layout);
        $prepared = $page->prepared === null ? null : $this->changed($page->prepared, $page, $layout);

        return $page->with([
            'texts' => $texts,
            'prepared' => $prepared === null || $prepared->equals($texts) ? null : $prepared,
            'layout' => $layout->key,
            'showing' => $page->showing->changed($this->showing),
        ]);
    }

    private function changed(PageTexts $texts, Page $page, Layout $layout): PageTexts
    {
        return $texts
            ->changed($this->texts, $page->name)
            ->withFields($layout->changed($layout->relaid($texts->fields, $page->layout), $this->fields));
    }
}
