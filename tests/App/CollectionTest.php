<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;

final class CollectionTest extends AppTestCase
{
    private string $boats;

    private string $sail;

    private string $motor;

    /** @var array<string, string> items by name */
    private array $items = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->boats = $this->live('Boats');
        $this->sail = $this->live('Sail', $this->boats);
        $this->motor = $this->live('Motor', $this->boats);
        $this->change(
            ...array_map(static fn (string $page): array => ['kind' => 'describe', 'page' => $page, 'layout' => 'collection'], [
                $this->boats,
                $this->sail,
                $this->motor,
            ]),
        );
        $this->describe($this->boats, [
            'itemFields' => [
                ['name' => 'Price', 'kind' => 'money', 'unit' => 'GBP'],
                ['name' => 'Built', 'kind' => 'year'],
                ['name' => 'Afloat', 'kind' => 'yes-no'],
            ],
            'show' => 'table',
        ]);
        $this->describe($this->sail, ['itemFields' => [['name' => 'Sail area', 'kind' => 'number', 'unit' => 'm²']]]);
        foreach (['Petrel' => $this->sail, 'Merganser' => $this->sail, 'Eider' => $this->motor] as $name => $group) {
            $this->items[$name] = $this->live($name, $group);
            $this->change(['kind' => 'describe', 'page' => $this->items[$name], 'layout' => 'item']);
        }
        $this->describe($this->items['Petrel'], ['price' => 9000, 'built' => 1988, 'sailArea' => 30]);
        $this->describe($this->items['Merganser'], ['price' => '12000', 'built' => 1979, 'afloat' => true]);
        $this->describe($this->items['Eider'], ['price' => '4000']);
    }

    #[Test]
    public function a_page_has_the_fields_that_the_groups_above_it_give(): void
    {
        $keys = static fn (TestResponse $sheet): array => array_column((array) $sheet->json('layoutFields'), 'key');
        self::assertSame(['price', 'built', 'afloat', 'sailArea', 'pictures', 'alsoIn'], $keys($this->api('GET', "pages/{$this->items['Petrel']}")));
        self::assertSame(['price', 'built', 'afloat', 'pictures', 'alsoIn'], $keys($this->api('GET', "pages/{$this->items['Eider']}")));
        $this->api('PATCH', "pages/{$this->items['Eider']}", ['fields' => ['sailArea' => 3]], headers: ['If-Match' => '*'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'fields.sailArea');
        // What was saved in a group counts for those who write at once; visitors wait until it is published.
        $this->fill($this->boats, ['itemFields' => [['name' => 'Asking price', 'key' => 'price', 'kind' => 'money', 'unit' => 'GBP']]])->assertOk();
        self::assertSame(['price', 'pictures', 'alsoIn'], $keys($this->api('GET', "pages/{$this->items['Eider']}")));
        self::assertStringNotContainsString('Asking price', $this->page('/boats/motor/eider'));
        $this->change(['kind' => 'publish', 'page' => $this->boats]);
        self::assertStringContainsString('Asking price', $this->page('/boats/motor/eider'));
    }

    #[Test]
    public function visitors_sort_and_filter_what_is_in_the_branch(): void
    {
        self::assertSame(['Petrel', 'Merganser', 'Eider'], $this->listed('/boats'));
        self::assertSame(['Eider', 'Petrel', 'Merganser'], $this->listed('/boats?sort=price'));
        self::assertSame(['Merganser', 'Petrel', 'Eider'], $this->listed('/boats?sort=-price'));
        self::assertSame(['Petrel'], $this->listed('/boats?price-from=5000&price-to=10000'));
        self::assertSame(['Merganser'], $this->listed('/boats?afloat=yes'));
        self::assertSame([], $this->listed('/boats?price-from=99999'));
        self::assertStringContainsString('Show all 3', $this->page('/boats?price-from=99999'));
        self::assertStringContainsString('<link rel="canonical" href="http://ferries.test/boats">', $this->page('/boats?sort=price'));
        self::assertStringContainsString('>1988</td>', $this->page('/boats'));
        foreach (['?sort[]=price', '?sort=%00', '?page=99999999999', '?price-from=%FF', '?built=1;drop', '?afloat[x][y]=1'] as $query) {
            self::assertSame(['Petrel', 'Merganser', 'Eider'], $this->listed("/boats$query"), $query);
        }
    }

    #[Test]
    public function titles_are_made_of_fields_and_a_ripple_says_whose_change(): void
    {
        $this->change(['kind' => 'set-site-search', 'layout' => 'item', 'titlePattern' => '{name}, {fields.price} · {fields.sailArea}']);
        self::assertStringContainsString('<title>Petrel, £9,000.00 · 30 m²</title>', $this->page('/boats/sail/petrel'));
        self::assertStringContainsString('<title>Eider, £4,000.00</title>', $this->page('/boats/motor/eider'));
        $ripple = $this->api('POST', 'ripple', [
            'changes' => [['kind' => 'describe', 'page' => $this->items['Eider'], 'fields' => ['price' => 3500]]],
        ])->assertOk();
        self::assertSame('Eider, £3,500.00', $ripple->json('account.lists.titles.0.to'));
        $moved = $this->api('POST', 'ripple', [
            'changes' => [['kind' => 'move', 'page' => $this->items['Petrel'], 'place' => ['last' => $this->motor]]],
        ])->assertOk();
        self::assertSame('Petrel, £9,000.00', $moved->json('account.lists.titles.0.to'));
    }

    #[Test]
    public function a_page_stands_in_further_groups_and_keeps_its_address(): void
    {
        self::assertSame(['Eider'], $this->listed('/boats/motor'));
        $this->describe($this->items['Petrel'], ['alsoIn' => [['group' => ['page' => $this->motor]]]]);
        self::assertSame(['Petrel', 'Eider'], $this->listed('/boats/motor'));
        self::assertStringContainsString('href="/boats/sail/petrel"', $this->page('/boats/motor'));
        $this->change(['kind' => 'unlist-page', 'pages' => [$this->items['Petrel']]]);
        self::assertSame(['Eider'], $this->listed('/boats/motor'));
        $this->change(['kind' => 'take-offline', 'page' => $this->items['Eider']]);
        self::assertStringContainsString('Nothing is listed here', $this->page('/boats/motor'));
    }

    #[Test]
    public function the_fields_of_a_groups_items_are_a_grid_and_a_table_of_their_own(): void
    {
        $item = collect((array) $this->api('GET', 'layouts')->json('layouts'))->firstWhere('key', 'item');
        self::assertSame(['Boats' => 3, 'Sail' => 2, 'Motor' => 1], array_column($item['groups'], 'pages', 'name'));
        $pages = $this->api('GET', "layouts/item/pages?group={$this->sail}")->assertOk();
        self::assertSame(['Petrel', 'Merganser'], array_column((array) $pages->json(), 'name'));
        $table = $this->api('GET', "layouts/item/export?group={$this->sail}")->streamedContent();
        self::assertStringStartsWith('id,address,fields.price,fields.built,fields.afloat,fields.sailArea,fields.pictures,fields.alsoIn', $table);
        $read = $this->api('POST', "layouts/item/import?group={$this->sail}", [
            'text' => "address,fields.sailArea\n/boats/sail/merganser,68\n/boats/sail/petrel,much",
        ])->assertOk();
        self::assertSame(['68'], array_column(array_column((array) $read->json('changes'), 'fields'), 'sailArea'));
        self::assertSame(1, $read->json('refused'));
        foreach (['layouts/item/pages', 'layouts/item/export'] as $path) {
            foreach (['group[]=x', 'group=x', "group={$this->items['Petrel']}0"] as $query) {
                $this->api('GET', "$path?$query")
                    ->assertStatus(422)
                    ->assertJsonPath('errors.0.field', 'group');
            }
        }
    }

    /** @param  array<string, mixed>  $fields */
    private function describe(string $page, array $fields): void
    {
        $this->change(['kind' => 'describe', 'page' => $page, 'fields' => $fields]);
    }

    /** @param  array<string, mixed>  $fields */
    private function fill(string $page, array $fields): TestResponse
    {
        return $this->api('PATCH', "pages/$page", ['fields' => $fields], headers: ['If-Match' => '*']);
    }

    /** @return list<string> names of the items in the order of the list */
    private function listed(string $address): array
    {
        preg_match_all(
            '#<th scope="row"><a [^>]*>([^<]*)</a>|<li>(?:<img[^>]*>)?<a href="/boats/\w+/\w+">([^<]*)</a>#',
            $this->page($address),
            $found,
        );

        return array_values(array_map(static fn (string $row, string $card): string => $row.$card, $found[1], $found[2]));
    }

    private function page(string $address): string
    {
        return (string) $this->visit($address)->assertOk()->getContent();
    }
}
