<?php

declare(strict_types=1);

namespace Tests\App;

use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;

final class ReplaceTest extends AppTestCase
{
    private string $skerra;

    private string $draft;

    protected function setUp(): void
    {
        parent::setUp();
        $this->skerra = $this->live('The Curlew');
        $this->change([
            'kind' => 'describe',
            'page' => $this->skerra,
            'summary' => 'The Curlew sails.',
            'searchTitle' => 'Curlew',
            'layout' => 'boat',
            'fields' => ['pictures' => []],
        ]);
        $this->saveContent($this->skerra, [self::words('The Curlew and the curlew.'), self::words('No bird.')]);
        $this->change(['kind' => 'publish', 'page' => $this->skerra]);
        $this->draft = $this->draft('Curlew days', $this->skerra);
        $this->saveContent($this->draft, [self::words('Every curlew counts.')]);
    }

    #[Test]
    public function every_place_is_seen_in_its_context_before_anything_is_changed(): void
    {
        $before = $this->snapshot();
        $found = $this->find(['find' => 'curlew', 'with' => 'Kittiwake'])
            ->assertJsonPath('pages', 2)
            ->assertJsonPath('places', 7)
            ->json('found');
        $places = array_column($found[0]['places'], null, 'key');
        self::assertSame(['The Curlew', 'name'], [$found[0]['name'], $found[0]['places'][0]['where']]);
        self::assertSame(
            ['before' => 'The Curlew and the ', 'is' => 'curlew', 'becomes' => 'Kittiwake', 'after' => '.'],
            array_intersect_key($places["{$this->skerra}/content/1"], ['before' => 1, 'is' => 1, 'becomes' => 1, 'after' => 1]),
        );
        $this->find(['find' => 'curlew', 'with' => 'x', 'parts' => ['names']])->assertJsonPath('places', 2);
        $this->find(['find' => 'curlew', 'with' => 'x', 'branch' => $this->draft])->assertJsonPath('pages', 1);
        $this->find(['find' => 'curlew', 'with' => 'x', 'in' => [$this->skerra], 'matchCase' => true])->assertJsonPath('places', 1);
        $this->find(['find' => 'walrus', 'with' => 'x'])->assertJsonPath('places', 0);
        $this->find(['find' => '(', 'with' => 'x', 'way' => 'pattern'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'find');
        self::assertEquals($before, $this->snapshot());
    }

    #[Test]
    public function all_is_replaced_as_one_change_and_undone_whole_byte_for_byte(): void
    {
        $before = $this->contents();
        $entry = $this->replace(['find' => 'curlew', 'with' => 'Kittiwake'])
            ->assertCreated()
            ->assertJsonPath('sentence', 'Replaced “curlew” with “Kittiwake” 7 times on 2 pages');
        $html = (string) $this->get('http://ferries.test/the-curlew')->assertOk()->getContent();
        self::assertStringContainsString('<h1>The Kittiwake</h1>', $html);
        self::assertStringContainsString('The Kittiwake and the Kittiwake.', $html);
        self::assertStringContainsString('<title>Kittiwake', $html);
        self::assertSame('kittiwake-days', $this->row($this->draft)->slug);
        $this->assertInvariants();
        $this->api('POST', "history/{$entry->json('id')}/undo")->assertCreated();
        self::assertEquals($before, $this->contents());
        self::assertSame('curlew-days', $this->row($this->draft)->slug);
        // What is saved afterwards gets a number of its own.
        $this->saveContent($this->skerra, [self::words('Anew.')]);
        $this->assertInvariants();
        self::assertSame(3, (int) DB::table('page_contents')->where('page_id', $this->row($this->skerra)->id)->value('working_version'));
    }

    #[Test]
    public function places_are_left_as_they_are_and_single_pages_undone(): void
    {
        $entry = $this->replace([
            'find' => 'curlew',
            'with' => 'Kittiwake',
            'skip' => ["{$this->skerra}/name/0", "{$this->skerra}/content/1"],
        ])->assertCreated();
        $html = (string) $this->get('http://ferries.test/the-curlew')->getContent();
        self::assertStringContainsString('<h1>The Curlew</h1>', $html);
        self::assertStringContainsString('The Kittiwake and the curlew.', $html);
        $id = $entry->json('id');
        self::assertSame(['Kittiwake days', 'The Curlew'], array_column((array) $this->api('GET', "history/$id")->json('replacedOn'), 'name'));
        $this->api('POST', 'undo/ripple', ['entries' => [$id], 'pages' => [$this->skerra]])->assertOk();
        $part = $this->api('POST', 'undo', ['entries' => [$id], 'pages' => [$this->skerra]])->assertCreated();
        self::assertStringStartsWith('Undid on *The Curlew*: Replaced', (string) $part->json('sentence'));
        self::assertStringContainsString('The Curlew and the curlew.', (string) $this->get('http://ferries.test/the-curlew')->getContent());
        self::assertSame('Kittiwake days', $this->row($this->draft)->name);
        $this->api('POST', 'undo', ['entries' => [$id], 'pages' => ['x']])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'pages');
        // The rest is undone as well, and what had been undone by itself stays as it is.
        $this->api('POST', "history/$id/undo")->assertCreated();
        self::assertSame('Curlew days', $this->row($this->draft)->name);
        $this->assertInvariants();
    }

    #[Test]
    public function what_visitors_get_and_what_waits_are_replaced_apart(): void
    {
        $this->saveContent($this->skerra, [self::words('A new curlew.')]);
        $this->api('PATCH', "pages/{$this->skerra}", ['summary' => 'Waiting curlew.'], headers: ['If-Match' => '*'])->assertOk();
        $found = $this->find(['find' => 'curlew', 'with' => 'gull', 'parts' => ['content', 'summaries']])
            ->assertJsonPath('places', 6)
            ->json('found.0.places');
        self::assertCount(3, array_filter($found, static fn (array $place): bool => $place['live']));
        $entry = $this->replace([
            'find' => 'curlew',
            'with' => 'gull',
            'parts' => ['content', 'summaries'],
            'skip' => ["{$this->skerra}/content/live/0"],
        ])->assertCreated();
        self::assertStringContainsString('The Curlew and the gull.', (string) $this->get('http://ferries.test/the-curlew')->getContent());
        $this->change(['kind' => 'publish', 'page' => $this->skerra]);
        self::assertStringContainsString('A new gull.', (string) $this->get('http://ferries.test/the-curlew')->getContent());
        // Published since, so it stays; nothing is lost by it.
        $this->api('POST', "history/{$entry->json('id')}/undo")->assertCreated();
        $this->assertInvariants();
    }

    #[Test]
    public function labels_of_menus_are_replaced_and_undone(): void
    {
        $menu = (string) DB::table('menus')->where('site_id', $this->site->id)->value('ulid');
        $entry = (string) \Str::ulid();
        $this->change([
            'kind' => 'arrange-menu',
            'menu' => $menu,
            'entries' => [['id' => $entry, 'kind' => 'page', 'page' => $this->skerra, 'label' => 'Our Curlew', 'children' => []]],
        ]);
        $this->find(['find' => 'Curlew', 'with' => 'Gull', 'parts' => ['menus']])
            ->assertJsonPath('menus', 1)
            ->assertJsonPath('found.0.places.0.where', 'label');
        $done = $this->replace(['find' => 'Curlew', 'with' => 'Gull', 'parts' => ['menus']])->assertCreated();
        self::assertSame('Our Gull', DB::table('menu_entries')->where('ulid', $entry)->value('label'));
        $this->api('POST', "history/{$done->json('id')}/undo")->assertCreated();
        self::assertSame('Our Curlew', DB::table('menu_entries')->where('ulid', $entry)->value('label'));
    }

    #[Test]
    public function what_would_no_longer_be_taken_is_refused_with_its_page_and_nothing_is_changed(): void
    {
        $before = $this->contents();
        $this->replace(['find' => 'Curlew days', 'with' => ' '])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.with');
        $this->replace(['find' => 'walrus', 'with' => 'x'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.find');
        self::assertEquals($before, $this->contents());
    }

    #[Test]
    public function a_writer_replaces_what_is_theirs_to_write_and_no_more(): void
    {
        $writer = $this->person('Tam', Role::WRITER, $this->skerra);
        $this->replace(['find' => 'curlew', 'with' => 'gull'], $writer)->assertForbidden();
        $this->replace(['find' => 'curlew', 'with' => 'gull', 'in' => [$this->draft]], $writer)->assertCreated();
    }

    /** @param  array<string, mixed>  $change */
    private function find(array $change): TestResponse
    {
        return $this->api('POST', 'found', $change);
    }

    /** @param  array<string, mixed>  $change */
    private function replace(array $change, ?\App\Models\User $as = null): TestResponse
    {
        return $this->api('POST', 'batches', ['changes' => [['kind' => 'replace-text'] + $change]], $as);
    }

    /** @return array<string, mixed> */
    private static function words(string $text): array
    {
        return ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text]]];
    }

    /** @return list<mixed> everything that pages say */
    private function contents(): array
    {
        return [
            DB::table('pages')
                ->where('site_id', $this->site->id)
                ->orderBy('id')
                ->get(['name', 'slug', 'summary', 'search_title', 'prepared', 'fields'])
                ->all(),
            DB::table('page_contents')
                ->orderBy('page_id')
                ->get(['page_id', 'working', 'working_version', 'live', 'live_version'])
                ->all(),
        ];
    }
}
