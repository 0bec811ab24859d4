<?php

declare(strict_types=1);

namespace Tests\Core\Interchange;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Layout\LayoutReader;
use Heronstem\Core\Interchange\FieldRow;
use Heronstem\Core\Interchange\FieldRows;
use Heronstem\Core\Tree\FieldValues;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class FieldRowsTest extends TestCase
{
    use TestTrait;

    private const PAGE = '01KAYA00000000000000000000';

    #[Test]
    public function a_table_is_written_and_read_as_people_edit_it(): void
    {
        $values = self::layout()->changed(new FieldValues(), [
            'from' => self::PAGE,
            'takes' => 35,
            'open' => true,
            'fares' => [['name' => 'Adult | child', 'price' => '4.80'], ['name' => 'Dog', 'price' => '1']],
        ]);
        $csv = self::rows()->head().self::rows()->write(self::PAGE, '/skerra', $values);
        self::assertSame(
            "id,address,fields.from,fields.takes,fields.about,fields.open,fields.fares\r\n".
                self::PAGE.
                ",/skerra,/hallin,35,,yes,\"Adult \\| child | 4.80\nDog | 1.00\"\r\n",
            $csv,
        );
        $edited = str_replace(['35', 'Dog | 1.00'], ['40', "Dog | 1,5\nCat"], $csv);
        $row = self::read($edited)[0];
        self::assertNull($row->problem);
        self::assertSame(
            ['from' => ['page' => self::PAGE], 'takes' => '40', 'about' => null, 'open' => 'yes'],
            array_diff_key($row->fields, ['fares' => true]),
        );
        self::assertSame(
            [['name' => 'Adult | child', 'price' => '4.80'], ['name' => 'Dog', 'price' => '1,5'], ['name' => 'Cat', 'price' => null]],
            $row->fields['fares'],
        );
    }

    #[Test]
    public function what_cannot_be_taken_says_why_and_a_missing_column_leaves_its_field(): void
    {
        $rows = self::read("address,fields.takes,fields.speed\n/a,1,2\n,3,4\n");
        self::assertSame(
            [['fields.speed', 'The layout Crossing has no such field.'], ['address', 'The row names no page: give its address, or its id.']],
            array_column($rows, 'problem'),
        );
        self::assertSame(['takes' => '1'], self::read("address,fields.takes\n/a,1\n")[0]->fields);
        self::assertSame('id', self::read("id,fields.takes\nx,1\n")[0]->problem[0] ?? null);
    }

    #[Test]
    public function whatever_stands_in_fields_comes_back_from_the_table(): void
    {
        $texts = ['a', 'b|c', '\\', '\\|', "l1\nl2", '=1+1', '"quoted"', ' x ', 'é,ü;', '|', '\\n'];
        $this->forAll(Generators::seq(Generators::elements(...$texts)), Generators::elements(...$texts))->then(static function (
            array $names,
            string $about,
        ): void {
            $values = self::layout()->changed(new FieldValues(), [
                'about' => $about,
                'fares' => array_map(static fn (string $name): array => ['name' => $name, 'price' => '2'], $names),
            ]);
            $csv = self::rows()->head().self::rows()->write(self::PAGE, '/a', $values);
            self::assertSame(
                $values->toText(),
                self::layout()
                    ->changed(new FieldValues(), self::read($csv)[0]->fields)
                    ->toText(),
            );
        });
    }

    private static function layout(): Layout
    {
        return LayoutReader::read(
            'crossing',
            <<<'JSON'
            {"title": "Crossing", "description": "D", "properties": {
                "from": {"$ref": "urn:heronstem:field:page", "title": "From"},
                "takes": {"$ref": "urn:heronstem:field:number", "title": "Takes"},
                "about": {"$ref": "urn:heronstem:field:long-text", "title": "About"},
                "open": {"$ref": "urn:heronstem:field:yes-no", "title": "Open"},
                "fares": {"$ref": "urn:heronstem:field:rows", "title": "Fares", "items": {"properties": {
                    "name": {"$ref": "urn:heronstem:field:text", "title": "For"},
                    "price": {"$ref": "urn:heronstem:field:money", "title": "Single", "currency": "GBP"}
                }}}
            }}
            JSON
            ,
        );
    }

    private static function rows(): FieldRows
    {
        return new FieldRows(
            self::layout(),
            static fn (string $page): ?string => $page === self::PAGE ? '/hallin' : null,
            static fn (string $address): ?string => $address === '/hallin' ? self::PAGE : null,
        );
    }

    /** @return list<FieldRow> */
    private static function read(string $csv): array
    {
        return array_values([...self::rows()->read($csv)]);
    }
}
