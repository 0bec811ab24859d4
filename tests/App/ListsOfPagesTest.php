<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** Lists of pages in content: what visitors see of them, at every moment. */
final class ListsOfPagesTest extends AppTestCase
{
    private string $islands;

    /** @var array<string, string> */
    private array $pages = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->islands = $this->live('Islands');
        foreach (['Ullin', 'Skerra', 'Vanesay'] as $name) {
            $this->pages[$name] = $this->live($name, $this->islands);
        }
        $this->write($this->islands, ['from' => 'branch', 'branch' => ['page' => $this->islands]]);
    }

    #[Test]
    public function a_list_follows_the_branch_that_it_shows(): void
    {
        self::assertSame(['Ullin', 'Skerra', 'Vanesay'], $this->listed());
        $this->change(['kind' => 'move', 'page' => $this->pages['Vanesay'], 'place' => ['before' => $this->pages['Ullin']]]);
        $this->change(['kind' => 'rename', 'page' => $this->pages['Skerra'], 'name' => 'Skerra island']);
        self::assertSame(['Vanesay', 'Ullin', 'Skerra island'], $this->listed());
        $this->change(['kind' => 'unlist-page', 'page' => $this->pages['Ullin']]);
        $this->draft('Little Orm', $this->islands);
        $this->change(['kind' => 'put-in-bin', 'page' => $this->pages['Skerra']]);
        self::assertSame(['Vanesay'], $this->listed());
    }

    #[Test]
    public function a_page_is_listed_until_its_end_and_no_longer(): void
    {
        DB::update("update pages set until_at = now() + interval '1 hour' where ulid = ?", [$this->pages['Ullin']]);
        self::assertSame(['Ullin', 'Skerra', 'Vanesay'], $this->listed());
        DB::update("update pages set until_at = now() - interval '1 second' where ulid = ?", [$this->pages['Ullin']]);
        self::assertSame(['Skerra', 'Vanesay'], $this->listed());
    }

    #[Test]
    public function the_newest_are_those_that_visitors_saw_last_first(): void
    {
        foreach (['Skerra' => 3, 'Ullin' => 1, 'Vanesay' => 2] as $name => $days) {
            DB::update('update pages set live_since = now() - make_interval(days => ?) where ulid = ?', [$days, $this->pages[$name]]);
        }
        $this->write($this->islands, ['from' => 'branch', 'branch' => ['page' => $this->islands], 'order' => 'newest', 'most' => 2]);
        self::assertSame(['Ullin', 'Vanesay'], $this->listed());
        $this->write($this->islands, ['from' => 'branch', 'branch' => ['page' => $this->islands], 'order' => 'name']);
        self::assertSame(['Skerra', 'Ullin', 'Vanesay'], $this->listed());
    }

    #[Test]
    public function chosen_pages_stand_in_their_order_and_count_as_links(): void
    {
        $help = $this->live('Help');
        $this->write($help, ['from' => 'chosen', 'chosen' => [['page' => $this->pages['Vanesay']], ['page' => $this->islands]]]);
        self::assertSame(['Vanesay', 'Islands'], $this->listed('/help'));
        $to = DB::table('links')
            ->join('pages', 'pages.id', 'links.to_page_id')
            ->where('from_page_id', $this->row($help)->id)
            ->orderBy('name')
            ->pluck('name')
            ->all();
        self::assertSame(['Islands', 'Vanesay'], $to);
    }

    #[Test]
    public function a_list_of_a_branch_that_is_gone_shows_nothing_and_the_page_stands(): void
    {
        $help = $this->live('Help');
        $this->write($help, ['from' => 'branch', 'branch' => ['page' => (string) Str::ulid()]]);
        $this->visit('/help')->assertOk()->assertDontSee('page-list');
    }

    #[Test]
    public function a_card_shows_the_text_that_the_page_says_of_itself(): void
    {
        $this->api('PATCH', "pages/{$this->pages['Skerra']}", ['summary' => 'Cliffs & a bakery.'], headers: ['If-Match' => '*'])->assertOk();
        $this->change(['kind' => 'publish', 'page' => $this->pages['Skerra']]);
        $help = $this->live('Help');
        $this->write($help, ['from' => 'chosen', 'chosen' => [['page' => $this->pages['Skerra']]], 'view' => 'cards']);
        $this->visit('/help')->assertSee('<ul class="cards"><li><a href="/islands/skerra">Skerra</a><p>Cliffs &amp; a bakery.</p></li></ul>', false);
    }

    /** @param  array<string, mixed>  $list */
    private function write(string $page, array $list): void
    {
        $version = $this->api('GET', "pages/$page/content")->json('version');
        $document = ['type' => 'doc', 'content' => [['type' => 'pages', 'attrs' => $list + ['view' => 'list']]]];
        $this->api('PUT', "pages/$page/content", ['document' => $document], headers: ['If-Match' => (string) $version])->assertOk();
        $this->change(['kind' => 'publish', 'page' => $page]);
    }

    /** @return list<string> names on the page's list, in order */
    private function listed(string $address = '/islands'): array
    {
        $html = (string) $this->visit($address)->assertOk()->getContent();
        preg_match('#<ul class="page-list">(.*?)</ul>#s', $html, $list);
        preg_match_all('#<a [^>]*>([^<]*)</a>#', $list[1] ?? '', $names);

        return $names[1];
    }
}
