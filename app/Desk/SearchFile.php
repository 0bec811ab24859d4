<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\StoredPages;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\SetSearch;
use Heronstem\Core\Interchange\SearchRow;
use Heronstem\Core\Interchange\SearchRows;
use Heronstem\Core\Interchange\Table;
use Heronstem\Core\Tree\Page;
use Illuminate\Database\ConnectionInterface;

/** Titles, descriptions and what engines are told of all pages, as a table: out, and in again with a word on every row. */
final readonly class SearchFile
{
    /** Rows that one file may have: as many pages as one batch takes. */
    private const MAX_ROWS = 10_000;

    public function __construct(private ConnectionInterface $db, private PagesOfRows $pages)
    {
    }

    /** @return iterable<string> lines of CSV */
    public function lines(Site $site): iterable
    {
        yield Table::csv(SearchRows::COLUMNS);
        foreach ((new StoredPages($this->db, $site))->whole() as $page) {
            yield SearchRows::write($page->id, $page->address->path, $page->prepared ?? $page->texts, $page->search);
        }
    }

    /** @return array{rows: list<array<string, mixed>>, changes: list<array<string, mixed>>, pages: int, refused: int, same: int} */
    public function read(Site $site, string $text): array
    {
        $read = [];
        foreach (SearchRows::read($text) as $row) {
            if (count($read) === self::MAX_ROWS) {
                $read[] = new SearchRow(
                    $row->line,
                    '',
                    $row->address,
                    problem: ['text', sprintf('One file has at most %d rows; this one and those behind it are left out.', self::MAX_ROWS)],
                );
                break;
            }
            $read[] = $row;
        }
        $pages = $this->pages->of($site, array_map(static fn (SearchRow $row): array => [$row->page, $row->address], $read));
        $rows = $changes = [];
        $count = ['pages' => 0, 'refused' => 0, 'same' => 0];
        $seen = [];
        foreach ($read as $n => $row) {
            $page = $pages[$n] ?? null;
            [$problem, $made] = $page === null || $row->problem !== null ? [$row->problem ?? self::unknown($row), []] : self::made($row, $page);
            if ($problem === null && isset($seen[$page->id ?? ''])) {
                $problem = ['row', "Line {$seen[$page->id ?? '']} is about the same page. Keep one of the two."];
                $made = [];
            }
            if ($page !== null && $problem === null) {
                $seen[$page->id] = $row->line;
            }
            array_push($changes, ...$made);
            $count[$problem !== null ? 'refused' : ($made === [] ? 'same' : 'pages')]++;
            $rows[] = [
                'line' => $row->line,
                'page' => $page?->id,
                'name' => $page->name ?? '',
                'address' => $page?->address->readable() ?? $row->address,
                'changes' => $made !== [],
                'field' => $problem[0] ?? null,
                'reason' => $problem[1] ?? null,
            ];
        }

        return ['rows' => $rows, 'changes' => $changes, ...$count];
    }

    /**
     * @return array{array{string, string}|null, list<array<string, mixed>>} what is wrong with the row, or the changes that it makes
     */
    private static function made(SearchRow $row, Page $page): array
    {
        if ($page->isBinned()) {
            return [['id', "“{$page->name}” is in the bin. Bring it back first."], []];
        }
        $texts = ($page->prepared ?? $page->texts)->changed($row->texts, $page->name);
        $search = $page->search->changed($row->settings);
        $changes = [];
        if (! $texts->equals($page->prepared ?? $page->texts)) {
            $changes[] = (new Describe($page->id, $row->texts))->toArray();
        }
        if ($search->toText() !== $page->search->toText()) {
            $changes[] = (new SetSearch($page->id, $row->settings))->toArray();
        }

        return [null, $changes];
    }

    /** @return array{string, string} */
    private static function unknown(SearchRow $row): array
    {
        return $row->page !== ''
            ? ['id', 'There is no page with this id on this site.']
            : ['address', 'No page of this site has this address. Look it up in Addresses: it may have moved.'];
    }
}
