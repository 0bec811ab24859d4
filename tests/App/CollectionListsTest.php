<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;

/** How a group of a collection lists what is in it. */
final class CollectionListsTest extends AppTestCase
{
    private string $group;

    protected function setUp(): void
    {
        parent::setUp();
        $this->group = $this->live('Books');
        $this->change(['kind' => 'describe', 'page' => $this->group, 'layout' => 'collection']);
        $this->describe($this->group, [
            'itemFields' => [
                ['name' => 'Pages', 'kind' => 'number'],
                ['name' => 'Bound', 'kind' => 'choice', 'choices' => 'Paper, Cloth, Leather'],
                ['name' => 'Came in', 'kind' => 'date'],
                ['name' => 'Signed', 'kind' => 'yes-no'],
                ['name' => 'About', 'kind' => 'long-text'],
            ],
        ]);
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> what the group says of its list; the order */
    public static function orders(): iterable
    {
        yield 'as in the outline' => [[], ['Wreck', 'Atlas', 'Tides']];
        yield 'by name' => [['order' => 'name'], ['Atlas', 'Tides', 'Wreck']];
        yield 'newest first' => [['order' => 'newest'], ['Tides', 'Wreck', 'Atlas']];
        yield 'by a number' => [['order' => 'field', 'orderField' => 'pages'], ['Tides', 'Atlas', 'Wreck']];
        yield 'by a choice, as it is offered' => [['order' => 'field', 'orderField' => '-bound'], ['Wreck', 'Tides', 'Atlas']];
        yield 'by a field that is not there' => [['order' => 'field', 'orderField' => 'weight'], ['Wreck', 'Atlas', 'Tides']];
    }

    /**
     * @param  array<string, mixed>  $said
     * @param  list<string>  $order
     */
    #[Test, DataProvider('orders')]
    public function items_stand_in_the_order_of_the_group(array $said, array $order): void
    {
        $this->books();
        if ($said !== []) {
            $this->describe($this->group, $said);
        }
        self::assertSame($order, $this->listed('/books'));
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function filters(): iterable
    {
        yield 'a choice' => ['?bound=Cloth', ['Tides']];
        yield 'from a date' => ['?cameIn-from=2026-02-01', ['Atlas', 'Tides']];
        yield 'between dates' => ['?cameIn-from=2026-02-01&cameIn-to=2026-03-01', ['Atlas']];
        yield 'yes' => ['?signed=yes', ['Atlas']];
        yield 'two at once' => ['?signed=yes&bound=Cloth', []];
        yield 'at most' => ['?pages-to=99', ['Tides']];
        yield 'an empty field' => ['?bound=&pages-from=', ['Wreck', 'Atlas', 'Tides']];
    }

    /** @param  list<string>  $found */
    #[Test, DataProvider('filters')]
    public function visitors_ask_for_some_of_them(string $query, array $found): void
    {
        $this->books();
        self::assertSame($found, $this->listed("/books$query"));
    }

    #[Test]
    public function long_lists_are_turned_over_and_the_terms_go_along(): void
    {
        $changes = [];
        foreach (range(1, 60) as $n) {
            $id = (string) Str::ulid();
            array_push(
                $changes,
                ['kind' => 'make', 'page' => $id, 'name' => sprintf('Book %02d', $n), 'place' => ['last' => $this->group]],
                ['kind' => 'describe', 'page' => $id, 'layout' => 'item', 'fields' => ['pages' => 1000 - $n]],
                ['kind' => 'go-live', 'page' => $id],
            );
        }
        $this->change(...$changes);
        self::assertCount(48, $this->listed('/books'));
        self::assertSame('Book 49', $this->listed('/books?page=2')[0]);
        self::assertCount(12, $this->listed('/books?page=2'));
        self::assertCount(12, $this->listed('/books?page=99'), 'The last one, where there are no more.');
        self::assertSame('Book 12', $this->listed('/books?page=2&sort=pages')[0]);
        self::assertStringContainsString('href="/books?pages-from=945&amp;page=2"', $this->page('/books?pages-from=945'));
    }

    #[Test]
    public function values_that_a_field_no_longer_takes_are_not_shown_and_not_lost(): void
    {
        $this->books();
        $atlas = (string) DB::table('pages')->where('name', 'Atlas')->value('ulid');
        $this->describe($this->group, [
            'itemFields' => [['name' => 'Pages', 'kind' => 'date'], ['name' => 'Bound', 'kind' => 'choice', 'choices' => 'Board']],
        ]);
        $page = $this->page('/books/atlas');
        self::assertStringNotContainsString('<dd>', $page);
        self::assertStringNotContainsString('Any</option>', $this->page('/books'), 'Nothing tells them apart.');
        self::assertSame(300, $this->api('GET', "pages/$atlas")->json('fields.pages'));
        $this->describe($this->group, ['itemFields' => [['name' => 'Pages', 'kind' => 'number']]]);
        self::assertStringContainsString('<dd>300</dd>', $this->page('/books/atlas'));
    }

    #[Test]
    public function cards_show_the_first_picture_and_a_few_facts_and_groups_come_first(): void
    {
        $this->books();
        $inside = $this->live('Old maps', $this->group);
        $this->change(['kind' => 'describe', 'page' => $inside, 'layout' => 'collection', 'summary' => 'Before 1900.']);
        $file = $this->pictureFile('cover.png', 900, 600);
        $atlas = (string) DB::table('pages')->where('name', 'Atlas')->value('ulid');
        $this->describe($atlas, ['pictures' => [['picture' => ['file' => $file, 'alt' => 'The cover']]], 'about' => "One.\n\nTwo."]);
        $html = $this->page('/books');
        self::assertMatchesRegularExpression('#<a href="/books/old-maps">.*<li><img [^>]*alt="The cover"[^>]*>\s*<a href="/books/atlas">#s', $html);
        self::assertMatchesRegularExpression('#<dt>Pages</dt><dd>300</dd>.*<dt>Bound</dt><dd>Paper</dd>#s', $html);
        $page = $this->page('/books/atlas');
        self::assertStringContainsString('<h2>About</h2>', $page);
        self::assertStringContainsString('<p>Two.</p>', $page);
        // What is empty says so in the words of the group, its own or the layout's.
        self::assertStringContainsString('Nothing is listed here', $this->page('/books/old-maps'));
        $this->describe($inside, ['noItems' => 'All sold.']);
        self::assertStringContainsString('All sold.', $this->page('/books/old-maps'));
    }

    #[Test]
    public function a_page_with_the_layout_of_items_needs_no_group(): void
    {
        $lonely = $this->live('Leaflet');
        $this->change(['kind' => 'describe', 'page' => $lonely, 'layout' => 'item']);
        self::assertSame(['pictures', 'alsoIn'], array_column((array) $this->api('GET', "pages/$lonely")->json('layoutFields'), 'key'));
        $this->describe($lonely, ['alsoIn' => [['group' => ['page' => $this->group]]]]);
        self::assertSame(['Leaflet'], $this->listed('/books'));
        $this->page('/leaflet');
    }

    #[Test]
    public function a_table_of_a_group_reads_back_without_a_change(): void
    {
        $this->books();
        $table = $this->api('GET', "layouts/item/export?group={$this->group}")->streamedContent();
        $read = $this->api('POST', "layouts/item/import?group={$this->group}", ['text' => $table])->assertOk();
        self::assertSame([0, 0, 3], [count((array) $read->json('changes')), $read->json('refused'), $read->json('same')]);
        // Without the group nothing is known of its fields.
        self::assertSame(3, $this->api('POST', 'layouts/item/import', ['text' => $table])->json('refused'));
    }

    #[Test]
    public function looking_at_an_item_before_visitors_do_shows_what_its_group_will_say(): void
    {
        $this->books();
        $atlas = (string) DB::table('pages')->where('name', 'Atlas')->value('ulid');
        $this->api(
            'PATCH',
            "pages/{$this->group}",
            ['fields' => ['itemFields' => [['name' => 'Leaves', 'key' => 'pages', 'kind' => 'number']]]],
            headers: ['If-Match' => '*'],
        )->assertOk();
        $preview = (string) $this->actingAs($this->manager)
            ->get("http://editor.test/preview/ferries/$atlas")
            ->getContent();
        self::assertStringContainsString('<dt>Leaves</dt>', $preview);
        self::assertStringContainsString('<dt>Pages</dt>', $this->page('/books/atlas'));
    }

    private function books(): void
    {
        $books = [
            'Wreck' => ['pages' => 512, 'bound' => 'Leather', 'cameIn' => '2026-01-15'],
            'Atlas' => ['pages' => 300, 'bound' => 'Paper', 'cameIn' => '2026-02-20', 'signed' => true],
            'Tides' => ['pages' => 48, 'bound' => 'Cloth', 'cameIn' => '2026-03-30', 'signed' => false],
        ];
        $days = ['Wreck' => 2, 'Atlas' => 3, 'Tides' => 1];
        foreach ($books as $name => $fields) {
            $page = $this->live($name, $this->group);
            $this->change(['kind' => 'describe', 'page' => $page, 'layout' => 'item', 'fields' => $fields]);
            DB::update('update pages set live_since = now() - make_interval(days => ?) where ulid = ?', [$days[$name], $page]);
        }
    }

    /** @param  array<string, mixed>  $fields */
    private function describe(string $page, array $fields): void
    {
        $this->change(['kind' => 'describe', 'page' => $page, 'fields' => $fields]);
    }

    /** @return list<string> */
    private function listed(string $address): array
    {
        $list = strstr($this->page($address), '<ul class="cards items"') ?: '';
        preg_match_all('#<li>(?:<img[^>]*>)?<a href="[^"]*">([^<]*)</a>#', $list, $found);

        return $found[1];
    }

    private function page(string $address): string
    {
        return (string) $this->visit($address)->assertOk()->getContent();
    }
}
