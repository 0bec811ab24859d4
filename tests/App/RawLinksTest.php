<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** Links that somebody wrote as addresses: found in the ripple, and mended where that is decided. */
final class RawLinksTest extends AppTestCase
{
    private string $help;

    private string $times;

    protected function setUp(): void
    {
        parent::setUp();
        $this->help = $this->live('Help');
        $this->times = $this->live('Times');
    }

    #[Test]
    public function links_written_as_addresses_are_found_and_turned_when_that_is_decided(): void
    {
        $this->write($this->help, '/times?from=home#may', 'http://ferries.test/Times/', 'https://elsewhere.example/times');
        $this->api('POST', "pages/$this->help/publish")->assertOk();
        $move = ['changes' => [['kind' => 'set-slug', 'page' => $this->times, 'slug' => 'timetables']]];
        $this->api('POST', 'ripple', $move)
            ->assertJsonPath('account.counts.rawLinks', 2)
            ->assertJsonPath('account.lists.rawLinks.0', [
                'page' => $this->help,
                'name' => 'Help',
                'from' => '/times?from=home#may',
                'to' => '/timetables',
                'note' => 'goes through a redirect',
            ])
            ->assertJsonPath('questions.0.kind', 'raw-links')
            ->assertJsonPath('questions.0.open', false)
            ->assertJsonPath('questions.0.default', 'leave')
            ->assertJsonPath('canBeApplied', true);

        $entry = $this->api('POST', 'batches', [...$move, 'decisions' => [['kind' => 'raw-links', 'page' => $this->times, 'answer' => 'rewrite']]])
            ->assertCreated()
            ->json('id');
        $this->visit('/help')
            ->assertSee('href="/timetables?from=home#may"', false)
            ->assertSee('href="/timetables"', false)
            ->assertSee('href="https://elsewhere.example/times"', false);
        $this->api('GET', "pages/$this->help/versions")
            ->assertJsonPath('0.number', 2)
            ->assertJsonPath('0.minor', true);
        $this->api('GET', "history/$entry/rows/rawLinks")->assertJsonPath('total', 2);

        $this->api('POST', "history/$entry/undo")->assertCreated();
        $this->visit('/help')->assertSee('href="/times?from=home#may"', false);
        $this->api('POST', 'ripple', $move)->assertJsonPath('account.counts.rawLinks', 0)->assertJsonPath('account.counts.linksFollow', 1);
    }

    #[Test]
    public function they_stay_as_they_are_unless_somebody_decides_otherwise(): void
    {
        $this->write($this->help, '/times');
        $this->api('POST', "pages/$this->help/publish")->assertOk();
        $this->api('POST', 'batches', [
            'changes' => [['kind' => 'set-slug', 'page' => $this->times, 'slug' => 'timetables']],
            'defaults' => true,
        ])->assertCreated();
        $this->visit('/help')->assertSee('href="/times"', false);
        $this->visit('/times')->assertRedirect('/timetables');
    }

    #[Test]
    public function edits_that_wait_to_be_published_go_on_waiting(): void
    {
        $this->write($this->help, '/times');
        $this->api('POST', "pages/$this->help/publish")->assertOk();
        $this->write($this->help, '/times', '/times#new');
        $this->api('POST', 'batches', [
            'changes' => [['kind' => 'set-slug', 'page' => $this->times, 'slug' => 'timetables']],
            'decisions' => [['kind' => 'raw-links', 'page' => $this->times, 'answer' => 'rewrite']],
        ])->assertCreated();
        $this->visit('/help')->assertSee('href="/timetables"', false)->assertDontSee('#new', false);
        $words = DB::selectOne('select w.* from page_contents w join pages p on p.id = w.page_id where p.ulid = ?', [$this->help]);
        self::assertSame([4, 3], [$words->working_version, $words->live_version]);
        $this->api('POST', "pages/$this->help/publish")->assertOk();
        $this->visit('/help')->assertSee('href="/timetables#new"', false);
    }

    #[Test]
    public function what_is_written_and_not_yet_published_is_found_too_and_so_in_copies_and_in_what_comes_back(): void
    {
        $draft = $this->draft('Draft');
        $this->write($draft, '/times');
        $slug = ['changes' => [['kind' => 'set-slug', 'page' => $this->times, 'slug' => 'timetables']]];
        $this->api('POST', 'ripple', $slug)->assertJsonPath('account.lists.rawLinks.0.note', 'goes through a redirect, in content not yet published');
        $this->change(['kind' => 'duplicate', 'page' => $draft, 'copy' => (string) Str::ulid()]);
        $this->api('POST', 'ripple', $slug)->assertJsonPath('account.counts.rawLinks', 2);
        $this->change(['kind' => 'put-in-bin', 'page' => $draft]);
        $this->api('POST', 'ripple', $slug)->assertJsonPath('account.counts.rawLinks', 1);
        $emptied = $this->change(['kind' => 'delete-for-good', 'page' => $draft]);
        $this->api('POST', "history/$emptied->ulid/undo")->assertCreated();
        $this->change(['kind' => 'bring-back', 'page' => $draft]);
        $this->api('POST', 'ripple', $slug)->assertJsonPath('account.counts.rawLinks', 2);
        $this->write($draft, '/help');
        $this->api('POST', 'ripple', $slug)->assertJsonPath('account.counts.rawLinks', 1);
    }

    #[Test]
    public function links_of_a_page_that_was_gone_are_counted_again_when_it_is_back(): void
    {
        $from = $this->draft('From');
        $this->api('PUT', "pages/$from/content", ['document' => $this->linking(['page' => $this->times])], headers: ['If-Match' => '0'])->assertOk();
        $this->change(['kind' => 'go-live', 'page' => $from]);
        $this->change(['kind' => 'put-in-bin', 'page' => $from]);
        $emptied = $this->change(['kind' => 'delete-for-good', 'page' => $from]);
        $this->api('POST', "history/$emptied->ulid/undo")->assertCreated();
        $this->change(['kind' => 'bring-back', 'page' => $from]);
        $this->api('POST', 'ripple', ['changes' => [['kind' => 'take-offline', 'page' => $this->times]]])->assertJsonPath(
            'account.counts.linksBreak',
            1,
        );
    }

    private function write(string $page, string ...$hrefs): void
    {
        $version =
            (string) (DB::selectOne('select w.working_version as v from page_contents w join pages p on p.id = w.page_id where p.ulid = ?', [$page])
                ->v ?? 0);
        $this->api(
            'PUT',
            "pages/$page/content",
            ['document' => $this->linking(...array_map(static fn (string $href): array => ['href' => $href], array_values($hrefs)))],
            headers: ['If-Match' => $version],
        )->assertOk();
    }

    /**
     * @param  array<string, string>  ...$links
     * @return array<string, mixed>
     */
    private function linking(array ...$links): array
    {
        return [
            'type' => 'doc',
            'content' => array_map(
                static fn (array $link): array => [
                    'type' => 'paragraph',
                    'content' => [['type' => 'text', 'text' => 'there', 'marks' => [['type' => 'link', 'attrs' => $link]]]],
                ],
                array_values($links),
            ),
        ];
    }
}
