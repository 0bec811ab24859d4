<?php

declare(strict_types=1);

namespace Tests\App;

use App\Http\Api\Description\OpenApiDocument;
use App\Store\SearchIndex;
use Heronstem\Core\Search\SearchText;
use PHPUnit\Framework\Attributes\Test;

final class OutlineTest extends AppTestCase
{
    #[Test]
    public function the_outline_opens_with_the_top_and_the_branches_asked_for(): void
    {
        $help = $this->live('Help');
        $this->draft('Contact', $help);
        $travel = $this->live('Travel');
        $deep = $this->draft('Summer', $this->draft('Times', $travel));
        $this->api('GET', 'outline')
            ->assertOk()
            ->assertJsonPath('counts', ['pages' => 5, 'live' => 2, 'draft' => 3, 'review' => 0, 'offline' => 0, 'bin' => 0])
            ->assertJsonCount(1, 'branches')
            ->assertJsonPath('branches.0.total', 2)
            ->assertJsonPath('branches.0.rows.0.name', 'Help')
            ->assertJsonPath('branches.0.rows.0.children', 1);
        $this->api('GET', "outline?open=$help,nonsense")
            ->assertJsonCount(2, 'branches')
            ->assertJsonPath('branches.1.parent', $help)
            ->assertJsonPath('branches.1.rows.0.address', '/help/contact');
        $this->api('GET', "outline?reveal=$deep")
            ->assertJsonCount(3, 'branches')
            ->assertJsonPath('branches.2.rows.0.id', $deep);
    }

    #[Test]
    public function a_row_has_what_its_description_says(): void
    {
        $this->live('Help');
        $schema = json_decode(OpenApiDocument::json(), true)['components']['schemas']['OutlineRow'];
        self::assertEqualsCanonicalizing($schema['required'], array_keys($this->api('GET', 'outline')->json('branches.0.rows.0')));
    }

    #[Test]
    public function a_long_branch_comes_in_pieces(): void
    {
        $parent = $this->draft('Many');
        $this->change(
            ...array_map(
                fn (int $n): array => [
                    'kind' => 'make',
                    'page' => (string) \Illuminate\Support\Str::ulid(),
                    'name' => "Page $n",
                    'place' => ['last' => $parent],
                ],
                range(1, 150),
            ),
        );
        $this->api('GET', "branch?parent=$parent")
            ->assertJsonPath('total', 150)
            ->assertJsonCount(100, 'rows')
            ->assertJsonPath('rows.0.name', 'Page 1');
        $this->api('GET', "branch?parent=$parent&offset=100")
            ->assertJsonCount(50, 'rows')
            ->assertJsonPath('rows.49.name', 'Page 150');
        self::assertLessThanOrEqual(
            130,
            array_sum(array_map(fn ($branch) => count($branch['rows']), $this->api('GET', "outline?open=$parent")->json('branches'))),
        );
        $this->api('GET', 'filter?text=page')->assertJsonPath('total', 150)->assertJsonCount(151, 'rows');
    }

    #[Test]
    public function a_filter_finds_any_part_of_name_or_address_and_keeps_the_ancestors(): void
    {
        $help = $this->live('Help');
        $this->draft('Contact us', $help);
        $this->draft('Travel');
        $this->draft('100% wool');
        $this->api('GET', 'filter?text=ONTACT')
            ->assertJsonPath('total', 1)
            ->assertJsonCount(2, 'rows')
            ->assertJsonPath('rows.0.match', false)
            ->assertJsonPath('rows.1.match', true)
            ->assertJsonPath('rows.1.level', 2);
        $this->api('GET', 'filter?text='.rawurlencode('/help/c'))->assertJsonPath('total', 1);
        $this->api('GET', 'filter?text='.rawurlencode('%'))->assertJsonPath('total', 1);
        $this->api('GET', 'filter?text=nothing')->assertJsonPath('total', 0)->assertJsonCount(0, 'rows');
        $this->api('GET', 'filter?text=')->assertJsonPath('total', 0);
    }

    #[Test]
    public function go_to_finds_by_name_heading_and_address_exact_names_first(): void
    {
        $help = $this->live('Help');
        $this->live('Help for writers');
        $contact = $this->live('Contact', $help);
        $this->row($contact)->update(['heading' => 'Reach us']);
        $this->api('GET', 'go-to?text=help')->assertJsonPath('0.name', 'Help')->assertJsonPath('0.exact', true)->assertJsonCount(3);
        $this->api('GET', 'go-to?text=reach')->assertJsonPath('0.name', 'Contact')->assertJsonPath('0.within', 'Help');
        $this->api('GET', 'go-to?text=')->assertJsonCount(0);
    }

    #[Test]
    public function go_to_finds_by_several_words_in_any_order_by_content_and_by_a_slip_of_spelling(): void
    {
        $harbours = $this->live('Harbours');
        $skerra = $this->live('Skerra', $harbours);
        $this->live('Skerra walks');
        $this->live('Timetables');
        $texts = new SearchText('Skerra', '', '', 'Long-stay parking stands behind the pier.');
        app(SearchIndex::class)->write($this->site, [$this->row($skerra)->id => $texts]);
        $found = fn (string $text): array => array_map(
            static fn (array $hit): string => "{$hit['name']} {$hit['by']}",
            $this->api('GET', 'go-to?text='.rawurlencode($text))->json(),
        );
        self::assertSame(['Skerra content'], $found('skerra parking'));
        self::assertSame(['Skerra content'], $found('Parking  SKERRA'));
        self::assertSame(['Skerra name', 'Skerra walks name'], $found('skerra'));
        self::assertSame(['Skerra name'], $found('skerra harbours'));
        self::assertSame(['Timetables spelling'], $found('timetabels'));
        self::assertSame([], $found('skerra submarine'));
        self::assertSame(['Skerra walks name', 'Skerra name'], $found('the skerra'), 'What says nothing need not be there.');
        self::assertSame([], $found('the'));
        $this->live('Basket of eggs');
        self::assertSame(['Skerra walks name', 'Skerra name'], $found('sk'), 'Few letters begin a word.');
        self::assertSame(['Skerra name'], $found('s harbours'));
        self::assertSame(['Basket of eggs name'], $found('ask'), 'More stand anywhere in it.');
        self::assertSame([], $found('('));
        self::assertSame([], $found('s* [a'));
        self::assertSame([], $found("%_\\ '"));
    }

    #[Test]
    public function what_a_filter_finds_is_sorted_by_a_column_without_the_pages_above(): void
    {
        $help = $this->live('Help');
        $this->live('Contact us', $help);
        $this->draft('About us');
        $this->api('GET', 'filter?text=us&sort=name')
            ->assertJsonPath('rows.0.name', 'About us')
            ->assertJsonPath('rows.1.name', 'Contact us')
            ->assertJsonCount(2, 'rows');
        $this->api('GET', 'filter?text=us&sort=-name')->assertJsonPath('rows.0.name', 'Contact us');
        $this->api('GET', 'filter?text=us&sort=-score')->assertOk();
        $this->api('GET', 'filter?text=us&sort=weight')->assertStatus(422)->assertJsonPath('errors.0.field', 'sort');
    }

    #[Test]
    public function the_address_is_told_while_it_is_typed(): void
    {
        $help = $this->live('Help');
        $taken = $this->live('Contact', $help);
        $make = ['kind' => 'make', 'page' => (string) \Illuminate\Support\Str::ulid(), 'name' => 'Häfen & Piers', 'place' => ['last' => $help]];
        $this->api('POST', 'address', $make)
            ->assertJsonPath('slug', 'hafen-piers')
            ->assertJsonPath('address', '/help/hafen-piers')
            ->assertJsonPath('inherited', '/help/')
            ->assertJsonPath('conflict', null);
        $this->api('POST', 'address', [...$make, 'name' => 'Contact'])
            ->assertJsonPath('conflict.held.page', $taken)
            ->assertJsonPath('conflict.waysOut.0.slug', 'contact-2');
        $this->api('POST', 'address', [...$make, 'slug' => 'a?b'])
            ->assertOk()
            ->assertJsonPath('suggestion', 'a-b')
            ->assertJsonPath('address', null);
    }

    #[Test]
    public function reach_follows_menus_branches_and_links_in_words(): void
    {
        $home = $this->live('Home');
        $this->site->update(['start_page_id' => $this->row($home)->id]);
        $help = $this->live('Help');
        $contact = $this->live('Contact', $help);
        $office = $this->live('Office', $contact);
        $far = $this->live('Far', $this->draft('Hidden'));
        $words = [
            'type' => 'doc',
            'content' => [
                [
                    'type' => 'paragraph',
                    'content' => [['type' => 'text', 'text' => 'there', 'marks' => [['type' => 'link', 'attrs' => ['page' => $far]]]]],
                ],
            ],
        ];
        $this->api('PUT', "pages/$office/content", ['document' => $words], headers: ['If-Match' => '0'])->assertOk();
        $this->api('POST', "pages/$office/publish")->assertOk();
        $this->live('Another');
        self::assertSame([0, 1, 1, 2, 3], array_map(fn (string $page): ?int => $this->row($page)->clicks, [$home, $help, $contact, $office, $far]));
        self::assertSame(1, $this->row($far)->links_in);
        $this->api('POST', 'ripple', ['changes' => [['kind' => 'set-slug', 'page' => $far, 'slug' => 'near']]])->assertJsonPath(
            'account.counts.linksFollow',
            1,
        );
    }
}
