<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Content\Collection\Item;
use Heronstem\Core\Content\Collection\ItemList;
use Heronstem\Core\Content\Collection\ListTerms;
use Heronstem\Core\Content\Layout\FaultyLayout;
use Heronstem\Core\Content\Layout\ItemFields;
use Heronstem\Core\Content\Layout\LayoutReader;
use Heronstem\Core\Content\Layout\Layouts;
use Heronstem\Core\Content\Replace\ReplacedFields;
use Heronstem\Core\Content\Replace\Replacement;
use Heronstem\Core\Content\Replace\Way;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

final class CollectionTest extends TestCase
{
    use TestTrait;

    private const FIELDS = [
        ['name' => 'Price', 'kind' => 'money', 'unit' => 'GBP'],
        ['name' => 'Length', 'kind' => 'number', 'unit' => 'm'],
        ['name' => 'Rig', 'kind' => 'choice', 'choices' => 'Sloop, Ketch,  Gaff'],
        ['name' => 'Afloat', 'kind' => 'yes-no'],
        ['name' => 'Ashore since', 'kind' => 'date'],
    ];

    #[Test]
    public function a_group_gives_the_pages_below_it_fields_and_a_nested_one_adds_to_them(): void
    {
        $site = self::yard();
        $site->apply(new Describe('Boats', fields: ['itemFields' => self::FIELDS]));
        $site->apply(new Describe('Sail', fields: ['itemFields' => [['name' => 'Sail area', 'kind' => 'number', 'unit' => 'm²']]]));
        self::assertSame(
            ['price', 'length', 'rig', 'afloat', 'ashoreSince'],
            array_column($site->pages['Boats']->texts->fields->values['itemFields'], 'key'),
        );
        $site->apply(new Describe('Petrel', fields: ['price' => '12500.00', 'rig' => 'Sloop', 'sailArea' => 34.5]));
        self::assertEquals(['price' => '12500.00', 'rig' => 'Sloop', 'sailArea' => 34.5], $site->pages['Petrel']->texts->fields->values);
        self::assertSame('fields.rig', self::refused($site, new Describe('Petrel', fields: ['rig' => 'Yawl'])));
        self::assertSame('fields.draught', self::refused($site, new Describe('Petrel', fields: ['draught' => 1])));
    }

    #[Test]
    public function of_two_fields_with_one_key_the_nearest_holds(): void
    {
        $outer = self::settled([['name' => 'Length', 'kind' => 'text'], ['name' => 'Berth', 'kind' => 'text']]);
        $inner = self::settled([['name' => 'Length', 'kind' => 'number', 'unit' => 'm']]);
        $fields = ItemFields::of([$inner, $outer]);
        self::assertSame(['length', 'berth'], array_column($fields, 'key'));
        self::assertTrue($fields[0]->isNumeric());
    }

    #[Test]
    public function values_stay_with_the_key_when_a_field_is_renamed_and_with_the_page_when_it_moves(): void
    {
        $site = self::yard();
        $site->apply(new Describe('Boats', fields: ['itemFields' => self::FIELDS]));
        $site->apply(new Describe('Sail', fields: ['itemFields' => [['name' => 'Sail area', 'kind' => 'number']]]));
        $site->apply(new Describe('Petrel', fields: ['price' => '900', 'sailArea' => 30]));
        $site->apply(
            new Describe('Boats', fields: ['itemFields' => [['name' => 'Asking price', 'key' => 'price', 'kind' => 'money', 'unit' => 'GBP']]]),
        );
        $ripple = $site->apply(new Move('Petrel', Place::lastIn('Motor')));
        $kept = array_filter($ripple->toDecide->notes, static fn (Note $note): bool => $note->kind === NoteKind::FieldsKept);
        self::assertSame(['Sail area'], array_values(array_map(static fn (Note $note): ?string => $note->other, $kept)));
        self::assertEquals(['price' => '900.00', 'sailArea' => 30], $site->pages['Petrel']->texts->fields->values);
        self::assertSame('fields.sailArea', self::refused($site, new Describe('Petrel', fields: ['sailArea' => 31])));
        $site->apply(new Move('Petrel', Place::lastIn('Sail')));
        $site->apply(new Describe('Petrel', fields: ['sailArea' => 31]));
        self::assertSame(31, $site->pages['Petrel']->texts->fields->values['sailArea']);
    }

    #[Test]
    public function what_a_group_cannot_ask_for_is_refused_with_row_and_column(): void
    {
        foreach (
            [
                'itemFields.0.choices' => [['name' => 'Rig', 'kind' => 'choice', 'choices' => ' , ']],
                'itemFields.1.unit' => [['name' => 'Length', 'kind' => 'number'], ['name' => 'Price', 'kind' => 'money', 'unit' => 'pounds']],
                'itemFields.1.key' => [['name' => 'A', 'kind' => 'text', 'key' => 'x'], ['name' => 'B', 'kind' => 'text', 'key' => 'x']],
                'itemFields.0.key' => [['name' => 'A', 'kind' => 'text', 'key' => 'pictures']],
                'itemFields.0.kind' => [['name' => 'A', 'kind' => 'rows']],
                'itemFields.0.name' => [['kind' => 'text']],
            ] as $at => $rows
        ) {
            self::assertSame("fields.$at", self::refused(self::yard(), new Describe('Boats', fields: ['itemFields' => $rows])));
        }
    }

    #[Test]
    public function every_field_gets_a_key_of_its_own_that_a_layout_would_take(): void
    {
        $this->forAll(Generators::seq(Generators::string()))->then(function (array $names): void {
            $rows = array_map(static fn (string $name): array => ['name' => $name, 'kind' => 'text'], [
                ...$names,
                'Name',
                'name ',
                '9 lives',
                'Länge',
                '',
            ]);
            $keys = array_column(ItemFields::settled($rows, ['pictures'], 'f'), 'key');
            self::assertSame(count($keys), count(array_unique([...$keys, 'pictures'])) - 1);
            foreach ($keys as $key) {
                self::assertMatchesRegularExpression('/^[a-z][A-Za-z0-9]{0,39}$/D', $key);
            }
        });
    }

    #[Test]
    public function a_list_holds_what_was_asked_for_and_all_of_it_in_order(): void
    {
        $fields = ItemFields::of([self::settled(self::FIELDS)]);
        $item = Generators::map(
            static fn (array $said): array => array_filter(
                ['price' => $said[0], 'length' => $said[1], 'rig' => $said[2], 'afloat' => $said[3], 'ashoreSince' => $said[4]],
                static fn (mixed $value): bool => $value !== null,
            ),
            Generators::tuple(
                Generators::elements([null, '5', '10', '900', '1000.50']),
                Generators::elements([null, 4, 9, 9.5, 12]),
                Generators::elements([null, 'Sloop', 'Ketch', 'Gaff']),
                Generators::elements([null, true, false]),
                Generators::elements([null, '2024-01-31', '2026-11-29']),
            ),
        );
        $query = Generators::elements([
            [],
            ['sort' => 'price'],
            ['sort' => '-price'],
            ['sort' => '-rig', 'length-from' => '9'],
            ['afloat' => 'no', 'sort' => 'ashoreSince'],
            ['rig' => 'Ketch', 'price-to' => '900'],
            ['ashoreSince-from' => '2025-01-01', 'sort' => '-name'],
            ['length-from' => '5', 'length-to' => '9'],
        ]);
        $this->forAll(Generators::seq($item), $query)->then(function (array $values, array $query) use ($fields): void {
            $items = array_map(
                static fn (array $said, int $i): Item => Item::of("$i", 'Boat '.$i % 3, $fields, $said),
                $values,
                array_keys($values),
            );
            $terms = ListTerms::read($fields, $query);
            $listed = (new ItemList($fields, 'en'))->of($items, $terms);
            $asked = array_filter($items, static fn (Item $one): bool => self::isAsked($one->values, $query));
            self::assertEqualsCanonicalizing(array_column($asked, 'id'), array_column($listed, 'id'));
            $sort = $query['sort'] ?? null;
            $sorted = array_map(static fn (Item $one): mixed => self::rank($one, ltrim((string) $sort, '-')), $listed);
            $known = array_values(array_filter($sorted, static fn (mixed $rank): bool => $rank !== null));
            $expected = $known;
            str_starts_with((string) $sort, '-') ? rsort($expected) : sort($expected);
            if ($sort !== null) {
                self::assertSame($expected, $known);
                self::assertSame($known, array_slice($sorted, 0, count($known)), 'what says nothing comes last');
            } else {
                self::assertSame(array_column($asked, 'id'), array_column($listed, 'id'));
            }
            self::assertEquals($terms, ListTerms::read($fields, self::parsed($terms->query())));
        });
    }

    #[Test]
    public function a_query_that_makes_no_sense_asks_for_nothing(): void
    {
        $fields = ItemFields::of([self::settled(self::FIELDS)]);
        $plain = ListTerms::read($fields, []);
        foreach (
            [
                ['sort' => ['price']],
                ['sort' => 'colour'],
                ['rig' => 'Yawl'],
                ['price-from' => 'NaN'],
                ['page' => '0'],
                ['page' => '-1'],
                ['ashoreSince-to' => '31.1.2024'],
                ['afloat' => "ye\0s"],
                ['length-from' => "\xff"],
                [3 => '4'],
                ['price-from' => str_repeat('9', 300)],
            ] as $query
        ) {
            self::assertEquals($plain, ListTerms::read($fields, $query), (string) json_encode($query, JSON_PARTIAL_OUTPUT_ON_ERROR));
        }
    }

    #[Test]
    public function replacing_texts_leaves_keys_and_choices_and_what_no_longer_fits(): void
    {
        $site = self::yard();
        $site->apply(
            new Describe(
                'Boats',
                fields: [
                    'itemFields' => [
                        ['name' => 'Price of Price', 'kind' => 'text', 'key' => 'price'],
                        ['name' => 'Rig', 'kind' => 'choice', 'choices' => 'Price, Other'],
                    ],
                ],
            ),
        );
        $layout = $site->layouts->of('collection');
        [$changed, $found] = ReplacedFields::of(
            $site->pages['Boats']->texts->fields,
            $layout,
            Replacement::of('price', 'cost', Way::Plain, false),
            static fn (): bool => true,
        );
        self::assertSame(['itemFields.0.name', 'itemFields.0.name'], array_column($found, 0));
        self::assertSame(
            [['cost of cost', 'price'], ['Rig', 'rig']],
            array_map(static fn (array $row): array => [$row['name'], $row['key']], $changed->values['itemFields']),
        );

        // A figure stands where a text is asked for by now: it is nobody's to mend here.
        $site->apply(new Describe('Petrel', fields: ['price' => 'the price']));
        $site->apply(
            new Describe(
                'Boats',
                fields: ['itemFields' => [['name' => 'Price', 'kind' => 'number', 'key' => 'price'], ['name' => 'About', 'kind' => 'text']]],
            ),
        );
        $site->apply(new Describe('Petrel', fields: ['about' => 'the price']));
        [$changed] = ReplacedFields::of(
            $site->pages['Petrel']->texts->fields,
            $site->layouts->at('item', [$site->pages['Sail'], $site->pages['Boats']]),
            Replacement::of('price', 'cost', Way::Plain, false),
            static fn (): bool => true,
        );
        self::assertEquals(['price' => 'the price', 'about' => 'the cost'], $changed->values);
    }

    #[Test]
    public function rows_that_define_fields_bring_their_own_columns(): void
    {
        $this->expectException(FaultyLayout::class);
        LayoutReader::read(
            'group',
            '{"title": "G", "description": "D", "properties": {"a": {"$ref": "urn:heronstem:field:rows", "title": "A", "defines": true, "items": {}}}}',
        );
    }

    /**
     * @param  list<array<string, mixed>>  $rows
     * @return array<int, array<string, mixed>>
     */
    private static function settled(array $rows): array
    {
        return ItemFields::settled($rows, [], 'itemFields');
    }

    /**
     * @param  array<string, mixed>  $said
     * @param  array<string, string>  $query
     */
    private static function isAsked(array $said, array $query): bool
    {
        foreach (array_diff_key($query, ['sort' => 1]) as $key => $wanted) {
            [$field, $end] = [...explode('-', $key), ''];
            $value = is_bool($said[$field] ?? null) ? ['no', 'yes'][(int) $said[$field]] : $said[$field] ?? null;
            if (
                $value === null ||
                ($end === '' && $value !== $wanted) ||
                ($end === 'from' && $value < $wanted) ||
                ($end === 'to' && $value > $wanted)
            ) {
                return false;
            }
        }

        return true;
    }

    private static function rank(Item $item, string $key): mixed
    {
        $value = $key === 'name' ? $item->name : $item->values[$key] ?? null;

        return match (true) {
            $value === null => null,
            $key === 'rig' => array_search($value, ['Sloop', 'Ketch', 'Gaff'], true),
            is_numeric($value) => (float) $value,
            default => $value,
        };
    }

    /** @return array<mixed> */
    private static function parsed(string $query): array
    {
        parse_str($query, $parts);

        return $parts;
    }

    private static function refused(MemorySite $site, Describe $change): string
    {
        try {
            $site->plan($change);
        } catch (InputRefused $no) {
            return substr($no->field, strlen('changes.0.'));
        }
        self::fail('This was taken.');
    }

    private static function yard(): MemorySite
    {
        $site = new MemorySite();
        $definition = '"itemFields": {"$ref": "urn:heronstem:field:rows", "title": "Fields", "defines": true, "reserved": ["pictures"]}';
        $site->layouts = new Layouts([
            LayoutReader::read('collection', "{\"title\": \"Collection\", \"description\": \"D\", \"properties\": {{$definition}}}"),
            LayoutReader::read('item', '{"title": "Item", "description": "D", "fieldsFrom": "collection"}'),
        ]);
        $site->live('Boats');
        $site->live('Sail', 'Boats');
        $site->live('Motor', 'Boats');
        $site->live('Petrel', 'Sail');
        foreach (['Boats', 'Sail', 'Motor'] as $group) {
            $site->apply(new Describe($group, layout: 'collection'));
        }
        $site->apply(new Describe('Petrel', layout: 'item'));

        return $site;
    }
}
