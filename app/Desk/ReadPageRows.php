<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use Heronstem\Core\Change\RequestedChange;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\PageRow;
use Heronstem\Core\Tree\Page;

/** Reads a table about pages with a word on every row: what it changes of its page, or why it is not taken. */
final readonly class ReadPageRows
{
    public function __construct(private PagesOfRows $pages)
    {
    }

    /**
     * @template Row of PageRow
     *
     * @param  iterable<Row>  $rows
     * @param  int  $most  rows that one file may have
     * @param  \Closure(Row, Page): list<RequestedChange>  $made  what a row changes; throws InputRefused where it is not taken
     * @return array{rows: list<array<string, mixed>>, changes: list<array<string, mixed>>, pages: int, refused: int, same: int}
     */
    public function read(Site $site, iterable $rows, int $most, \Closure $made): array
    {
        $read = [];
        $left = null;
        foreach ($rows as $row) {
            if (count($read) === $most) {
                $left = $row;
                break;
            }
            $read[] = $row;
        }
        $pages = $this->pages->of($site, array_map(static fn (PageRow $row): array => [$row->page, $row->address], $read));
        $told = $changes = $seen = [];
        $count = ['pages' => 0, 'refused' => 0, 'same' => 0];
        foreach ($read as $n => $row) {
            $page = $pages[$n] ?? null;
            $here = [];
            $problem = $row->problem ?? ($page === null ? self::unknown($row) : null);
            if ($problem === null && $page !== null) {
                try {
                    $here = $made($row, $page);
                    if (isset($seen[$page->id])) {
                        throw new InputRefused('row', "Line {$seen[$page->id]} is about the same page. Keep one of the two.");
                    }
                    $seen[$page->id] = $row->line;
                } catch (InputRefused $refused) {
                    [$here, $problem] = [[], [$refused->field, $refused->reason]];
                }
            }
            array_push($changes, ...array_map(static fn (RequestedChange $change): array => $change->toArray(), $here));
            $count[$problem !== null ? 'refused' : ($here === [] ? 'same' : 'pages')]++;
            $told[] = self::told($row, $page, $here !== [], $problem);
        }
        if ($left !== null) {
            $count['refused']++;
            $told[] = self::told($left, null, false, [
                'text',
                sprintf('One file has at most %d rows; this one and those behind it are left out.', $most),
            ]);
        }

        return ['rows' => $told, 'changes' => $changes, ...$count];
    }

    /**
     * @param  array{string, string}|null  $problem
     * @return array<string, mixed>
     */
    private static function told(PageRow $row, ?Page $page, bool $changes, ?array $problem): array
    {
        return [
            'line' => $row->line,
            'page' => $page?->id,
            'name' => $page->name ?? '',
            'address' => $page?->address->readable() ?? $row->address,
            'changes' => $changes,
            'field' => $problem[0] ?? null,
            'reason' => $problem[1] ?? null,
        ];
    }

    /** @return array{string, string} */
    private static function unknown(PageRow $row): array
    {
        return $row->page !== ''
            ? ['id', 'There is no page with this id on this site.']
            : ['address', 'No page of this site has this address. Look it up in Addresses: it may have moved.'];
    }
}
