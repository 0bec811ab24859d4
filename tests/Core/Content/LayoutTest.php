<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Layout\FaultyLayout;
use Heronstem\Core\Content\Layout\FieldText;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Layout\LayoutReader;
use Heronstem\Core\Content\Layout\LinkedFields;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\FieldValues;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class LayoutTest extends TestCase
{
    use TestTrait;

    private const PAGE = '01KAYA00000000000000000000';

    private const CROSSING = <<<'JSON'
    {
        "title": "Crossing", "description": "A line between two harbours.", "type": "object", "schemaType": "BoatTrip",
        "properties": {
            "from": {"$ref": "urn:heronstem:field:page", "title": "From", "property": "departureBoatTerminal"},
            "takes": {"$ref": "urn:heronstem:field:number", "title": "Takes", "unit": "min", "minimum": 1},
            "sails": {"$ref": "urn:heronstem:field:text", "title": "Sails", "maxLength": 20, "default": "every day"},
            "about": {"$ref": "urn:heronstem:field:long-text", "title": "About"},
            "since": {"$ref": "urn:heronstem:field:date", "title": "Since"},
            "open": {"$ref": "urn:heronstem:field:yes-no", "title": "Open"},
            "cars": {"$ref": "urn:heronstem:field:choice", "title": "Cars", "oneOf": [{"const": "y", "title": "Yes"}, {"const": "n", "title": "No"}]},
            "view": {"$ref": "urn:heronstem:field:picture", "title": "View", "minWidth": 640, "proportions": "16:9"},
            "fares": {
                "$ref": "urn:heronstem:field:rows", "title": "Fares", "empty": "Not known yet.", "maxItems": 3, "property": "offers",
                "items": {"schemaType": "Offer", "required": ["name", "price"], "properties": {
                    "name": {"$ref": "urn:heronstem:field:text", "title": "For", "maxLength": 10, "property": "name"},
                    "price": {"$ref": "urn:heronstem:field:money", "title": "Single", "currency": "GBP", "property": "price"}
                }}
            }
        }
    }
    JSON;

    #[Test]
    public function values_are_brought_into_the_form_of_their_kind(): void
    {
        $said = self::crossing()->changed(new FieldValues(), [
            'from' => self::PAGE,
            'takes' => ' 1 234,5 ',
            'sails' => "  twice\n a day ",
            'about' => "One.\r\n\r\nTwo.",
            'open' => 'Yes',
            'fares' => [['name' => 'Adult', 'price' => '£4,8'], ['name' => '', 'price' => null], ['name' => 'Child', 'price' => 2.4]],
        ]);
        self::assertSame(
            [
                'from' => ['page' => self::PAGE],
                'takes' => 1234.5,
                'sails' => 'twice a day',
                'about' => "One.\n\nTwo.",
                'open' => true,
                'fares' => [['name' => 'Adult', 'price' => '4.80'], ['name' => 'Child', 'price' => '2.40']],
            ],
            $said->values,
        );
        self::assertSame([self::PAGE], $said->pages());
        self::assertSame(
            ['takes' => 1234.5],
            array_intersect_key(self::crossing()->changed($said, ['sails' => ' ', 'from' => null])->values, [
                'takes' => 1,
                'sails' => 1,
                'from' => 1,
            ]),
        );
    }

    /** @return iterable<string, array{mixed, string, string}> what is given for a field, the field that is named, part of the reason */
    public static function refused(): iterable
    {
        yield 'a field that is not there' => [['speed' => 3], 'fields.speed', 'no field “speed”. It has from, takes'];
        yield 'too long' => [['sails' => str_repeat('a', 21)], 'fields.sails', 'At most 20 characters fit here; these are 21'];
        yield 'too small' => [['takes' => 0], 'fields.takes', 'The least is 1'];
        yield 'no number' => [['takes' => 'an hour'], 'fields.takes', 'such as 12'];
        yield 'a number that could be two' => [['takes' => '1,250'], 'fields.takes', '1250 or 1.25'];
        yield 'a list for a number' => [['takes' => [1]], 'fields.takes', 'This is a number'];
        yield 'no day' => [['since' => '2027-02-30'], 'fields.since', 'written as 2027-05-31'];
        yield 'no choice' => [['cars' => 'maybe'], 'fields.cars', 'Yes, No'];
        yield 'neither yes nor no' => [['open' => 'perhaps'], 'fields.open', 'yes or no'];
        yield 'no page' => [['from' => ['page' => 'x']], 'fields.from', 'a page of the site'];
        yield 'an unknown key in a picture' => [['view' => ['file' => self::PAGE, 'link' => 'x']], 'fields.view', 'a picture'];
        yield 'signs that cannot be shown' => [['sails' => "a\0b"], 'fields.sails', 'cannot be shown'];
        yield 'no rows' => [['fares' => 'x'], 'fields.fares', 'a list'];
        yield 'a row that is none' => [['fares' => ['x']], 'fields.fares.0', 'an object'];
        yield 'a row without what it needs, told of by the number it was given with' => [
            ['fares' => [[], [], ['name' => 'Adult']]],
            'fields.fares.2.price',
            'Row 3, Single: This is needed',
        ];
        yield 'an amount with parts of a penny' => [['fares' => [['name' => 'A', 'price' => '0.125']]], 'fields.fares.0.price', '2 places'];
        yield 'too many rows' => [['fares' => array_fill(0, 4, ['name' => 'A', 'price' => '1'])], 'fields.fares', 'At most 3 rows'];
        yield 'a column that is not there' => [['fares' => [['colour' => 'red']]], 'fields.fares.0.colour', 'name, price'];
    }

    /** @param  array<string, mixed>  $given */
    #[Test]
    #[DataProvider('refused')]
    public function what_does_not_fit_is_refused_with_field_row_and_way_out(array $given, string $field, string $reason): void
    {
        try {
            self::crossing()->changed(new FieldValues(), $given);
            self::fail('It was taken.');
        } catch (InputRefused $refused) {
            self::assertSame($field, $refused->field);
            self::assertStringContainsString($reason, $refused->getMessage());
        }
    }

    /** @return iterable<string, array{string, string}> a description of fields, what is said of it */
    public static function faulty(): iterable
    {
        $field = static fn (string $rest): string => '{"title": "T", "description": "D", "properties": {"a": {"$ref": "urn:heronstem:field:'.
            $rest.
            '}}}';
        yield 'no JSON' => ['{', 'This is no JSON'];
        yield 'no name' => ['{"description": "D"}', 'title: This is a text, and needed'];
        yield 'an unknown kind' => [
            $field('colour", "title": "A"'),
            'properties.a.$ref: This names the kind of field: one of urn:heronstem:field:text',
        ];
        yield 'a slip in a keyword' => [$field('text", "title": "A", "maxLenght": 3'), 'properties.a.maxLenght: This keyword is not known here'];
        yield 'a keyword of the wrong type' => [$field('text", "title": "A", "maxLength": "3"'), 'properties.a: maxLength must be'];
        yield 'a pattern that is none' => [$field('text", "title": "A", "pattern": "("'), 'properties.a: pattern'];
        yield 'a default that does not fit' => [$field('number", "title": "A", "default": "x"'), 'properties.a.default: This is a number'];
        yield 'money without currency' => [$field('money", "title": "A"'), 'properties.a.currency: Money says its currency'];
        yield 'a choice of nothing' => [$field('choice", "title": "A"'), 'properties.a.oneOf: A choice lists'];
        yield 'rows without fields' => [
            $field('rows", "title": "A", "items": {"properties": {}}'),
            'properties.a.items: Rows have at least one field',
        ];
        yield 'rows in rows' => [
            $field('rows", "title": "A", "items": {"properties": {"b": {"$ref": "urn:heronstem:field:rows", "title": "B", "items": {}}}}'),
            'properties.a.items.properties.b: Rows cannot hold rows',
        ];
        yield 'something needed that is not there' => [
            '{"title": "T", "description": "D", "properties": {}, "required": ["b"]}',
            'required: There is no field “b”',
        ];
    }

    #[Test]
    #[DataProvider('faulty')]
    public function a_faulty_layout_says_what_is_wrong_where(string $json, string $said): void
    {
        $this->expectException(FaultyLayout::class);
        $this->expectExceptionMessage($said);
        LayoutReader::read('crossing', $json);
    }

    #[Test]
    public function what_has_no_place_in_another_layout_is_kept_for_the_way_back(): void
    {
        $boat = LayoutReader::read(
            'boat',
            '{"title": "Boat", "description": "D", "properties": {"sails": {"$ref": "urn:heronstem:field:text", "title": "S"}, "takes": {"$ref": "urn:heronstem:field:text", "title": "T"}}}',
        );
        $said = self::crossing()->changed(new FieldValues(), ['takes' => 35, 'sails' => 'daily', 'cars' => 'y']);
        $moved = $boat->relaid($said, 'crossing');
        self::assertSame(['sails' => 'daily'], $moved->values);
        self::assertSame(['crossing' => ['takes' => 35, 'cars' => 'y']], $moved->kept);
        $back = self::crossing()->relaid($boat->changed($moved, ['takes' => 'long', 'sails' => 'weekly']), 'boat');
        self::assertEquals(['takes' => 35, 'sails' => 'weekly', 'cars' => 'y'], $back->values);
        self::assertSame(['boat' => ['takes' => 'long']], $back->kept);
    }

    #[Test]
    public function there_and_back_loses_nothing_and_reading_again_changes_nothing(): void
    {
        $crossing = self::crossing();
        $plain = new Layout('page', 'Content', 'Content alone.');
        $this->forAll(Generators::seq(Generators::choose(0, 8)), Generators::string(), Generators::choose(1, 999_999))->then(static function (
            array $chosen,
            string $text,
            int $number,
        ) use ($crossing, $plain): void {
            $all = [
                'from' => ['page' => self::PAGE],
                'takes' => $number / 8,
                'sails' => mb_substr('a'.preg_replace('/[^\PC]/u', '', mb_scrub($text)), 0, 20),
                'about' => "x\n$number",
                'since' => sprintf('%04d-%02d-%02d', 1900 + ($number % 200), 1 + ($number % 12), 1 + ($number % 28)),
                'open' => $number % 2 === 0,
                'cars' => $number % 3 === 0 ? 'y' : 'n',
                'view' => ['file' => self::PAGE, 'alt' => "n $number", 'focus' => ['x' => $number % 101, 'y' => 0]],
                'fares' => [['name' => 'A', 'price' => (string) ($number / 100)]],
            ];
            $given = array_intersect_key($all, array_flip(array_map(static fn (int $n): string => array_keys($all)[$n], $chosen)));
            $said = $crossing->changed(new FieldValues(), $given);
            self::assertSame($said->toText(), $crossing->changed($said, $said->values)->toText());
            self::assertSame($said->toText(), FieldValues::stored($said->toText())->toText());
            self::assertSame($said->toText(), $crossing->relaid($plain->relaid($said, 'crossing'), 'page')->toText());
            self::assertSame([], $plain->relaid($said, 'crossing')->values);
        });
    }

    #[Test]
    public function values_are_read_in_the_language_of_the_site_and_by_engines(): void
    {
        $crossing = self::crossing();
        $values = $crossing->changed(new FieldValues(), [
            'from' => self::PAGE,
            'takes' => 35,
            'since' => '2027-05-31',
            'cars' => 'y',
            'fares' => [['name' => 'Adult', 'price' => '4.80']],
        ])->values;
        self::assertSame("35\u{A0}min\n31 May 2027\nYes\nAdult £4.80", FieldText::ofAll($crossing, $values, 'en-GB'));
        self::assertStringContainsString("4,80\u{A0}£", FieldText::ofAll($crossing, $values, 'de'));
        $linked = new LinkedFields(
            'https://a.example',
            StillSources::make()->files,
            static fn (): array => ['name' => 'Hallin', 'address' => '/hallin'],
        );
        self::assertSame(
            [
                '@type' => 'BoatTrip',
                'name' => 'To Skerra',
                'departureBoatTerminal' => ['@type' => 'Thing', 'name' => 'Hallin', 'url' => 'https://a.example/hallin'],
                'offers' => [['@type' => 'Offer', 'name' => 'Adult', 'price' => '4.80', 'priceCurrency' => 'GBP']],
            ],
            $linked->node($crossing, $values, ['name' => 'To Skerra', 'description' => '']),
        );
        self::assertSame([], $linked->node(new Layout('page', 'Content', ''), [], ['name' => 'x']));
    }

    private static function crossing(): Layout
    {
        return LayoutReader::read('crossing', self::CROSSING);
    }
}
