<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\OfferedFile;
use Heronstem\Core\Content\PastedHtml;
use Heronstem\Core\Content\PlainText;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Tables as spreadsheets, word processors and old pages have them. */
final class PastedTableTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string, list<list<string>>}> */
    public static function tables(): iterable
    {
        yield 'from a spreadsheet' => [
            '<table border=0><colgroup><col width=64></colgroup><tr height=20><td>To</td><td style="text-align:right">9.40</td></tr><tr><td>Ullin</td><td>11.30</td></tr></table>',
            '',
            [['To', '9.40'], ['Ullin', '11.30']],
        ];
        yield 'with a head' => [
            '<table><thead><tr><th>To<th>Price</thead><tr><td>Ullin<td>11.30</table>',
            'row',
            [['To', 'Price'], ['Ullin', '11.30']],
        ];
        yield 'with a head at the side' => [
            '<table><tr><td></td><td>Adult</td></tr><tr><th>Ullin</th><td>11.30</td></tr></table>',
            'column',
            [['', 'Adult'], ['Ullin', '11.30']],
        ];
        yield 'with both' => [
            '<table><tr><th>To</th><th>Adult</th></tr><tr><th>Ullin</th><td>11.30</td></tr></table>',
            'both',
            [['To', 'Adult'], ['Ullin', '11.30']],
        ];
        yield 'cells that span are taken apart' => [
            '<table><tr><td colspan=3>All</td></tr><tr><td>a<td>b<td>c</table>',
            '',
            [['All', '', ''], ['a', 'b', 'c']],
        ];
        yield 'short rows are filled up' => ['<table><tr><td>a<td>b<tr><td>c</table>', '', [['a', 'b'], ['c', '']]];
        yield 'a cell of headings, code and questions gives their lines' => [
            '<table><tr><td><h3>Boats</h3><pre>a</pre><blockquote><p>said</p></blockquote></td><td>x</td></tr></table>',
            '',
            [["Boats\na\nsaid", 'x']],
        ];
    }

    /** @param  list<list<string>>  $cells */
    #[Test]
    #[DataProvider('tables')]
    public function a_pasted_table_has_rows_of_equal_length_and_says_its_heads(string $html, string $heads, array $cells): void
    {
        [$table] = (new PastedHtml(static fn (): ?string => null))->read($html)->blocks;
        self::assertSame('table', $table['type']);
        self::assertSame(
            [$heads === 'row' || $heads === 'both', $heads === 'column' || $heads === 'both'],
            [$table['attrs']['headRow'], $table['attrs']['headColumn']],
        );
        $text = static fn (array $cell): string => implode(
            "\n",
            array_map(static fn (array $block): string => PlainText::line($block['content']), $cell['content']),
        );
        self::assertSame($cells, array_map(static fn (array $row): array => array_map($text, $row['content']), $table['content']));
    }

    #[Test]
    public function whatever_the_cells_span_no_text_is_lost_and_the_table_can_be_kept(): void
    {
        $cell = Generators::tuple(Generators::choose(0, 4), Generators::choose(-1, 60), Generators::elements(['td', 'th']));
        $this->forAll(Generators::vector(5, Generators::vector(4, $cell)), Generators::vector(5, Generators::choose(0, 4)))->then(static function (
            array $rows,
            array $lengths,
        ): void {
            $rows = array_map(static fn (array $row, int $length): array => array_slice($row, 0, $length), $rows, $lengths);
            $html = '<table>';
            $words = [];
            foreach ($rows as $i => $row) {
                $html .= '<tr>';
                foreach ($row as $j => [$times, $span, $element]) {
                    $text = implode(' ', array_map(static fn (int $n): string => "w$i-$j-$n", $times === 0 ? [] : range(1, $times)));
                    $html .= "<$element colspan=\"$span\">$text</$element>";
                    $words = $times === 0 ? $words : [...$words, ...explode(' ', $text)];
                }
                $html .= '</tr>';
            }
            $read = (new PastedHtml(static fn (): ?string => null))->read("$html</table>");
            self::assertSame($words, preg_split('/\s+/', PlainText::of($read), -1, PREG_SPLIT_NO_EMPTY) ?: []);
            foreach ($read->ofType('table') as $table) {
                self::assertCount(1, array_unique(array_map(static fn (array $row): int => count($row['content']), $table['content'])));
            }
        });
    }

    /** @return iterable<string, array{int, string}> */
    public static function sizes(): iterable
    {
        yield 'bytes' => [999, '999 bytes'];
        yield 'thousands' => [1_000, '1 kB'];
        yield 'rounded' => [64_512, '65 kB'];
        yield 'millions' => [1_000_000, '1 MB'];
        yield 'with a part' => [12_345_678, '12.3 MB'];
    }

    #[Test]
    #[DataProvider('sizes')]
    public function a_file_says_its_size_in_the_largest_unit_and_its_kind(int $bytes, string $size): void
    {
        $file = new OfferedFile('/_files/x/fares.csv', 'fares.csv', 'text/csv', $bytes);
        self::assertSame([$size, 'CSV'], [$file->size(), $file->kind()]);
        self::assertSame('text/plain', (new OfferedFile('/x', 'README', 'text/plain', 1))->kind());
    }
}
