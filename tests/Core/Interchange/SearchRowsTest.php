<?php

declare(strict_types=1);

namespace Tests\Core\Interchange;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Interchange\SearchRow;
use Heronstem\Core\Interchange\SearchRows;
use Heronstem\Core\Interchange\Table;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\SearchSettings;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Titles, descriptions and settings as a table: what goes out comes in again the same, and every faulty row says why. */
final class SearchRowsTest extends TestCase
{
    use TestTrait;

    private const PAGE = '01J000000000000000000000P1';

    #[Test]
    public function what_goes_out_comes_in_again_the_same(): void
    {
        $text = Generators::elements('', 'Fares', 'a "quoted" title; with, signs', '=SUM(A1)', '+44', "'already", 'Ünïcode · Πλοία', 'tab	inside');
        $this->forAll(
            $text,
            $text,
            Generators::elements('itself', 'none', self::PAGE, 'https://e.example/?a=1,2'),
            Generators::vector(3, Generators::elements(true, false, null)),
            Generators::elements(null, 0, 0.3, 1),
            Generators::elements(null, 'daily', 'never'),
        )->then(function (string $title, string $description, string $canonical, array $flags, int|float|null $priority, ?string $frequency): void {
            $texts = (new PageTexts())->changed(['searchTitle' => $title, 'searchDescription' => $description], '');
            $settings = (new SearchSettings())->changed([
                'canonical' => $canonical,
                'index' => $flags[0],
                'follow' => $flags[1],
                'inSitemap' => $flags[2],
                'priority' => $priority,
                'changeFrequency' => $frequency,
            ]);
            $file = Table::csv(SearchRows::COLUMNS).SearchRows::write(self::PAGE, '/travel/fares', $texts, $settings);
            [$row] = iterator_to_array(SearchRows::read($file), false);
            self::assertNull($row->problem, json_encode($row->problem) ?: '');
            self::assertSame([self::PAGE, '/travel/fares'], [$row->page, $row->address]);
            self::assertEquals($texts, (new PageTexts())->changed($row->texts, ''));
            self::assertEquals($settings, (new SearchSettings())->changed($row->settings));
        });
    }

    #[Test]
    public function any_usual_table_is_read_and_a_missing_column_leaves_its_field(): void
    {
        foreach (
            [
                "address,title\n/fares,New",
                "URL;Meta description;Title\r\nhttps://f.test/fares;;New",
                "title\taddress\nNew\t/fares",
                '{"address": "/fares", "title": "New"}',
                "\xEF\xBB\xBFPath|Search title\n/fares|New",
            ] as $file
        ) {
            [$row] = iterator_to_array(SearchRows::read($file), false);
            self::assertNull($row->problem, $file);
            self::assertSame('New', $row->texts['searchTitle'], $file);
            self::assertStringEndsWith('/fares', $row->address);
            self::assertSame([], $row->settings);
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function faults(): iterable
    {
        yield 'no page' => [',,,', 'address'];
        yield 'an id that is none' => ['12,,,', 'id'];
        yield 'an index that is a word' => [',/a,perhaps,', 'index'];
        yield 'a priority that is a word' => [',/a,,high', 'priority'];
        yield 'a priority above one' => [',/a,,7', 'priority'];
    }

    #[Test, DataProvider('faults')]
    public function a_faulty_row_says_which_field_and_why_and_the_others_stand(string $line, string $field): void
    {
        $rows = iterator_to_array(SearchRows::read("id,address,index,priority\n$line\n,/good,no,0.5\n"), false);
        self::assertSame($field, $rows[0]->problem[0] ?? null);
        self::assertSame(2, $rows[0]->line);
        self::assertEquals(new SearchRow(3, '', '/good', [], ['index' => false, 'priority' => 0.5]), $rows[1]);
    }

    #[Test]
    public function words_for_yes_and_no_are_understood_in_several_languages(): void
    {
        foreach (
            ['yes' => true, 'JA' => true, '1' => true, 'oui' => true, 'no' => false, 'nein' => false, 'noindex' => false, '' => null] as $said => $meant
        ) {
            [$row] = iterator_to_array(SearchRows::read("address,index\n/a,$said"), false);
            self::assertSame($meant, $row->settings['index'] ?? null, (string) $said);
        }
    }
}
