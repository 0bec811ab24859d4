<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\KnownInFields;
use App\Models\Page as StoredPage;
use App\Models\Site;
use App\Store\StoredPages;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\FieldRow;
use Heronstem\Core\Interchange\FieldRows;
use Heronstem\Core\Tree\Page;
use Illuminate\Database\ConnectionInterface;

/** The fields of all pages of one layout as a table: out, and in again with a word on every row. */
final readonly class FieldFile
{
    /** Rows that one file may have. */
    private const MAX_ROWS = 5000;

    public function __construct(private ConnectionInterface $db, private PagesOfRows $pages, private KnownInFields $known)
    {
    }

    /** @return list<Page> those of the layout that are not in the bin, in the order of the tree */
    public function pages(Site $site, Layout $layout): array
    {
        /** @var list<string> $ids */
        $ids = StoredPage::query()
            ->where('site_id', $site->id)
            ->where('layout', $layout->key)
            ->where('state', '<>', 'bin')
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
    public function lines(Site $site, Layout $layout): iterable
    {
        $rows = $this->rows($site, $layout);
        yield $rows->head();
        foreach ($this->pages($site, $layout) as $page) {
            yield $rows->write($page->id, $page->address->path, ($page->prepared ?? $page->texts)->fields);
        }
    }

    /** @return array{rows: list<array<string, mixed>>, changes: list<array<string, mixed>>, pages: int, refused: int, same: int} */
    public function read(Site $site, Layout $layout, string $text): array
    {
        $read = [];
        foreach ($this->rows($site, $layout)->read($text) as $row) {
            if (count($read) === self::MAX_ROWS) {
                $read[] = new FieldRow(
                    $row->line,
                    '',
                    $row->address,
                    [],
                    ['text', sprintf('One file has at most %d rows; this one and those behind it are left out.', self::MAX_ROWS)],
                );
                break;
            }
            $read[] = $row;
        }
        $pages = $this->pages->of($site, array_map(static fn (FieldRow $row): array => [$row->page, $row->address], $read));
        $count = ['pages' => 0, 'refused' => 0, 'same' => 0];
        $rows = $changes = $seen = [];
        foreach ($read as $n => $row) {
            $page = $pages[$n] ?? null;
            [$problem, $change] = $this->made($row, $page, $layout, $site);
            if ($problem === null && isset($seen[$page->id ?? ''])) {
                [$problem, $change] = [['row', "Line {$seen[$page->id ?? '']} is about the same page. Keep one of the two."], null];
            }
            if ($problem === null && $page !== null) {
                $seen[$page->id] = $row->line;
            }
            if ($change !== null) {
                $changes[] = $change->toArray();
            }
            $count[$problem !== null ? 'refused' : ($change === null ? 'same' : 'pages')]++;
            $rows[] = [
                'line' => $row->line,
                'page' => $page?->id,
                'name' => $page->name ?? '',
                'address' => $page?->address->readable() ?? $row->address,
                'changes' => $change !== null,
                'field' => $problem[0] ?? null,
                'reason' => $problem[1] ?? null,
            ];
        }

        return ['rows' => $rows, 'changes' => $changes, ...$count];
    }

    /** @return array{array{string, string}|null, Describe|null} what is wrong with the row, or the change that it makes */
    private function made(FieldRow $row, ?Page $page, Layout $layout, Site $site): array
    {
        if ($row->problem !== null || $page === null) {
            return [
                $row->problem ??
                ($row->page !== ''
                    ? ['id', 'There is no page with this id on this site.']
                    : ['address', 'No page of this site has this address. Look it up in Addresses: it may have moved.']),
                null,
            ];
        }
        if ($page->isBinned() || $page->layout !== $layout->key) {
            return [
                [
                    'row',
                    $page->isBinned()
                        ? "“{$page->name}” is in the bin. Bring it back first."
                        : "“{$page->name}” has the layout {$page->layout}, not {$layout->key}.",
                ],
                null,
            ];
        }
        try {
            $this->known->guard($layout, $row->fields, $site, 'fields');
            $before = ($page->prepared ?? $page->texts)->fields;
            $after = $layout->changed($before, $row->fields);
        } catch (InputRefused $refused) {
            return [[$refused->field, $refused->reason], null];
        }

        return [null, $after->toText() === $before->toText() ? null : new Describe($page->id, fields: $row->fields)];
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
