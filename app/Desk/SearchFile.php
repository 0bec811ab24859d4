<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\StoredPages;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\RequestedChange;
use Heronstem\Core\Change\SetSearch;
use Heronstem\Core\InputRefused;
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

    public function __construct(private ConnectionInterface $db, private ReadPageRows $rows)
    {
    }

    /** @return iterable<string> lines of CSV */
    public function lines(Site $site): iterable
    {
        yield Table::csv(SearchRows::COLUMNS);
        foreach ((new StoredPages($this->db, $site))->whole() as $page) {
            yield SearchRows::write($page->id, $page->address->path, $page->working(), $page->search);
        }
    }

    /** @return array{rows: list<array<string, mixed>>, changes: list<array<string, mixed>>, pages: int, refused: int, same: int} */
    public function read(Site $site, string $text): array
    {
        return $this->rows->read($site, SearchRows::read($text), self::MAX_ROWS, self::made(...));
    }

    /**
     * @return list<RequestedChange>
     *
     * @throws InputRefused where the row is not taken
     */
    private static function made(SearchRow $row, Page $page): array
    {
        if ($page->isBinned()) {
            throw new InputRefused('id', "“{$page->name}” is in the bin. Bring it back first.");
        }
        $texts = $page->working()->changed($row->texts, $page->name);
        $search = $page->search->changed($row->settings);
        $changes = [];
        if (! $texts->equals($page->working())) {
            $changes[] = new Describe($page->id, $row->texts);
        }
        if ($search->toText() !== $page->search->toText()) {
            $changes[] = new SetSearch($page->id, $row->settings);
        }

        return $changes;
    }
}
