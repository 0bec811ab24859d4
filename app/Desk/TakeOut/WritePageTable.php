<?php

declare(strict_types=1);

namespace App\Desk\TakeOut;

use App\Desk\ContentSource;
use App\Desk\Design\ReadLayouts;
use App\Models\Page;
use App\Models\Site;
use App\Store\ExportedPages;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\Layout\LayoutField;
use Heronstem\Core\Interchange\FieldRows;
use Heronstem\Core\Interchange\Pages\PageRows;
use Heronstem\Core\Interchange\Table;

/** Pages as a table: CSV, or a workbook with one sheet (ECMA-376). */
final readonly class WritePageTable
{
    public function __construct(private ExportedPages $pages, private ReadLayouts $layouts, private ContentSource $source)
    {
    }

    /** @return iterable<string> */
    public function csv(Site $site, ?Page $branch): iterable
    {
        foreach ($this->rows($site, $branch) as $row) {
            yield Table::csv($row);
        }
    }

    /** @return iterable<string> */
    public function workbook(Site $site, ?Page $branch): iterable
    {
        return ZipStream::of(WriteWorkbook::files($this->rows($site, $branch)));
    }

    /** @return iterable<list<string>> the heads first */
    private function rows(Site $site, ?Page $branch): iterable
    {
        $addressOf = static fn (string $page): ?string => Page::query()->where('site_id', $site->id)->where('ulid', $page)->value('address');
        $keys = [];
        foreach ($this->layouts->all()->all as $layout) {
            foreach ($layout->fields as $field) {
                $keys["fields.{$field->key}"] = $field->key;
            }
        }
        yield [...PageRows::heads(), ...array_keys($keys)];
        foreach ($this->pages->all($site, $branch) as [$page, $content, , $former]) {
            $markdown = $content === null ? '' : $this->source->markdown(Document::kept($content), $site);
            $layout = $this->layouts->all()->of($page->layout);
            $rows = new FieldRows($layout, $addressOf, static fn (): ?string => null);
            $values = $page->working()->fields->values;
            yield [
                ...PageRows::cells($page, $former, $markdown),
                ...array_values(
                    array_map(static function (string $key) use ($layout, $rows, $values): string {
                        $field = $layout->field($key);

                        return $field instanceof LayoutField ? $rows->cell($field, $values[$key] ?? null) : '';
                    }, $keys),
                ),
            ];
        }
    }
}
