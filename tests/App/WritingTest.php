<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\File;
use Heronstem\Core\Access\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\Test;

/** What the writing room asks of the server: the page to write on, saving heading and content together, who else is there. */
final class WritingTest extends AppTestCase
{
    private const NOTHING = ['type' => 'doc', 'content' => []];

    #[Test]
    public function the_room_is_the_page_in_its_layout_with_places_to_write(): void
    {
        $page = $this->live('Help');
        $html = $this->actingAs($this->manager)
            ->get("http://editor.test/room/ferries/$page")
            ->assertOk()
            ->assertHeader('X-Robots-Tag', 'noindex');
        foreach (['heading', 'summary', 'content'] as $place) {
            $html->assertSee("data-room=\"$place\"", false);
        }
        $html->assertSee('<header class="head" inert>', false)->assertSee('<footer class="foot" inert>', false)->assertDontSee('<script src', false);
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $this->get("/room/ferries/$page")->assertRedirect('/sign-in');
    }

    #[Test]
    public function heading_and_summary_are_saved_with_the_content_or_not_at_all(): void
    {
        $page = $this->draft('Help');
        $texts = ['heading' => 'How can we  help?', 'summary' => 'Lost things.'];
        $before = $this->api('GET', "pages/$page/content")
            ->assertOk()
            ->json('texts');
        self::assertSame(['heading' => 'Help', 'summary' => ''], $before);
        $save = fn (array $texts, int $from) => $this->api(
            'PUT',
            "pages/$page/content",
            ['document' => self::NOTHING, 'texts' => $texts, 'textsBefore' => $before],
            headers: ['If-Match' => (string) $from],
        );
        $save($texts, 0)->assertOk()->assertJsonPath('texts.heading', 'How can we help?')->assertJsonPath('version', 1);
        $this->api('GET', "pages/$page")->assertJsonPath('summary', 'Lost things.');
        // Somebody has set another heading since: theirs is shown, and nothing of this is saved.
        $save(['heading' => 'Mine', 'summary' => ''], 1)
            ->assertStatus(412)
            ->assertJsonPath('theirs.texts.heading', 'How can we help?');
        $this->api('GET', "pages/$page/content")->assertJsonPath('version', 1);
        $save(['heading' => '', 'summary' => ''], 1)
            ->assertStatus(422)
            ->assertJsonPath('errors.0.reason', 'A page needs a heading.');
    }

    #[Test]
    public function the_heading_that_is_typed_is_kept_with_the_draft(): void
    {
        $page = $this->draft('Help');
        $texts = ['heading' => 'Help me', 'summary' => ''];
        $this->api('PUT', "pages/$page/draft", ['document' => self::NOTHING, 'basedOn' => 0, 'texts' => $texts])->assertNoContent();
        $this->api('GET', "pages/$page/content")->assertJsonPath('draft.texts', $texts);
    }

    #[Test]
    public function who_else_has_the_page_open_is_seen_until_they_leave(): void
    {
        $page = $this->draft('Help');
        $tam = $this->person('Tam', Role::WRITER);
        $present = fn ($user) => $this->api('PUT', "pages/$page/presence", as: $user)->assertOk();
        $present($tam)->assertJsonPath('others', [])->assertJsonPath('version', 0);
        $present($this->manager)->assertJsonPath('others', ['Tam']);
        $this->api('DELETE', "pages/$page/presence", as: $tam)->assertNoContent();
        $present($this->manager)->assertJsonPath('others', []);
        $present($tam);
        DB::update("update presences set seen_at = now() - interval '1 minute' where user_id = ?", [$tam->id]);
        $present($this->manager)->assertJsonPath('others', []);
    }

    #[Test]
    public function a_review_tells_the_writer_at_which_block_something_may_be_mended(): void
    {
        $page = $this->draft('Help');
        $text = static fn (string $text, array $marks = []): array => ['type' => 'text', 'text' => $text] + ($marks === [] ? [] : ['marks' => $marks]);
        $here = [['type' => 'link', 'attrs' => ['href' => '/a']]];
        $this->api('POST', "pages/$page/reviewed", [
            'document' => [
                'type' => 'doc',
                'content' => [
                    ['type' => 'heading', 'attrs' => ['level' => 4], 'content' => [$text('Jump')]],
                    [
                        'type' => 'bulletList',
                        'content' => [
                            ['type' => 'listItem', 'content' => [['type' => 'paragraph', 'content' => [$text('Click '), $text('here', $here)]]]],
                        ],
                    ],
                ],
            ],
        ])
            ->assertOk()
            ->assertJsonPath('words', 2)
            ->assertJsonPath('refused', null)
            ->assertJsonPath('notes.0', [
                'code' => 'heading-order',
                'path' => [0],
                'text' => 'A heading of level 4 follows one of level 1. Readers who jump from heading to heading look for what is between.',
            ])
            ->assertJsonPath('notes.1.code', 'link-vague')
            ->assertJsonPath('notes.1.path', [1, 0, 0]);
        $this->api('POST', "pages/$page/reviewed", ['document' => ['type' => 'doc', 'content' => [['type' => 'picture']]]])
            ->assertOk()
            ->assertJsonPath('notes.0.code', 'picture-without-text')
            ->assertJsonPath('refused', 'A picture needs a text for people who do not see it, or is marked as decorative.');
    }

    #[Test]
    public function blocks_are_shown_as_visitors_get_them(): void
    {
        $skerra = $this->live('Skerra');
        $cliffs = $this->live('Cliffs', $skerra);
        $this->live('Abbey', $skerra);
        $this->draft('Hidden', $skerra);
        $list = fn (array $attrs): array => ['type' => 'pages', 'attrs' => $attrs + ['view' => 'list']];
        $shown = $this->api('POST', "pages/$cliffs/shown", [
            'blocks' => [
                $list(['from' => 'branch', 'branch' => ['page' => $skerra]]),
                $list(['from' => 'branch', 'branch' => ['page' => $skerra], 'order' => 'name', 'most' => 1]),
                $list([
                    'from' => 'chosen',
                    'chosen' => [['page' => $cliffs], ['page' => (string) \Illuminate\Support\Str::ulid()], ['page' => $skerra]],
                ]),
                $list(['from' => 'branch', 'branch' => ['page' => $skerra], 'order' => 'newest', 'most' => 1]),
                ['type' => 'button', 'attrs' => ['text' => '', 'link' => ['page' => $skerra]]],
            ],
        ])
            ->assertOk()
            ->json();
        $names = static fn (string $html): array => preg_match_all('#<a [^>]*>([^<]*)#', $html, $found) > 0 ? $found[1] : [];
        self::assertSame(['Cliffs', 'Abbey'], $names($shown[0]['html']));
        self::assertSame(['Abbey'], $names($shown[1]['html']));
        self::assertSame(['Cliffs', 'Skerra'], $names($shown[2]['html']));
        self::assertCount(1, $names($shown[3]['html']));
        self::assertSame(['html' => '', 'refused' => 'A button says what happens: "Book a crossing".'], $shown[4]);
    }

    #[Test]
    public function a_copied_branch_lists_its_own_pages(): void
    {
        $skerra = $this->live('Skerra');
        $cliffs = $this->live('Cliffs', $skerra);
        $list = ['type' => 'pages', 'attrs' => ['from' => 'chosen', 'chosen' => [['page' => $cliffs]]]];
        $this->api('PUT', "pages/$skerra/content", ['document' => ['type' => 'doc', 'content' => [$list]]], headers: ['If-Match' => '0'])->assertOk();
        $copy = (string) \Illuminate\Support\Str::ulid();
        $this->change(['kind' => 'duplicate', 'page' => $skerra, 'copy' => $copy, 'scope' => 'branch']);
        $inside = \App\Models\Page::query()->where('parent_id', $this->row($copy)->id)->value('ulid');
        $this->api('GET', "pages/$copy/content")->assertJsonPath('document.content.0.attrs.chosen.0.page', $inside);
    }

    #[Test]
    public function pictures_that_were_pasted_become_files_once(): void
    {
        Storage::fake('local');
        $picture = 'data:image/png;base64,'.base64_encode((string) \Illuminate\Http\UploadedFile::fake()->image('a.png', 12, 8)->get());
        $content = $this->api('POST', 'pasted', [
            'html' => "<p>A</p><p><img src=\"$picture\" alt=\"Boat\"><img src=\"$picture\"><img src=\"data:image/png;base64,AAAA\"></p>",
        ])
            ->assertOk()
            ->json('content');
        self::assertSame(['paragraph', 'picture', 'picture'], array_column($content, 'type'));
        self::assertSame(1, File::query()->where('site_id', $this->site->id)->count());
        self::assertSame('Boat', $content[1]['attrs']['alt']);
        self::assertSame('', $content[2]['attrs']['alt'], 'The writer is asked for it.');
    }

    #[Test]
    public function the_places_of_a_page_can_be_linked_to(): void
    {
        $page = $this->live('Help');
        $content = [
            ['type' => 'heading', 'attrs' => ['level' => 2], 'content' => [['type' => 'text', 'text' => 'Getting there']]],
            ['type' => 'divider', 'attrs' => ['anchor' => 'end']],
        ];
        $this->api('PUT', "pages/$page/content", ['document' => ['type' => 'doc', 'content' => $content]], headers: ['If-Match' => '0'])->assertOk();
        $this->api('GET', "pages/$page/places")
            ->assertOk()
            ->assertExactJson([
                ['name' => 'getting-there', 'text' => 'Getting there', 'level' => 2],
                ['name' => 'end', 'text' => '', 'level' => null],
            ]);
        $this->change(['kind' => 'publish', 'page' => $page]);
        $this->visit('/help')->assertSee('<h2 id="getting-there">Getting there</h2><hr id="end">', false);
    }

    #[Test]
    public function content_is_edited_as_markdown_and_what_cannot_be_kept_is_said(): void
    {
        $page = $this->live('Help');
        $boats = $this->draft('Boats');
        $link = ['type' => 'text', 'text' => 'boats', 'marks' => [['type' => 'link', 'attrs' => ['page' => $boats]]]];
        $document = ['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'See the '], $link]]]];
        $source = fn (string $as): string => $this->api('POST', "pages/$page/source", ['document' => $document, 'as' => $as])
            ->assertOk()
            ->json('text');
        self::assertSame("See the [boats](/boats)\n", $source('markdown'));
        self::assertSame("<p>See the <a href=\"/boats\">boats</a></p>\n", $source('html'));
        $this->api('POST', "pages/$page/source-read", ['text' => "## Now\n\nSee [boats](/boats).\n\n<marquee>!</marquee>", 'as' => 'markdown'])
            ->assertOk()
            ->assertJsonPath('document.content.0.attrs.level', 2)
            ->assertJsonPath('document.content.1.content.1.marks.0.attrs.page', $boats)
            ->assertJsonPath('lost', ['<marquee>, of which the text stays']);
        $this->api('POST', "pages/$page/source-read", ['text' => 'x', 'as' => 'word'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'as');
        $this->api('POST', "pages/$page/source-read", ['text' => str_repeat('<b>', 5000), 'as' => 'html'])->assertStatus(422);
        $this->api('POST', "pages/$page/source-read", ['text' => str_repeat('> ', 9000).'x', 'as' => 'markdown'])->assertStatus(422);
    }

    #[Test]
    public function a_page_that_links_want_is_listed_and_once_it_is_made_they_lead_to_it(): void
    {
        $wants = fn (string $name): array => [
            'type' => 'doc',
            'content' => [
                [
                    'type' => 'paragraph',
                    'content' => [['type' => 'text', 'text' => 'fares', 'marks' => [['type' => 'link', 'attrs' => ['wanted' => $name]]]]],
                ],
            ],
        ];
        $help = $this->live('Help');
        $travel = $this->live('Travel');
        foreach ([$help => 'Winter fares', $travel => 'winter  FARES'] as $page => $name) {
            $this->api('PUT', "pages/$page/content", ['document' => $wants($name)], headers: ['If-Match' => '0'])->assertOk();
            $this->change(['kind' => 'publish', 'page' => $page]);
        }
        $this->visit('/help')->assertSee('<p>fares</p>', false);
        $this->api('GET', 'links')
            ->assertOk()
            ->assertJsonCount(1, 'wanted')
            ->assertJsonPath('wanted.0.total', 2)
            ->assertJsonPath('wanted.0.pages.0.name', 'Help');
        $fares = (string) \Illuminate\Support\Str::ulid();
        $this->change(['kind' => 'make', 'page' => $fares, 'name' => 'Fares in winter', 'place' => ['last' => $travel], 'wanted' => 'Winter fares']);
        $this->api('GET', 'links')->assertJsonCount(0, 'wanted');
        $this->api('GET', "pages/$help/content")->assertJsonPath('document.content.0.content.0.marks.0.attrs', ['page' => $fares]);
        $this->visit('/help')->assertSee('<p>fares</p>', false);
        $this->change(['kind' => 'go-live', 'page' => $fares]);
        foreach (['/help', '/travel'] as $address) {
            $this->visit($address)->assertSee('<p><a href="/travel/fares-in-winter">fares</a></p>', false);
        }
        self::assertSame(2, DB::table('links')->where('to_page_id', $this->row($fares)->id)->count());
        // Saving writes down what the link has come to mean.
        $this->api('PUT', "pages/$help/content", ['document' => $wants('Winter fares')], headers: ['If-Match' => '1'])->assertJsonPath(
            'document.content.0.content.0.marks.0.attrs.page',
            $fares,
        );
        $this->change(['kind' => 'put-in-bin', 'page' => $fares]);
        $this->api('GET', 'links')->assertJsonPath('wanted.0.total', 1)->assertJsonPath('wanted.0.pages.0.name', 'Travel');
        $this->api('POST', 'batches', [
            'changes' => [
                ['kind' => 'make', 'page' => (string) \Illuminate\Support\Str::ulid(), 'name' => 'X', 'place' => ['last' => null], 'wanted' => ' '],
            ],
        ])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'changes.0.wanted');
    }

    #[Test]
    public function a_film_is_taken_in_and_played_by_parts(): void
    {
        Storage::fake('local');
        $upload = fn (string $name, string $bytes) => $this->actingAs($this->manager)->post(
            '/api/v1/sites/ferries/documents',
            ['file' => \Illuminate\Http\UploadedFile::fake()->createWithContent($name, $bytes)],
            ['Accept' => 'application/json'],
        );
        $film = $upload('Leaving.WEBM', "\x1A\x45\xDF\xA3".str_repeat('x', 96))
            ->assertCreated()
            ->json('address');
        $upload('a.vtt', "\u{FEFF}WEBVTT\n\n00:00.000 --> 00:01.000\nHello\n")->assertCreated();
        $upload('a.mp4', 'not a film')->assertStatus(422)->assertJsonPath('errors.0.field', 'file');
        $upload('a.txt', "\x1A\x45\xDF\xA3film")->assertStatus(422);
        $asked = fn (string $range) => $this->call('GET', "http://ferries.test$film", server: ['HTTP_RANGE' => $range]);
        $asked('')->assertOk()->assertHeader('Content-Type', 'video/webm')->assertHeader('Accept-Ranges', 'bytes');
        foreach (
            ['bytes=0-3' => '0-3', 'bytes=90-' => '90-99', 'bytes=-4' => '96-99', 'bytes=98-500' => '98-99', 'bytes=-500' => '0-99'] as $range => $part
        ) {
            $answer = $asked($range)
                ->assertStatus(206)
                ->assertHeader('Content-Range', "bytes $part/100");
            [$first, $last] = explode('-', $part);
            self::assertSame((int) $last - (int) $first + 1, strlen((string) $answer->getContent()), $range);
        }
        foreach (['bytes=100-', 'bytes=-0'] as $range) {
            $asked($range)->assertStatus(416)->assertHeader('Content-Range', 'bytes */100');
        }
        foreach (['bytes=5-2', 'bytes=0-1,4-5', 'bytes=-', 'bytes=x-', 'lines=0-1'] as $range) {
            $asked($range)->assertOk();
        }
    }
}
