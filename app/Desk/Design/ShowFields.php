<?php

declare(strict_types=1);

namespace App\Desk\Design;

use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Layout\LinkedFields;
use Heronstem\Core\Tree\FieldValues;

/** Makes the fields of a page ready for the template of its layout, and for search engines. */
final readonly class ShowFields
{
    public function __construct(private PlacedLayouts $layouts)
    {
    }

    /**
     * @param  string  $url  the page's own
     * @param  bool  $live  as visitors have its fields; not, as those who write do
     * @return array{fields: ShownFields, data: array<string, mixed>}
     */
    public function of(Page $page, Site $site, string $url, bool $live): array
    {
        $layout = $this->layouts->saying($page, $site, $live);
        $values = $layout->taken($page->liveTexts()->fields->values);
        $fallbacks = array_filter(
            array_column(array_map(static fn ($field): array => [$field->key, $field->fallback()], $layout->fields), 1, 0),
            static fn ($value): bool => $value !== null,
        );
        $sources = new FieldSources(new FieldValues([...$fallbacks, ...$values]), $site);
        $linked = new LinkedFields($site->origin, $sources->files, $sources->page(...));

        return [
            'fields' => new ShownFields($layout->fields, $values, $sources),
            'data' => $linked->node($layout, $values, ['name' => $page->displayHeading(), 'url' => $url, 'description' => $page->summary]),
        ];
    }
}
