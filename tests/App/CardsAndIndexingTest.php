<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** Cards of picked pages with their pictures, files in menus, and pages that search engines are asked not to list. */
final class CardsAndIndexingTest extends AppTestCase
{
    private string $home;

    private string $times;

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
        $this->home = $this->live('Home');
        $this->change(['kind' => 'set-start-page', 'page' => $this->home]);
        $this->times = $this->live('Times');
    }

    #[Test]
    public function a_card_shows_the_first_picture_of_the_page_unless_one_is_set_for_the_list(): void
    {
        $picks = $this->made('picks', 'front');
        $this->api('PATCH', "pages/{$this->home}", ['layout' => 'home'], headers: ['If-Match' => '*'])->assertOk();
        $this->change(['kind' => 'add-to-menu', 'page' => $this->times, 'menu' => $picks]);
        $this->visit('/')->assertSee('<ul class="cards">', false)->assertDontSee('/_files/');
        [$own, $set] = [$this->uploaded('boat.png'), $this->uploaded('harbour.png')];
        $words = [
            'type' => 'doc',
            'content' => [
                ['type' => 'blockquote', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'Sail.']]]]],
                ['type' => 'picture', 'attrs' => ['file' => $own['id'], 'alt' => 'A boat']],
            ],
        ];
        $this->api('PUT', "pages/{$this->times}/content", ['document' => $words], headers: ['If-Match' => '0'])->assertOk();
        $this->visit('/')->assertDontSee($own['address']);
        $this->api('POST', "pages/{$this->times}/publish")->assertOk();
        $this->visit('/')->assertSee($own['address']);
        $entry = $this->api('GET', "menus/$picks")
            ->assertJsonPath('shown.0.picture', $own['address'])
            ->json('entries.0.id');
        $this->change([
            'kind' => 'arrange-menu',
            'menu' => $picks,
            'entries' => [['id' => $entry, 'kind' => 'page', 'page' => $this->times, 'picture' => $set['id']]],
        ]);
        $this->visit('/')->assertSee($set['address'])->assertDontSee($own['address']);
    }

    #[Test]
    public function a_menu_leads_to_a_file_of_its_site_and_to_no_other(): void
    {
        $file = $this->actingAs($this->manager)
            ->post(
                'http://editor.test/api/v1/sites/ferries/documents',
                ['file' => UploadedFile::fake()->createWithContent('fares.csv', "from,to\n")],
                ['Accept' => 'application/json'],
            )
            ->assertCreated()
            ->json();
        $menu = $this->made('menu', 'quick');
        $this->change([
            'kind' => 'arrange-menu',
            'menu' => $menu,
            'entries' => [['kind' => 'file', 'file' => $file['id'], 'label' => 'Fares as a table']],
        ]);
        $this->api('GET', "menus/$menu")
            ->assertJsonPath('entries.0.fileName', 'fares.csv')
            ->assertJsonPath('shown.0.href', $file['address'])
            ->assertJsonPath('findings', []);
        $this->visit('/')->assertSee('href="'.$file['address'].'"', false);
        $unknown = (string) Str::ulid();
        $under = [['kind' => 'heading', 'label' => 'Tables', 'entries' => [['kind' => 'file', 'file' => $unknown, 'label' => 'None']]]];
        $this->api('POST', 'batches', ['changes' => [['kind' => 'arrange-menu', 'menu' => $menu, 'entries' => $under]]])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.entries.0.entries.0.file');
        $this->api('POST', 'ripple', [
            'changes' => [
                ['kind' => 'arrange-menu', 'menu' => $menu, 'entries' => [['kind' => 'page', 'page' => $this->times, 'picture' => $unknown]]],
            ],
        ])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.entries.0.picture');
    }

    #[Test]
    public function files_are_found_by_a_part_of_their_name_the_newest_first(): void
    {
        $this->uploaded('boat.png');
        $this->uploaded('Boats at night.png');
        $this->actingAs($this->manager)
            ->post(
                'http://editor.test/api/v1/sites/ferries/documents',
                ['file' => UploadedFile::fake()->createWithContent('boats.csv', "a\n")],
                ['Accept' => 'application/json'],
            )
            ->assertCreated();
        self::assertSame(
            ['boats.csv', 'boats-at-night.png', 'boat.png'],
            array_column($this->api('GET', 'files?text=BOAT')->assertOk()->json(), 'name'),
        );
        self::assertSame(['boats-at-night.png'], array_column($this->api('GET', 'files?text=boats&pictures=1')->json(), 'name'));
        self::assertSame([], $this->api('GET', 'files?text=%25')->json());
    }

    #[Test]
    public function a_page_that_is_not_to_be_listed_says_so_to_search_engines_and_in_every_menu_that_shows_it(): void
    {
        $menu = $this->made('menu', 'quick');
        $this->change(['kind' => 'add-to-menu', 'page' => $this->times, 'menu' => $menu]);
        $this->visit('/sitemap.xml')->assertOk();
        self::assertStringContainsString('/times<', (string) $this->visit('/sitemap.xml')->streamedContent());
        $this->api('GET', "pages/{$this->times}")->assertJsonPath('indexed', true);
        $this->change(['kind' => 'set-search', 'page' => $this->times, 'index' => false]);
        $this->api('GET', "pages/{$this->times}")->assertJsonPath('indexed', false);
        $this->visit('/times')->assertOk()->assertSee('<meta name="robots" content="noindex">', false);
        self::assertStringNotContainsString('/times<', (string) $this->visit('/sitemap.xml')->streamedContent());
        $this->api('GET', "menus/$menu")
            ->assertJsonPath('findings.0.kind', 'noindex')
            ->assertJsonPath('findings.0.page', $this->times);
        $copy = (string) Str::ulid();
        $this->change(['kind' => 'duplicate', 'page' => $this->times, 'copy' => $copy]);
        $this->api('GET', "pages/$copy")->assertJsonPath('indexed', false);
    }

    #[Test]
    public function the_outline_says_which_picks_a_page_is_on(): void
    {
        $picks = $this->made('picks', 'front');
        $picked = fn (): array => array_map(
            static fn (array $row): array => $row['picks'] ?? [],
            $this->api('GET', 'outline')->json('branches.0.rows'),
        );
        self::assertSame([[], []], $picked());
        $this->change(['kind' => 'add-to-menu', 'page' => $this->times, 'menu' => $picks]);
        self::assertSame([[], ['Made']], $picked());
        self::assertSame(['Made'], $this->api('GET', 'filter?text=times')->json('rows.0.picks'));
    }

    #[Test]
    public function the_start_page_of_signed_in_people_is_previewed_as_they_get_it(): void
    {
        $menu = $this->made('menu', 'quick');
        $this->change(
            ['kind' => 'set-start-page', 'page' => $this->times, 'for' => 'signed-in'],
            [
                'kind' => 'arrange-menu',
                'menu' => $menu,
                'entries' => [['kind' => 'url', 'url' => 'https://tides.example/', 'label' => 'For islanders', 'audience' => 'signed-in']],
            ],
        );
        $this->actingAs($this->manager)
            ->get("http://editor.test/preview/ferries/{$this->times}")
            ->assertOk()
            ->assertDontSee('For islanders')
            ->assertSee('class="crumbs"', false);
        $this->actingAs($this->manager)
            ->get("http://editor.test/preview/ferries/{$this->times}?as=signed-in")
            ->assertOk()
            ->assertSee('For islanders')
            ->assertDontSee('class="crumbs"', false);
    }

    private function made(string $kind, string $place): string
    {
        $menu = (string) Str::ulid();
        $this->change(
            ['kind' => 'make-menu', 'menu' => $menu, 'name' => 'Made', 'of' => $kind],
            ['kind' => 'place-menu', 'menu' => $menu, 'place' => $place],
        );

        return $menu;
    }

    /** @return array{id: string, address: string} */
    private function uploaded(string $name): array
    {
        return $this->actingAs($this->manager)
            ->post(
                'http://editor.test/api/v1/sites/ferries/files',
                ['picture' => UploadedFile::fake()->image($name, 60, 40)],
                ['Accept' => 'application/json'],
            )
            ->assertCreated()
            ->json();
    }
}
