<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\Page;
use App\Models\PageContent;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;

final class StartingPointsTest extends AppTestCase
{
    private string $island;

    private string $see;

    private string $file;

    protected function setUp(): void
    {
        parent::setUp();
        $this->island = $this->live('Skerra');
        $this->see = $this->live('See', $this->island);
        $this->file = $this->pictureFile('pier.png', 600, 400);
        $this->change(
            ['kind' => 'describe', 'page' => $this->island, 'layout' => 'crossing', 'summary' => 'An island', 'fields' => ['takes' => 35]],
            ['kind' => 'tag', 'page' => $this->island, 'add' => ['islands']],
        );
        $this->saveContent($this->island, [self::linkTo($this->see), ['type' => 'picture', 'attrs' => ['file' => $this->file, 'alt' => 'The pier']]]);
        $this->saveContent($this->see, [self::linkTo($this->island)]);
    }

    #[Test]
    public function a_branch_is_kept_and_made_again_with_content_fields_and_links_of_its_own(): void
    {
        $point = $this->kept();
        $point
            ->assertJsonPath('pages', 2)
            ->assertJsonPath('names', ['Skerra', 'See'])
            ->assertJsonPath('changedBy', 'Mairi');
        // What happens to the page afterwards is not kept.
        $this->saveContent($this->island, [self::linkTo($this->see)]);
        $this->change(['kind' => 'delete-for-good', 'page' => $this->binned($this->see)]);
        $new = (string) Str::ulid();
        $made = $this->change(['kind' => 'make-from', 'page' => $new, 'from' => $point->json('id'), 'name' => 'Ullin', 'place' => ['last' => null]]);
        $sheet = $this->api('GET', "pages/$new")->assertOk();
        self::assertSame(
            ['/ullin', 'draft', 'crossing', 35, ['islands']],
            array_map($sheet->json(...), ['address', 'state', 'layout', 'fields.takes', 'tags']),
        );
        $below = Page::query()->where('parent_id', $this->row($new)->id)->firstOrFail();
        self::assertSame([$below->ulid], $this->content($new)->linkedPages());
        self::assertSame([$new], $this->content($below->ulid)->linkedPages());
        self::assertSame([$this->file], $this->content($new)->files());
        $this->assertInvariants();

        $undone = $this->api('POST', "history/{$made->ulid}/undo")
            ->assertSuccessful()
            ->json('id');
        self::assertNull(Page::query()->where('ulid', $new)->first());
        $this->api('POST', "history/$undone/undo")->assertSuccessful();
        self::assertSame([$this->file], $this->content($new)->files());
    }

    #[Test]
    public function words_in_braces_are_asked_for_and_filled_in_everywhere(): void
    {
        $route = $this->live('Route {from}–{to}');
        $landing = $this->live('Landing at {To}', $route);
        $this->change([
            'kind' => 'describe',
            'page' => $route,
            'layout' => 'crossing',
            'summary' => 'From {from} to {to}, {fare}',
            'searchTitle' => '{name}: {from}',
            'fields' => ['sails' => 'from {from}'],
        ]);
        $words = ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'You land at {to}. {Unknown, words}']]];
        $this->saveContent($landing, [$words, self::linkTo($route)]);
        $point = $this->api('POST', 'starting-points', ['name' => 'New route', 'description' => '', 'page' => $route, 'scope' => 'branch'])
            ->assertCreated()
            ->assertJsonPath('placeholders', ['from', 'to', 'fare']);
        $new = (string) Str::ulid();
        $make = ['kind' => 'make-from', 'page' => $new, 'from' => $point->json('id'), 'name' => 'Route Skerra–Ullin', 'place' => ['last' => null]];
        $made = $this->change([...$make, 'words' => ['FROM' => 'Skerra', 'to' => 'Ullin & {from}', 'fare' => ' ']]);
        $sheet = $this->api('GET', "pages/$new")->assertOk();
        self::assertSame(
            ['/route-skerra-ullin', 'From Skerra to Ullin & {from}, {fare}', '{name}: Skerra', 'from Skerra'],
            array_map($sheet->json(...), ['address', 'summary', 'searchTitle', 'fields.sails']),
        );
        $below = Page::query()->where('parent_id', $this->row($new)->id)->firstOrFail();
        self::assertSame(['Landing at Ullin & {from}', '/route-skerra-ullin/landing-at-ullin-from'], [$below->name, $below->address]);
        $text = json_encode($this->content($below->ulid)->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
        self::assertStringContainsString('You land at Ullin & {from}. {Unknown, words}', $text);
        self::assertSame([$new], $this->content($below->ulid)->linkedPages());
        $this->assertInvariants();

        $undone = $this->api('POST', "history/{$made->ulid}/undo")
            ->assertSuccessful()
            ->json('id');
        $this->api('POST', "history/$undone/undo")->assertSuccessful();
        self::assertStringContainsString('You land at Ullin', json_encode($this->content($below->ulid)->toArray(), JSON_THROW_ON_ERROR));
    }

    #[Test]
    #[TestWith([['to' => ['x']]])]
    #[TestWith([['to' => 7]])]
    #[TestWith(['to'])]
    #[TestWith([['to' => 'a very long word indeed a very long word indeed a very long word indeed a very long word indeed and more']])]
    public function words_that_are_none_are_refused_by_name(mixed $words): void
    {
        $make = [
            'kind' => 'make-from',
            'page' => (string) Str::ulid(),
            'from' => $this->kept()->json('id'),
            'name' => 'New',
            'place' => ['last' => null],
            'words' => $words,
        ];
        $answer = $this->api('POST', 'batches', ['changes' => [$make]])->assertStatus(422);
        self::assertStringStartsWith('changes.0.words', (string) $answer->json('errors.0.field'));
    }

    #[Test]
    public function a_file_that_only_a_starting_point_shows_is_in_use(): void
    {
        $this->kept();
        $this->saveContent($this->island, []);
        $uses = array_column((array) $this->api('GET', "files/{$this->file}")->json('usedIn'), 'name', 'way');
        self::assertSame('Like an island', $uses['starting-point'] ?? null);
    }

    #[Test]
    public function it_is_named_described_updated_and_removed(): void
    {
        $id = $this->kept()->json('id');
        $this->keep(['name' => ' Like an  island ', 'page' => $this->see])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'name');
        $this->keep(['name' => 'Other', 'page' => (string) Str::ulid()])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'page');
        $this->keep(['name' => str_repeat('x', 101), 'page' => $this->see])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'name');
        $this->api('PATCH', "starting-points/$id", ['name' => 'Island', 'description' => 'With what to see'])
            ->assertOk()
            ->assertJsonPath('name', 'Island');
        $this->api('PUT', "starting-points/$id/pages", ['page' => $this->see])
            ->assertOk()
            ->assertJsonPath('names', ['See']);
        self::assertSame(['With what to see'], array_column((array) $this->api('GET', 'starting-points')->json(), 'description'));
        $this->api('DELETE', "starting-points/$id")->assertNoContent();
        $this->api('POST', 'batches', [
            'changes' => [['kind' => 'make-from', 'page' => (string) Str::ulid(), 'from' => $id, 'name' => 'X', 'place' => ['last' => null]]],
        ])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.from');
    }

    #[Test]
    public function a_writer_makes_drafts_from_it(): void
    {
        $id = $this->kept()->json('id');
        $make = ['kind' => 'make-from', 'page' => (string) Str::ulid(), 'from' => $id, 'name' => 'Ullin', 'place' => ['last' => $this->island]];
        $this->api('POST', 'batches', ['changes' => [$make]], $this->person('Tam', Role::WRITER))->assertStatus(201);
        $elsewhere = $this->person('Isla', Role::WRITER, $this->see);
        $this->api('POST', 'batches', ['changes' => [['page' => (string) Str::ulid()] + $make]], $elsewhere)->assertStatus(403);
    }

    private function kept(): TestResponse
    {
        return $this->keep(['name' => 'Like an island', 'page' => $this->island, 'scope' => 'branch'])->assertStatus(201);
    }

    /** @param  array<string, mixed>  $given */
    private function keep(array $given): TestResponse
    {
        return $this->api('POST', 'starting-points', $given);
    }

    private function binned(string $page): string
    {
        $this->change(['kind' => 'take-offline', 'page' => $page]);
        $this->change(['kind' => 'put-in-bin', 'page' => $page]);

        return $page;
    }

    private function content(string $page): \Heronstem\Core\Content\Document
    {
        return PageContent::document(PageContent::query()->find($this->row($page)->id));
    }

    /** @return array<string, mixed> */
    private static function linkTo(string $page): array
    {
        return [
            'type' => 'paragraph',
            'content' => [['type' => 'text', 'text' => 'there', 'marks' => [['type' => 'link', 'attrs' => ['page' => $page]]]]],
        ];
    }
}
