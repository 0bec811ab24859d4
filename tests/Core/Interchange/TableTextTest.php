<?php

declare(strict_types=1);

namespace Tests\Core\Interchange;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Interchange\Table;
use Heronstem\Core\Interchange\TableText;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Tables as text: whatever stands in their cells, in whatever encoding, with whatever between them (RFC 4180). */
final class TableTextTest extends TestCase
{
    use TestTrait;

    private const CELLS = [
        '',
        'Fares',
        'a,b',
        'a;b',
        "a\tb",
        'say "so"',
        "two\nlines",
        "two\r\nlines",
        ' spaces ',
        'Ärmel',
        '"',
        ',',
        "\n",
        '10,5',
        'a|b',
    ];

    #[Test]
    public function records_are_the_lines_that_were_written_whatever_is_in_their_cells(): void
    {
        $rows = Generators::vector(4, Generators::vector(3, Generators::elements(self::CELLS)));
        $this->limitTo(400)
            ->forAll($rows)
            ->then(function (array $rows): void {
                $text = implode('', array_map(Table::csv(...), $rows));
                $read = [];
                foreach (TableText::records(rtrim($text, "\r\n")) as [$record, $isClosed]) {
                    self::assertTrue($isClosed);
                    $read[] = array_map(
                        static fn (?string $cell): string => str_replace("\r\n", "\n", (string) $cell),
                        str_getcsv($record, ',', '"', ''),
                    );
                }
                $expected = array_map(
                    static fn (array $row): array => array_map(static fn (string $cell): string => str_replace("\r\n", "\n", $cell), $row),
                    $rows,
                );
                self::assertSame($expected, $read);
            });
    }

    #[Test]
    public function a_quote_that_is_never_closed_takes_in_one_line_and_not_all_that_follow(): void
    {
        $records = iterator_to_array(TableText::records("a,b\n\"open,1\nc,d\nlast,2"));

        self::assertSame(['a,b', true], $records[1]);
        self::assertSame(['"open,1', false], $records[2]);
        self::assertSame(['c,d', true], $records[3]);
        self::assertSame(['last,2', true], $records[4]);
    }

    #[Test]
    public function quotes_that_stay_open_cost_no_more_than_reading_twice(): void
    {
        // Each line opens a quote that the next one closes, but for the last of all.
        $text = str_repeat("a,\"b\n", 4001);
        $records = iterator_to_array(TableText::records($text), false);

        self::assertLessThanOrEqual(4002, count($records));
        self::assertSame([true, false], array_values(array_unique(array_column($records, 1))));
    }

    #[Test]
    public function lines_are_counted_as_an_editor_counts_them(): void
    {
        foreach (["\n", "\r\n", "\r"] as $end) {
            $lines = [];
            foreach (TableText::textLines("one{$end}{$end}three{$end}") as $n => [$line]) {
                $lines[$n] = $line;
            }
            self::assertSame(
                [1 => 'one', 2 => '', 3 => 'three'],
                array_filter($lines, static fn (string $line, int $n): bool => $n < 4, ARRAY_FILTER_USE_BOTH),
                bin2hex($end),
            );
        }
    }

    #[Test]
    #[TestWith(['UTF-8'])]
    #[TestWith(['Windows-1252'])]
    #[TestWith(['ISO-8859-1'])]
    #[TestWith(['ISO-8859-15'])]
    #[TestWith(['UTF-16LE'])]
    #[TestWith(['UTF-16BE'])]
    public function text_is_read_in_the_encoding_it_is_said_to_have(string $encoding): void
    {
        $text = "Fähre;Küste\nÉté;naïve";
        $bytes = (string) mb_convert_encoding($text, $encoding, 'UTF-8');

        self::assertSame($text, TableText::decoded($bytes, $encoding));
        $mark = ['UTF-16LE' => "\xFF\xFE", 'UTF-16BE' => "\xFE\xFF", 'UTF-8' => "\xEF\xBB\xBF"][$encoding] ?? null;
        if ($mark !== null) {
            self::assertSame($text, TableText::decoded($mark.$bytes), 'A byte order mark tells of it, and is no text.');
        }
    }

    #[Test]
    public function text_in_no_encoding_is_readable_all_the_same(): void
    {
        $this->limitTo(300)
            ->forAll(Generators::seq(Generators::choose(0, 255)))
            ->then(function (array $bytes): void {
                $read = TableText::decoded(implode('', array_map(chr(...), $bytes)));
                self::assertTrue(mb_check_encoding($read, 'UTF-8'));
                self::assertStringNotContainsString("\0", $read);
            });
    }

    #[Test]
    #[TestWith([',', "a,b,c\n1,2,3\n4,5,6"])]
    #[TestWith([';', "a;b;c\n1,5;2,5;3,5\n4;5;6"])]
    #[TestWith(["\t", "a\tb\n1,2\t3\n"])]
    #[TestWith(['|', "a|b|c\nx|y|z"])]
    #[TestWith([';', "\"a,b\";c\n\"1,2,3\";d"])]
    #[TestWith([',', ''])]
    #[TestWith([',', "alone\nin\nlines"])]
    public function what_stands_between_cells_is_what_the_lines_have_most_evenly(string $delimiter, string $text): void
    {
        self::assertSame($delimiter, TableText::delimiter($text));
    }
}
