<?php

declare(strict_types=1);

namespace Tests\Core\Interchange;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Interchange\RedirectRows;
use Heronstem\Core\Interchange\Table;
use Heronstem\Core\Linking\OwnAddress;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Refusal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Redirects in tables: read whatever their delimiter, encoding and order of columns, and read again as they were written. */
final class RedirectRowsTest extends TestCase
{
    use TestTrait;

    private const SEED = '01J0000000';

    private const PAGE = '01J000000000000000000000P1';

    /** @return iterable<string, array{string, list<array<string, string>>}> */
    public static function tables(): iterable
    {
        yield 'two columns without names' => [
            "/a,/b\r\n/c,https://x.example/\r\n",
            [['source' => '/a', 'target' => '/b'], ['source' => '/c', 'target' => 'https://x.example/']],
        ];
        yield 'names in any order' => ["Note;Old URL;New_URL\nposter;/a;/b\n", [['note' => 'poster', 'source' => '/a', 'target' => '/b']]];
        yield 'tabs' => ["from\tto\tstatus\n/a\t/b\t302\n", [['source' => '/a', 'target' => '/b', 'answer' => '302']]];
        yield 'quotes and lines within them' => [
            "address,note,leads to\n/a,\"one, \"\"two\"\"\nthree\",/b\n",
            [['source' => '/a', 'note' => "one, \"two\"\nthree", 'target' => '/b']],
        ];
        yield 'a mark in front' => ["\xEF\xBB\xBFaddress,to\n/ä,/b\n", [['source' => '/ä', 'target' => '/b']]];
        yield 'Windows' => [mb_convert_encoding("address;to\n/häfen;/b\n", 'Windows-1252', 'UTF-8'), [['source' => '/häfen', 'target' => '/b']]];
        yield 'UTF-16' => [
            "\xFF\xFE".mb_convert_encoding("address;to\n/häfen;/b\n", 'UTF-16LE', 'UTF-8'),
            [['source' => '/häfen', 'target' => '/b']],
        ];
        yield 'JSON Lines' => [
            "{\"address\": \"/a\", \"leadsTo\": \"/b\", \"on\": false}\n\n{\"from\": \"/c\", \"to\": \"/d\"}\n",
            [['source' => '/a', 'target' => '/b', 'isOn' => 'no'], ['source' => '/c', 'target' => '/d']],
        ];
        yield 'columns that mean nothing' => ["address,colour,to\n/a,blue,/b\n", [['source' => '/a', 'target' => '/b']]];
    }

    /** @param  list<array<string, string>>  $rows */
    #[Test, DataProvider('tables')]
    public function a_table_is_read_as_people_have_it(string $text, array $rows): void
    {
        self::assertEquals($rows, array_values(iterator_to_array(Table::rows($text))));
    }

    /** @return iterable<string, array{array<string, string>, string, string}> */
    public static function bad(): iterable
    {
        yield 'no address' => [['target' => '/b'], 'address', 'cannot be empty'];
        yield 'another site' => [['source' => 'https://other.example/a', 'target' => '/b'], 'address', 'another site'];
        yield 'no target' => [['source' => '/a'], 'address', 'cannot be empty'];
        yield 'a status that is none' => [['source' => '/a', 'target' => '/b', 'answer' => '303'], 'answer', '301, 302'];
        yield 'a flag that is none' => [['source' => '/a', 'target' => '/b', 'isOn' => 'perhaps'], 'isOn', 'yes or no'];
        yield 'no http' => [['source' => '/a', 'target' => 'ftp://x.example/'], 'leadsTo', 'https://'];
    }

    /** @param  array<string, string>  $fields */
    #[Test, DataProvider('bad')]
    public function a_bad_row_says_its_column_and_why(array $fields, string $column, string $reason): void
    {
        try {
            $this->rows()->read($fields, 2);
            self::fail('It was taken.');
        } catch (Refusal $refusal) {
            self::assertSame($column, $refusal->field);
            self::assertStringContainsString($reason, $refusal->reason);
        }
    }

    #[Test]
    public function whole_urls_of_the_site_are_its_addresses_and_pages_are_recognised(): void
    {
        $rows = $this->rows();
        $rule = $rows->read(['source' => 'https://ferries.test/Old?x=1', 'target' => 'http://ferries.test/fares/'], 2, ['/fares' => self::PAGE]);
        self::assertSame(['/Old', 'page '.self::PAGE], [$rule->source, $rule->target?->toText()]);
        self::assertSame('address /elsewhere?x=1', $rows->read(['source' => '/b', 'target' => '/elsewhere?x=1'], 3)->target?->toText());
        $this->expectExceptionMessage('Line 2 has this address already');
        $rows->read(['source' => '/old/', 'target' => '/b'], 4);
    }

    #[Test]
    public function what_is_written_is_read_as_the_same_rule(): void
    {
        $source = Generators::elements([
            ['/a', 'one'],
            ['/häfen', 'one'],
            ['/old', 'branch'],
            ['/n/:y', 'pattern'],
            ['/offer?id=3', 'one'],
            ['/q"u,o', 'one'],
        ]);
        $target = Generators::elements([
            ['page' => self::PAGE],
            ['address' => '/fares'],
            ['address' => '/x?y=1#z'],
            ['url' => 'https://x.example/a,"b'],
        ]);
        $this->limitTo(300)
            ->forAll(
                $source,
                $target,
                Generators::elements(['301', '302', '308', '410', 'pause']),
                Generators::bool(),
                Generators::elements(['', "One,\ttwo", 'Ünï "quoted"', '=1+1']),
                Generators::elements([null, '2027-01-01T00:00:00Z']),
            )
            ->then(function (array $source, array $target, string $answer, bool $is, string $note, ?string $until): void {
                $target = isset($target['url']) ? ['url' => 'https://x.example/a,b'] : $target;
                $given = [
                    'id' => self::PAGE,
                    'source' => $source[0],
                    'scope' => $source[1],
                    'query' => str_contains($source[0], '?') ? 'match' : ($is ? 'drop' : 'carry'),
                    'answer' => $answer,
                    'leadsTo' => $answer === '410' ? null : $target,
                    'isOn' => $is,
                    'inFront' => ! $is,
                    'note' => $note,
                    'until' => $until,
                    'position' => 3,
                    'carriesRest' => $is,
                    'pause' => [
                        'seconds' => 7,
                        'message' => [
                            'type' => 'doc',
                            'content' => [
                                [
                                    'type' => 'paragraph',
                                    'content' => [['type' => 'text', 'text' => 'Wait, "please".', 'marks' => [['type' => 'bold']]]],
                                ],
                            ],
                        ],
                    ],
                ];
                $rule = (new RuleReader(new AddressRules(), 'UTC'))->read($given);
                $written =
                    Table::csv(RedirectRows::COLUMNS).
                    Table::csv(RedirectRows::written($rule, static fn (string $page): string => '/fares', static fn (): null => null));
                $read = array_values(iterator_to_array(Table::rows($written)))[0];
                $same = fn (Rule $each): array => array_diff_key($each->toArray(), ['id' => true, 'origin' => true]);
                self::assertSame($same($rule), $same($this->rows()->read($read, 2, ['/fares' => self::PAGE])));
            });
    }

    private function rows(): RedirectRows
    {
        return new RedirectRows(new RuleReader(new AddressRules(), 'UTC'), new OwnAddress(new AddressRules(), 'https://ferries.test'), self::SEED);
    }
}
