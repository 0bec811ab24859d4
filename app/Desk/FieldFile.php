<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\KnownInFields;
use App\Models\Page as StoredPage;
use App\Models\Site;
use App\Store\StoredPages;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\RequestedChange;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\FieldRow;
use Heronstem\Core\Interchange\FieldRows;
use Heronstem\Core\Tree\Page;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\Eloquent\Builder;

/** The fields of all pages of one layout as a table: out, and in again with a word on every row. */
final readonly class FieldFile
{
    /** Rows that one file may have. */
    private const MAX_ROWS = 5000;

    public function __construct(private ConnectionInterface $db, private ReadPageRows $tables, private KnownInFields $known)
    {
    }

    /**
     * @param  StoredPage|null  $within  only those in its branch
     * @return list<Page> those of the layout that are not in the bin, in the order of the tree
     */
    public function pages(Site $site, Layout $layout, ?StoredPage $within = null): array
    {
        /** @var list<string> $ids */
        $ids = StoredPage::query()
            ->where('site_id', $site->id)
            ->where('layout', $layout->key)
            ->where('state', '<>', 'bin')
            ->when($within !== null, static fn (Builder $query) => $query->whereRaw('path <@ ?::ltree', [$within?->path]))
            ->orderBy('path')
            ->pluck('ulid')
            ->all();
        $pages = [];
        foreach ($ids === [] ? [] : (new StoredPages($this->db, $site))->withAncestors($ids) as $page) {
            $pages[$page->id] = $page;
        }

        return array_values(array_filter(array_map(static fn (string $id): ?Page => $pages[$id] ?? null, $ids)));
    }

    /** @return iterable<string> lines of CSV */
    public function lines(Site $site, Layout $layout, ?StoredPage $within = null): iterable
    {
        $rows = $this->rows($site, $layout);
        yield $rows->head();
        foreach ($this->pages($site, $layout, $within) as $page) {
            yield $rows->write($page->id, $page->address->path, $page->working()->fields);
        }
    }

    /** @return array{rows: list<array<string, mixed>>, changes: list<array<string, mixed>>, pages: int, refused: int, same: int} */
    public function read(Site $site, Layout $layout, string $text): array
    {
        return $this->tables->read(
            $site,
            $this->rows($site, $layout)->read($text),
            self::MAX_ROWS,
            fn (FieldRow $row, Page $page): array => $this->made($row, $page, $layout, $site),
        );
    }

    /**
     * @return list<RequestedChange>
     *
     * @throws InputRefused where the row is not taken
     */
    private function made(FieldRow $row, Page $page, Layout $layout, Site $site): array
    {
        if ($page->isBinned() || $page->layout !== $layout->key) {
            throw new InputRefused(
                'row',
                $page->isBinned()
                    ? "“{$page->name}” is in the bin. Bring it back first."
                    : "“{$page->name}” has the layout {$page->layout}, not {$layout->key}.",
            );
        }
        $this->known->guard($layout, $row->fields, $site, 'fields');
        $before = $page->working()->fields;

        return $layout->changed($before, $row->fields)->toText() === $before->toText() ? [] : [new Describe($page->id, fields: $row->fields)];
    }

    private function rows(Site $site, Layout $layout): FieldRows
    {
        $all = StoredPage::query()->where('site_id', $site->id)->where('state', '<>', 'bin')->pluck('address', 'ulid')->all();
        $at = array_flip($all);

        return new FieldRows(
            $layout,
            static fn (string $page): ?string => $all[$page] ?? null,
            static fn (string $address): ?string => isset($at[$address]) ? (string) $at[$address] : null,
        );
    }
}
