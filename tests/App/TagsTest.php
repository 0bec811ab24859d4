<?php

declare(strict_types=1);

namespace Tests\App;

use Heronstem\Core\Access\Role;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

final class TagsTest extends AppTestCase
{
    /** @var array<string, string> */
    private array $pages = [];

    protected function setUp(): void
    {
        parent::setUp();
        foreach (['Skerra', 'Ullin', 'Vanesay'] as $name) {
            $this->pages[$name] = $this->live($name);
        }
        $this->change(['kind' => 'tag', 'pages' => [$this->pages['Skerra'], $this->pages['Ullin']], 'add' => ['walking', '50% “off”']]);
        $this->change(['kind' => 'tag', 'page' => $this->pages['Ullin'], 'add' => ['winter']]);
    }

    #[Test]
    public function tags_are_counted_filtered_by_and_renamed_and_undone(): void
    {
        $this->api('GET', 'tags')
            ->assertOk()
            ->assertExactJson([['tag' => '50% “off”', 'pages' => 2], ['tag' => 'walking', 'pages' => 2], ['tag' => 'winter', 'pages' => 1]]);
        self::assertSame(2, $this->api('GET', 'filter?tag=walking')->json('total'));
        self::assertSame(1, $this->api('GET', 'filter?tag=walking,winter')->json('total'));
        self::assertSame(['50% “off”' => 2, 'walking' => 2, 'winter' => 1], $this->api('GET', 'filter')->json('facets.tag'));
        self::assertSame([$this->pages['Ullin']], $this->api('GET', 'filter/pages?tag=winter')->json());
        $done = $this->change(['kind' => 'rename-tag', 'tag' => 'walking', 'to' => 'winter']);
        self::assertSame(2, $this->api('GET', 'filter?tag=winter')->json('total'));
        $this->api('POST', "history/{$done->ulid}/undo")->assertSuccessful();
        self::assertSame(['50% “off”', 'walking', 'winter'], $this->api('GET', "pages/{$this->pages['Ullin']}")->json('tags'));
    }

    #[Test]
    public function a_list_shows_the_pages_with_a_tag_in_the_order_of_a_field(): void
    {
        foreach (['Skerra' => 35, 'Ullin' => 140, 'Vanesay' => 9] as $name => $minutes) {
            $this->change(
                ['kind' => 'describe', 'page' => $this->pages[$name], 'layout' => 'crossing', 'fields' => ['takes' => $minutes]],
                ['kind' => 'tag', 'page' => $this->pages[$name], 'add' => ['crossing']],
            );
        }
        $list = $this->live('List');
        $names = function (array $attrs) use ($list): array {
            $this->saveContent($list, [['type' => 'pages', 'attrs' => ['view' => 'list'] + $attrs]]);
            $this->change(['kind' => 'publish', 'page' => $list]);
            preg_match_all('#<li><a href="/(\w+)"#', strstr((string) $this->visit('/list')->getContent(), 'class="page-list') ?: '', $found);

            return $found[1];
        };
        self::assertSame(['skerra', 'ullin'], $names(['from' => 'tag', 'tag' => 'walking']));
        self::assertSame(['vanesay', 'skerra', 'ullin'], $names(['from' => 'tag', 'tag' => 'crossing', 'order' => 'field', 'field' => 'takes']));
        self::assertSame(['ullin', 'skerra', 'vanesay'], $names(['from' => 'tag', 'tag' => 'crossing', 'order' => 'field', 'field' => '-takes']));
        $this->change(['kind' => 'unlist-page', 'page' => $this->pages['Skerra']]);
        self::assertSame(['ullin'], $names(['from' => 'tag', 'tag' => 'walking', 'order' => 'name']));
    }

    #[Test]
    public function a_writer_tags_drafts_and_not_what_visitors_see(): void
    {
        $tam = $this->person('Tam', Role::WRITER);
        $tag = fn (string $page): int => $this->api(
            'POST',
            'batches',
            ['changes' => [['kind' => 'tag', 'page' => $page, 'add' => ['x']]]],
            $tam,
        )->getStatusCode();
        self::assertSame(201, $tag($this->draft('Draft')));
        self::assertSame(403, $tag($this->pages['Ullin']));
        $this->api('POST', 'batches', ['changes' => [['kind' => 'rename-tag', 'tag' => 'winter', 'to' => 'y']]], $tam)->assertStatus(403);
    }

    #[Test]
    public function a_page_is_loaded_anew_says_so_and_shows_its_small_picture_on_cards(): void
    {
        $this->change(['kind' => 'describe', 'page' => $this->pages['Ullin'], 'reload' => 5]);
        $page = $this->visit('/ullin');
        self::assertSame('300', $page->headers->get('Refresh'));
        self::assertStringContainsString('loads anew every 5 minutes', (string) $page->getContent());
        $still = $this->visit('/ullin?still');
        self::assertNull($still->headers->get('Refresh'));
        self::assertStringNotContainsString('loads anew', (string) $still->getContent());

        $this->api('POST', 'batches', ['changes' => [['kind' => 'describe', 'page' => $this->pages['Ullin'], 'picture' => (string) Str::ulid()]]])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.picture');
        $file = $this->pictureFile('pier.png', 600, 400);
        $this->change(['kind' => 'describe', 'page' => $this->pages['Ullin'], 'picture' => $file]);
        $this->saveContent($this->pages['Skerra'], [
            ['type' => 'pages', 'attrs' => ['from' => 'chosen', 'chosen' => [['page' => $this->pages['Ullin']]]]],
        ]);
        $this->change(['kind' => 'publish', 'page' => $this->pages['Skerra']]);
        self::assertStringContainsString("/_files/$file", (string) $this->visit('/skerra')->getContent());
        self::assertSame('card', $this->api('GET', "files/$file")->json('usedIn.0.way'));
    }
}
