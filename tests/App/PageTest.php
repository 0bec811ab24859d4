<?php

declare(strict_types=1);

namespace Tests\App;

use Heronstem\Core\Access\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;

final class PageTest extends AppTestCase
{
    #[Test]
    public function the_sheet_says_where_a_page_sits_and_what_leads_to_it(): void
    {
        $help = $this->live('Help');
        $this->live('Refunds', $help);
        $contact = $this->live('Contact', $help);
        $this->change(['kind' => 'set-slug', 'page' => $contact, 'slug' => 'reach-us']);
        $this->api('GET', "pages/$contact")
            ->assertOk()
            ->assertHeader('ETag')
            ->assertJsonPath('within.0.name', 'Help')
            ->assertJsonPath('after.name', 'Refunds')
            ->assertJsonPath('index', 1)
            ->assertJsonPath('sendsOn', ['/help/contact'])
            ->assertJsonPath('url', 'http://ferries.test/help/reach-us')
            ->assertJsonPath('changedBy', 'Mairi');
        $this->api('GET', 'pages/01J00000000000000000000009')->assertNotFound()->assertJsonPath('title', 'Not there');
    }

    #[Test]
    public function fields_are_saved_against_the_version_one_started_from(): void
    {
        $page = $this->live('Help');
        $tag = (string) $this->api('GET', "pages/$page")->headers->get('ETag');
        $this->api('PATCH', "pages/$page", ['summary' => 'x'])->assertStatus(428);
        $this->api('PATCH', "pages/$page", ['heading' => '  How we   help ', 'searchTitle' => 'Help'], headers: ['If-Match' => $tag])
            ->assertOk()
            ->assertJsonPath('heading', 'How we help')
            ->assertJsonPath('searchTitle', 'Help');
        $this->api('PATCH', "pages/$page", ['summary' => 'late'], headers: ['If-Match' => $tag])
            ->assertStatus(412)
            ->assertJsonPath('title', 'Changed meanwhile');
        self::assertSame('', $this->row($page)->summary);
        $tag = (string) $this->api('GET', "pages/$page")->headers->get('ETag');
        $this->api('PATCH', "pages/$page", ['heading' => 'Help'], headers: ['If-Match' => $tag])->assertJsonPath('heading', null);
        $this->api('PATCH', "pages/$page", ['searchTitle' => str_repeat('a', 301)], headers: ['If-Match' => '*'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'searchTitle');
        $this->api('PATCH', "pages/$page", ['summary' => ['x']], headers: ['If-Match' => '*'])->assertStatus(422);
        $this->api('PATCH', "pages/$page", ['summary' => 'no'], $this->person('Ruaridh', Role::READER), ['If-Match' => '*'])->assertForbidden();
    }

    #[Test]
    public function a_preview_on_a_date_shows_what_is_live_then(): void
    {
        $help = $this->live('Help');
        $this->change(['kind' => 'describe', 'page' => $help, 'layout' => 'section']);
        $winter = $this->draft('Winter times', $help);
        $summer = $this->live('Summer times', $help);
        $this->change(
            ['kind' => 'schedule', 'page' => $winter, 'from' => '2090-11-01T06:00'],
            ['kind' => 'schedule', 'page' => $summer, 'until' => '2090-11-01T06:00'],
        );
        $menu = (string) Str::ulid();
        $this->change(['kind' => 'make-menu', 'menu' => $menu, 'name' => 'Seasons'], ['kind' => 'place-menu', 'menu' => $menu, 'place' => 'main']);
        $this->change([
            'kind' => 'arrange-menu',
            'menu' => $menu,
            'entries' => [['kind' => 'page', 'page' => $winter, 'label' => 'In winter']],
            'basedOn' => $this->api('GET', "menus/$menu")->json('version'),
        ]);
        $at = fn (string $page, string $on): TestResponse => $this->actingAs($this->manager)->get(
            "http://editor.test/preview/ferries/$page?on=".rawurlencode($on),
        );

        $now = $this->actingAs($this->manager)
            ->get("http://editor.test/preview/ferries/$help")
            ->assertOk();
        $now->assertSee('Summer times')->assertDontSee('Winter times')->assertDontSee('In winter');
        $at($help, '2090-11-01T06:00')
            ->assertOk()
            ->assertSee('Winter times')
            ->assertSee('In winter')
            ->assertDontSee('Summer times')
            ->assertSee('Preview on 1 November 2090, 06:00, with the content being worked on');
        $at($help, '2090-11-01T05:59')->assertSee('Summer times')->assertDontSee('Winter times');
        $at($winter, '2090-01-01')->assertSee('Visitors do not get this page then: its time has not come yet.');
        $at($summer, '2091-01-01')->assertSee('it has expired by then');
        $at($help, 'next week')->assertStatus(422);
        // Nobody else looks at another moment because of it.
        $this->visit('/help')->assertOk()->assertSee('Summer times')->assertDontSee('Winter times');
    }

    #[Test]
    public function the_search_appearance_follows_what_is_typed(): void
    {
        $page = $this->live('Help');
        $this->api('GET', "pages/$page/search")->assertJson([
            'title' => ['text' => 'Help · Ferries', 'source' => 'pattern'],
            'description' => ['text' => 'Boats to five islands.', 'source' => 'site'],
            'canonical' => 'http://ferries.test/help',
        ]);
        $this->api('GET', "pages/$page/search?searchTitle=Aid&searchDescription=We+help.")->assertJson([
            'title' => ['text' => 'Aid', 'source' => 'own'],
            'description' => ['text' => 'We help.', 'source' => 'own'],
        ]);
        self::assertSame('', $this->row($page)->search_title);
    }

    #[Test]
    public function words_are_kept_saved_and_published(): void
    {
        $page = $this->live('Help');
        $this->api('PUT', "pages/$page/draft", ['document' => ['type' => 'doc', 'content' => 'not even valid'], 'basedOn' => 0])->assertNoContent();
        $this->api('GET', "pages/$page/content")
            ->assertJsonPath('draft.basedOn', 0)
            ->assertJsonPath('version', 0);
        $this->api('PUT', "pages/$page/content", ['document' => $this->words('First.')])->assertStatus(428);
        $this->api('PUT', "pages/$page/content", ['document' => $this->words('First.')], headers: ['If-Match' => '"0"'])
            ->assertOk()
            ->assertJsonPath('version', 1)
            ->assertJsonPath('draft', null)
            ->assertJsonPath('savedBy', 'Mairi');
        $this->visit('/help')->assertDontSee('First.');
        $this->api('GET', "pages/$page")->assertJsonPath('edited', true);
        $this->api('POST', "pages/$page/publish")
            ->assertOk()
            ->assertJsonPath('liveVersion', 1);
        $this->visit('/help')->assertSee('First.');
        $this->api('PUT', "pages/$page/draft", ['document' => $this->words('x'), 'basedOn' => 1])->assertNoContent();
        $this->api('DELETE', "pages/$page/draft")->assertNoContent();
        $this->api('GET', "pages/$page/content")->assertJsonPath('draft', null);
    }

    #[Test]
    public function words_that_do_not_fit_are_refused_at_their_place(): void
    {
        $page = $this->draft('Help');
        $picture = ['type' => 'doc', 'content' => [['type' => 'picture', 'attrs' => ['file' => '01J00000000000000000000003', 'alt' => '']]]];
        $this->api('PUT', "pages/$page/content", ['document' => $picture], headers: ['If-Match' => '0'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'document.content.0.attrs.alt');
        $this->api('PUT', "pages/$page/content", ['document' => 'x'], headers: ['If-Match' => '0'])->assertStatus(422);
        $this->api('POST', "pages/$page/publish")->assertStatus(422);
    }

    #[Test]
    public function two_writers_are_told_of_each_other_and_neither_loses_a_word(): void
    {
        $page = $this->live('Help');
        $tam = $this->person('Tam', Role::WRITER);
        $this->api('PUT', "pages/$page/draft", ['document' => $this->words('Mine.'), 'basedOn' => 0])->assertNoContent();
        $this->api('GET', "pages/$page/content", as: $tam)->assertJsonPath('others.0.name', 'Mairi');
        $this->api('PUT', "pages/$page/content", ['document' => $this->words("Tam's.")], $tam, ['If-Match' => '0'])->assertOk();
        $this->api('PUT', "pages/$page/content", ['document' => $this->words('Mine.')], headers: ['If-Match' => '0'])
            ->assertStatus(412)
            ->assertJsonPath('theirs.savedBy', 'Tam')
            ->assertJsonPath('theirs.version', 1)
            ->assertJsonPath('theirs.document.content.0.content.0.text', "Tam's.");
        $this->api('GET', "pages/$page/content")->assertJsonPath('draft.document.content.0.content.0.text', 'Mine.');
        $this->api('PUT', "pages/$page/content", ['document' => $this->words('Mine.')], headers: ['If-Match' => '1'])->assertOk();
        self::assertSame(2, \DB::table('content_versions')->where('page_id', $this->row($page)->id)->count());
    }

    #[Test]
    public function going_live_takes_the_saved_words_along(): void
    {
        $page = $this->draft('Help');
        $this->api('PUT', "pages/$page/content", ['document' => $this->words('Hello.')], headers: ['If-Match' => '0'])->assertOk();
        $this->visit('/help')->assertNotFound();
        $this->change(['kind' => 'go-live', 'page' => $page]);
        $this->visit('/help')->assertOk()->assertSee('Hello.');
    }

    #[Test]
    public function a_preview_shows_ones_own_unsaved_words_in_the_real_design(): void
    {
        $page = $this->draft('Help');
        $this->api('PUT', "pages/$page/draft", ['document' => $this->words('Not yet saved.'), 'basedOn' => 0])->assertNoContent();
        $this->get("http://editor.test/preview/ferries/$page")
            ->assertOk()
            ->assertSee('Not yet saved.')
            ->assertSee('class="brand"', false)
            ->assertHeader('X-Robots-Tag', 'noindex');
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $this->get("/preview/ferries/$page")->assertRedirect('/sign-in');
    }

    #[Test]
    public function a_picture_is_taken_in_scaled_and_served(): void
    {
        Storage::fake('local');
        $picture = UploadedFile::fake()->image('Häfen bei Nacht.JPG', 3000, 1500);
        $file = $this->actingAs($this->manager)
            ->post('/api/v1/sites/ferries/files', ['picture' => $picture], ['Accept' => 'application/json'])
            ->assertCreated()
            ->assertJsonPath('width', 2400)
            ->assertJsonPath('height', 1200)
            ->assertJsonPath('name', 'hafen-bei-nacht.jpg')
            ->json();
        $this->visit($file['address'])->assertOk()->assertHeader('Content-Type', 'image/jpeg');
        $this->get('http://editor.test'.$file['address'])->assertOk();
    }

    #[Test]
    public function what_is_no_picture_is_refused_with_the_reason(): void
    {
        Storage::fake('local');
        $post = fn (array $files) => $this->actingAs($this->manager)->post('/api/v1/sites/ferries/files', $files, ['Accept' => 'application/json']);
        $post([])->assertStatus(422)->assertJsonPath('errors.0.reason', 'Choose a picture.');
        $post(['picture' => UploadedFile::fake()->createWithContent('a.svg', '<svg xmlns="urn:none"/>')])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'picture');
        $post(['picture' => UploadedFile::fake()->createWithContent('a.png', "\x89PNG\r\n\x1a\nbroken")])->assertStatus(422);
        $post(['picture' => UploadedFile::fake()->create('a.png', 13 * 1024)])->assertStatus(422);
    }

    #[Test]
    public function pasted_words_link_pages_of_the_site_by_identity(): void
    {
        $page = $this->live('Help');
        $this->api('POST', 'pasted', ['html' => '<p><a href="http://ferries.test/HELP">a</a> <a href="/help#top">b</a><script>x</script></p>'])
            ->assertOk()
            ->assertJsonPath('content.0.content.0.marks.0.attrs.page', $page)
            ->assertJsonPath('content.0.content.2.marks.0.attrs', ['page' => $page, 'rest' => '#top']);
        $this->api('POST', 'pasted', [])->assertStatus(422);
    }

    /** @return array<string, mixed> */
    private function words(string $text): array
    {
        return ['version' => 1, 'type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text]]]]];
    }

    #[Test]
    public function a_picture_of_more_pixels_than_can_be_read_is_refused_by_its_head(): void
    {
        $chunk = static fn (string $kind, string $body): string => pack('N', strlen($body)).$kind.$body.pack('N', crc32($kind.$body));
        $bomb =
            "\x89PNG\r\n\x1a\n".
            $chunk('IHDR', pack('NNCCCCC', 20000, 20000, 1, 0, 0, 0, 0)).
            $chunk('IDAT', (string) gzcompress(str_repeat("\0", 1000))).
            $chunk('IEND', '');
        foreach (['files' => 'picture', 'documents' => 'file'] as $path => $field) {
            $answer = $this->actingAs($this->manager)
                ->post(
                    "http://editor.test/api/v1/sites/ferries/$path",
                    [$field => UploadedFile::fake()->createWithContent('a.png', $bomb)],
                    ['Accept' => 'application/json'],
                )
                ->assertStatus(422)
                ->assertJsonPath('errors.0.field', $field);
            self::assertStringContainsString('20,000 × 20,000', (string) $answer->json('detail'));
        }
    }

    #[Test]
    public function a_preview_is_looked_at_as_a_role_of_visitors_and_says_what_others_get(): void
    {
        $page = $this->live('Crew rota');
        $this->change(['kind' => 'set-access', 'page' => $page, 'access' => ['to' => 'some', 'roles' => ['crew']]]);
        self::assertSame(['crew'], $this->api('GET', "pages/$page")->json('access.roles'));
        $as = fn (string $who): TestResponse => $this->actingAs($this->manager)->get("http://editor.test/preview/ferries/$page?as=$who")->assertOk();
        $closed = 'Closed to whoever is looked as here: the page is open to visitors with the role crew.';
        $as('visitors')->assertSee("$closed They get the form to sign in.");
        $as('signed-in')->assertSee("$closed They get a page that says that it is closed (403).");
        $as('role:residents')->assertSee($closed);
        $as('role:crew')->assertDontSee('Closed to whoever');
        $this->actingAs($this->manager)->get("http://editor.test/preview/ferries/$page?as[]=x")->assertOk();
    }
}
