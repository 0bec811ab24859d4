<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\User;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** Somebody who sees a part of a site: what is elsewhere is in no answer, and nothing fails for want of it. */
final class SeenPartTest extends AppTestCase
{
    private string $travel;

    private string $hidden;

    private string $shown;

    private User $isla;

    protected function setUp(): void
    {
        parent::setUp();
        $home = $this->live('Home');
        $this->change(['kind' => 'set-start-page', 'page' => $home]);
        $this->travel = $this->live('Travel');
        $this->hidden = $this->live('Qxbranch', $this->travel);
        $inside = $this->live('Qxinside', $this->hidden);
        $this->shown = $this->live('Harbours', $this->hidden);
        $news = $this->live('News');
        $this->saveContent($inside, [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'Qxwords of the timetable.']]]]);
        $this->saveContent($news, [
            [
                'type' => 'paragraph',
                'content' => [
                    ['type' => 'text', 'text' => 'Read on', 'marks' => [['type' => 'link', 'attrs' => ['page' => $inside, 'href' => null]]]],
                ],
            ],
        ]);
        $this->change(['kind' => 'rename', 'page' => $inside, 'name' => 'Qxrenamed'], ['kind' => 'set-slug', 'page' => $inside, 'slug' => 'qxmoved']);
        $this->redirect(['source' => '/qxposter', 'leadsTo' => ['page' => $inside]]);
        $this->change(['kind' => 'tag', 'page' => $inside, 'add' => ['qxtag'], 'remove' => []]);
        $bin = $this->draft('Qxbinned', $this->hidden);
        $this->change(['kind' => 'put-in-bin', 'page' => $bin]);
        $this->isla = $this->person('Isla', Role::READER);
        $this->say($this->isla, 'write', 'allow');
        $this->say($this->isla, 'see', 'deny', $this->hidden);
        $this->say($this->isla, 'see', 'allow', $this->shown);
    }

    #[Test]
    public function what_is_elsewhere_is_in_no_list_and_no_answer_fails_without_it(): void
    {
        $asked = 0;
        foreach ($this->listings() as $path) {
            $whole = $this->api('GET', $path);
            $part = $this->api('GET', $path, as: $this->isla);
            if ($whole->getStatusCode() !== 200 || $part->getStatusCode() === 403) {
                continue;
            }
            $asked++;
            self::assertSame(200, $part->getStatusCode(), "$path: ".$part->getContent());
            $said = strtolower(
                (string) ($part->baseResponse instanceof \Symfony\Component\HttpFoundation\StreamedResponse
                    ? $part->streamedContent()
                    : $part->getContent()),
            );
            self::assertStringNotContainsString('qxinside', $said, $path);
            self::assertStringNotContainsString('qxrenamed', $said, $path);
            self::assertStringNotContainsString('qxwords', $said, $path);
            self::assertStringNotContainsString('qxbinned', $said, $path);
        }
        self::assertGreaterThan(30, $asked);
        $found = $this->api(
            'POST',
            'found',
            ['find' => 'timetable', 'with' => 'x', 'way' => 'plain', 'parts' => ['content']],
            $this->isla,
        )->assertOk();
        self::assertStringNotContainsString('Qx', (string) $found->getContent());
        // Everything is there again for the next who asks.
        self::assertSame(1, DB::table('pages')->where('name', 'Qxrenamed')->count());
        self::assertStringContainsString('Qxbranch', (string) $this->api('GET', "branch?parent={$this->travel}")->getContent());
    }

    #[Test]
    public function the_way_to_what_is_seen_is_in_the_tree_and_not_opened(): void
    {
        $rows = fn (string $parent): array => array_column(
            $this->api('GET', "branch?parent=$parent", as: $this->isla)
                ->assertOk()
                ->json('rows'),
            'name',
        );
        self::assertSame(['Qxbranch'], $rows($this->travel));
        self::assertSame(['Harbours'], $rows($this->hidden));
        $rights = fn (string $parent, ?User $as): mixed => $this->api('GET', "branch?parent=$parent", as: $as)->json('rows.0.rights');
        self::assertSame([], $rights($this->travel, $this->isla));
        self::assertSame(['see', 'write'], $rights($this->hidden, $this->isla));
        self::assertNull($rights($this->hidden, null), 'Where it is the same everywhere nothing is said.');
        $this->api('GET', "pages/{$this->shown}", as: $this->isla)->assertOk();
        $this->api('GET', "pages/{$this->hidden}", as: $this->isla)->assertNotFound();
        $entry = DB::table('history')->where('site_id', $this->site->id)->where('sentence', 'like', '%Qxbranch%')->orderBy('id')->value('ulid');
        $this->api('GET', "history/$entry")->assertOk();
        $this->api('GET', "history/$entry", as: $this->isla)->assertNotFound();
        foreach (['content', 'search', 'versions', 'code', 'menus'] as $of) {
            $this->api('GET', "pages/{$this->hidden}/$of", as: $this->isla)->assertNotFound();
        }
        $this->actingAs($this->isla)
            ->get("http://editor.test/preview/ferries/{$this->hidden}")
            ->assertForbidden();
        $this->actingAs($this->isla)
            ->get("http://editor.test/preview/ferries/{$this->shown}")
            ->assertOk();
    }

    #[Test]
    public function whoever_sees_a_part_is_present_there_and_has_what_they_write_looked_at(): void
    {
        $words = ['type' => 'doc', 'content' => []];
        $this->api('PUT', "pages/{$this->shown}/presence", as: $this->isla)->assertSuccessful();
        $this->api('PUT', "pages/{$this->shown}/presence", as: $this->isla)->assertSuccessful();
        $this->api('POST', "pages/{$this->shown}/reviewed", ['document' => $words], $this->isla)->assertOk();
        $this->api('POST', "pages/{$this->shown}/shown", ['blocks' => []], $this->isla)->assertOk();
        $this->api('DELETE', "pages/{$this->shown}/presence", as: $this->isla)->assertSuccessful();
        $this->api('PUT', "pages/{$this->hidden}/presence", as: $this->isla)->assertNotFound();
        $this->api('PUT', "pages/{$this->shown}/draft", ['document' => $words, 'basedOn' => 0], $this->isla)->assertSuccessful();
        $this->api('PUT', "pages/{$this->hidden}/draft", ['document' => $words, 'basedOn' => 0], $this->isla)->assertForbidden();
    }

    #[Test]
    public function nothing_is_done_where_it_is_not_seen(): void
    {
        $describe = fn (string $page): array => ['changes' => [['kind' => 'describe', 'page' => $page, 'heading' => 'Other']]];
        $this->say($this->isla, 'publish', 'allow');
        $this->api('POST', 'ripple', $describe($this->shown), $this->isla)->assertOk();
        $this->api('POST', 'ripple', $describe($this->hidden), $this->isla)->assertForbidden();
        $may = fn (string $right, string $address): int => Artisan::call('heronstem:may', [
            'mail' => 'isla@skerrivane.example',
            'right' => $right,
            'address' => $address,
            '--site' => 'ferries',
        ]);
        self::assertSame(1, $may('write', '/travel/qxbranch'));
        self::assertSame(1, $may('see', '/travel/qxbranch'));
        self::assertSame(0, $may('see', '/travel/qxbranch/harbours'));
        self::assertSame(0, $may('write', '/travel'));
    }

    #[Test]
    public function who_sees_one_branch_alone_comes_in_and_finds_that(): void
    {
        $ruaridh = $this->person('Ruaridh', Role::READER);
        $this->say($ruaridh, 'see', 'deny');
        $this->api('GET', 'outline', as: $ruaridh)->assertForbidden();
        $this->say($ruaridh, 'see', 'allow', $this->shown);
        $outline = $this->api('GET', "outline?reveal={$this->shown}", as: $ruaridh)->assertOk();
        self::assertSame(
            [['Travel'], ['Qxbranch'], ['Harbours']],
            array_map(static fn (array $branch): array => array_column($branch['rows'], 'name'), $outline->json('branches')),
        );
        self::assertSame(['Travel', 'Qxbranch', 'Harbours'], array_column($this->api('GET', 'filter?text=har', as: $ruaridh)->json('rows'), 'name'));
    }

    #[Test]
    public function the_views_hold_every_column_there_is(): void
    {
        $columns = static fn (string $schema): array => array_column(
            DB::select(
                "select table_name || '.' || column_name as name from information_schema.columns where table_schema = ? and table_name in (select table_name from information_schema.views where table_schema = 'seen') order by 1",
                [$schema],
            ),
            'name',
        );
        self::assertSame($columns('public'), $columns('seen'), 'SeenPart::draw() is called after a migration that changes a table with pages.');
    }

    /** @return list<string> everything that is read of a site, with a page that is seen where one is named */
    private function listings(): array
    {
        $paths = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            $uri = $route->uri();
            if (! str_starts_with($uri, 'api/v1/sites/{site}/') || ! in_array('GET', $route->methods(), true) || str_contains($uri, '/menus')) {
                continue;
            }
            $paths[] = strtr(Str::after($uri, '{site}/'), [
                '{page}' => $this->shown,
                '{layout}' => 'page',
                '{number}' => '1',
                '{check}' => 'description-missing',
                '{group}' => 'addresses',
                '{entry}' => (string) DB::table('history')->where('site_id', $this->site->id)->orderByDesc('id')->value('ulid'),
                '{redirect}' => (string) DB::table('redirect_rules')->where('site_id', $this->site->id)->value('ulid'),
            ]);
        }

        return [
            ...array_filter(
                $paths,
                static fn (string $path): bool => ! str_contains($path, '{') &&
                    ! str_starts_with($path, 'history/') &&
                    ! str_starts_with($path, 'redirects/'),
            ),
            'go-to?text=qx',
            'filter?text=qx',
            'addresses?text=qx',
            'addresses/below?address=/travel',
            "branch?parent={$this->hidden}",
        ];
    }
}
