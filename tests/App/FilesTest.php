<?php

declare(strict_types=1);

namespace Tests\App;

use Heronstem\Core\Access\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;

final class FilesTest extends AppTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
    }

    #[Test]
    public function a_new_picture_in_the_place_of_an_old_one_is_seen_on_every_page_and_the_old_one_comes_back(): void
    {
        $file = $this->picture('pier.png', 800, 400, 'red');
        $page = $this->live('Piers');
        $this->saveContent($page, [$this->block($file)]);
        $this->change(['kind' => 'publish', 'page' => $page]);
        $this->live('Others');
        self::assertSame([1, 0], [$this->uses($file), $this->uses($this->picture('other.png', 10, 10))]);
        $this->api('GET', "files/$file")
            ->assertJsonPath('usedIn.0.name', 'Piers')
            ->assertJsonPath('usedIn.0.way', 'content')
            ->assertJsonPath('usedIn.0.live', true);

        $before = (string) $this->get('http://ferries.test/piers')->getContent();
        self::assertStringContainsString("/_files/$file/pier.png?v=1\"", $before);
        $old = $this->bytes("/_files/$file/pier.png");
        $this->send("files/$file/content", UploadedFile::fake()->image('newer.jpg', 1000, 600))
            ->assertOk()
            ->assertJsonPath('address', "/_files/$file/pier.png")
            ->assertJsonPath('mime', 'image/png')
            ->assertJsonPath('width', 1000)
            ->assertJsonPath('versions.0.number', 1);
        $after = (string) $this->get('http://ferries.test/piers')->getContent();
        self::assertStringContainsString("/_files/$file/pier.png?v=2\"", $after);
        self::assertStringContainsString('width="1000" height="600"', $after);
        self::assertNotSame($old, $this->bytes("/_files/$file/pier.png"));

        $this->api('POST', "files/$file/versions/1")
            ->assertOk()
            ->assertJsonPath('number', 3)
            ->assertJsonPath('width', 800);
        self::assertSame($old, $this->bytes("/_files/$file/pier.png"));
        self::assertStringContainsString("/_files/$file/pier.png?v=3\"", (string) $this->get('http://ferries.test/piers')->getContent());
        $this->api('GET', 'history')->assertJsonPath('0.sentence', 'Brought back version 1 of the file *pier.png*');
        $this->api('POST', "files/$file/versions/9")
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'number');
    }

    #[Test]
    public function what_is_of_another_kind_is_refused_as_a_replacement(): void
    {
        $text = $this->sent('documents', UploadedFile::fake()->createWithContent('plan.txt', 'words'));
        $this->send("files/$text/content", UploadedFile::fake()->createWithContent('plan.csv', 'a,b'))
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'file');
        $this->send("files/$text/content", UploadedFile::fake()->createWithContent('newer.txt', 'others'))->assertOk();
        self::assertSame('others', $this->bytes("/_files/$text/plan.txt"));
    }

    #[Test]
    public function pictures_are_sent_as_narrow_as_they_are_shown_and_no_others_are_made(): void
    {
        $file = $this->picture('pier.png', 1600, 800);
        $page = $this->live('Piers');
        $this->saveContent($page, [$this->block($file)]);
        $this->change(['kind' => 'publish', 'page' => $page]);
        $html = (string) $this->get('http://ferries.test/piers')->getContent();
        self::assertSame(1, preg_match('/srcset="([^"]+)" sizes="[^"]+" alt="A pier" width="1600" height="800"/', $html, $set));
        preg_match_all('#(/_files/\S+) (\d+)w#', $set[1], $each);
        self::assertSame(['320', '640', '960', '1280', '1600'], $each[2]);
        $answer = $this->get('http://ferries.test'.$each[1][1])
            ->assertOk()
            ->assertHeader('Content-Type', 'image/webp');
        self::assertSame([640, 320], array_slice((array) getimagesizefromstring((string) $answer->getContent()), 0, 2));
        self::assertStringContainsString('immutable', (string) $answer->headers->get('Cache-Control'));
        $forged = (string) preg_replace('/w640-/', 'w641-', $each[1][1]);
        self::assertSame(301, $this->get("http://ferries.test$forged")->getStatusCode());
    }

    #[Test]
    public function a_picture_of_a_field_is_cropped_around_its_point(): void
    {
        $file = $this->picture('pier.png', 1000, 1000);
        $this->api('PATCH', "files/$file", ['focus' => ['x' => 50, 'y' => 0], 'alt' => 'The pier'])
            ->assertOk()
            ->assertJsonPath('focus.y', 0);
        $page = $this->live('Pier');
        $this->change(['kind' => 'describe', 'page' => $page, 'layout' => 'harbour', 'fields' => ['picture' => ['file' => $file]]]);
        $html = (string) $this->get('http://ferries.test/pier')->getContent();
        self::assertMatchesRegularExpression(
            '#src="/_files/\w+/w1000-1\.7778-50-0-1-\w{12}\.webp" srcset="[^"]+" sizes="[^"]+" alt="The pier" width="1000" height="563"#',
            $html,
        );
        preg_match('#/_files/\w+/w320-\S+\.webp#', $html, $small);
        self::assertSame([320, 180], array_slice((array) getimagesizefromstring($this->bytes($small[0])), 0, 2));
    }

    #[Test]
    public function a_file_is_renamed_and_its_old_address_leads_to_the_new_one(): void
    {
        $file = $this->picture('pier.png', 10, 10);
        $this->api('PATCH', "files/$file", ['name' => 'The new Pier.png', 'folder' => ' Harbours / Skerra/ '])
            ->assertOk()
            ->assertJsonPath('name', 'the-new-pier.png')
            ->assertJsonPath('folder', 'Harbours/Skerra');
        $this->get("http://ferries.test/_files/$file/pier.png")
            ->assertRedirect("/_files/$file/the-new-pier.png")
            ->assertStatus(301);
        $this->get("http://ferries.test/_files/$file/the-new-pier.png")->assertOk();
        $this->api('PATCH', "files/$file", ['name' => '…'])
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'name');
    }

    #[Test]
    public function unused_files_go_into_the_bin_and_used_ones_do_not(): void
    {
        $used = $this->picture('used.png', 10, 10);
        $this->saveContent($this->draft('Page'), [$this->block($used)]);
        $this->api('DELETE', "files/$used")
            ->assertStatus(422)
            ->assertJsonPath('errors.0.reason', 'It is used in one place. Take it out there first.');
        $unused = $this->picture('unused.png', 10, 10);
        $this->api('DELETE', "files/$unused")->assertOk();
        $this->get("http://ferries.test/_files/$unused/unused.png")->assertNotFound();
        self::assertNotContains($unused, array_column((array) $this->api('GET', 'files')->json(), 'id'));
        $this->api('PATCH', "files/$unused", ['binned' => false])
            ->assertOk()
            ->assertJsonPath('binned', null);
        $this->get("http://ferries.test/_files/$unused/unused.png")->assertOk();
    }

    #[Test]
    public function every_way_to_use_a_file_counts(): void
    {
        $file = $this->picture('pier.png', 800, 800);
        $page = $this->live('Pier');
        $menu = (string) \DB::table('menus')->where('site_id', $this->site->id)->value('ulid');
        $uses = [];
        foreach (
            [
                ['kind' => 'describe', 'page' => $page, 'layout' => 'harbour', 'fields' => ['picture' => ['file' => $file]]],
                ['kind' => 'set-search', 'page' => $page, 'socialPicture' => $file],
                ['kind' => 'set-branch-search', 'page' => $page, 'socialPicture' => $file],
                ['kind' => 'set-site-search', 'socialPicture' => $file],
                ['kind' => 'change-kind', 'page' => $this->draft('Plan'), 'to' => 'download', 'leadsTo' => ['file' => $file]],
                ['kind' => 'make-redirect', 'redirect' => (string) \Str::ulid(), 'source' => '/plan-old', 'leadsTo' => ['file' => $file]],
                [
                    'kind' => 'arrange-menu',
                    'menu' => $menu,
                    'entries' => [['id' => (string) \Str::ulid(), 'kind' => 'file', 'file' => $file, 'label' => 'Plan', 'children' => []]],
                ],
            ] as $change
        ) {
            $this->change($change);
            $uses[] = $this->uses($file);
        }
        self::assertSame([1, 2, 2, 3, 4, 5, 6], $uses);
        $this->api('PATCH', "pages/$page", ['fields' => ['picture' => null]], headers: ['If-Match' => '*'])->assertOk();
        self::assertSame(6, $this->uses($file), 'Visitors still get it.');
        $other = $this->picture('other.png', 800, 800);
        $this->api('PATCH', "pages/$page", ['fields' => ['picture' => ['file' => $other]]], headers: ['If-Match' => '*'])->assertOk();
        self::assertSame(1, $this->uses($other), 'It waits to be published.');
    }

    #[Test]
    public function a_gallery_shows_whatever_is_in_its_folder_by_name(): void
    {
        $page = $this->live('Piers');
        $this->saveContent($page, [['type' => 'gallery', 'attrs' => ['view' => 'grid', 'folder' => 'Piers/Old']]]);
        $this->change(['kind' => 'publish', 'page' => $page]);
        self::assertStringNotContainsString('<figure>', (string) $this->get('http://ferries.test/piers')->getContent());
        foreach (['b.png', 'a.png'] as $name) {
            $file = $this->picture($name, 20, 10);
            $this->api('PATCH', "files/$file", ['folder' => 'Piers/Old', 'alt' => "Pier $name", 'caption' => 'At dawn'])->assertOk();
            self::assertSame(1, $this->uses($file));
        }
        self::assertMatchesRegularExpression(
            '#a\.png\?v=1" alt="Pier a\.png".*<figcaption>At dawn</figcaption>.*b\.png\?v=1" alt="Pier b\.png"#s',
            (string) $this->get('http://ferries.test/piers')->getContent(),
        );
    }

    #[Test]
    public function a_drawing_is_cleaned_and_what_claims_to_be_another_kind_refused(): void
    {
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" width="4" height="4"><script>alert(1)</script><circle r="2"/></svg>';
        $file = $this->sent('documents', UploadedFile::fake()->createWithContent('mark.svg', $svg));
        self::assertSame(
            '<svg xmlns="http://www.w3.org/2000/svg" width="4" height="4"><circle r="2"/></svg>',
            $this->bytes("/_files/$file/mark.svg"),
        );
        foreach (['mark.svg' => '<svg', 'plan.pdf' => 'no pdf', 'run.php' => '<?php', 'pier.png' => 'GIF89a'] as $name => $bytes) {
            $this->send('documents', UploadedFile::fake()->createWithContent($name, $bytes))
                ->assertStatus(422)
                ->assertJsonPath('errors.0.field', 'file');
        }
    }

    #[Test]
    public function what_stands_at_a_plain_address_is_asked_about_anew_and_what_is_numbered_kept_for_good(): void
    {
        $file = $this->picture('pier.png', 10, 10);
        $plain = $this->get("http://ferries.test/_files/$file/pier.png")->assertOk();
        self::assertStringContainsString('must-revalidate', (string) $plain->headers->get('Cache-Control'));
        $this->get("http://ferries.test/_files/$file/pier.png", ['If-None-Match' => (string) $plain->headers->get('ETag')])->assertStatus(304);
        self::assertStringContainsString(
            'immutable',
            (string) $this->get("http://ferries.test/_files/$file/pier.png?v=1")->headers->get('Cache-Control'),
        );
        self::assertStringNotContainsString(
            'immutable',
            (string) $this->get("http://ferries.test/_files/$file/pier.png?v=2")->headers->get('Cache-Control'),
        );
        $this->api('GET', "files/$file", as: $this->person('Ruaridh', Role::READER))->assertOk();
    }

    private function picture(string $name, int $width, int $height, string $colour = ''): string
    {
        return $this->sent('files', UploadedFile::fake()->image($name, $width, $height), 'picture');
    }

    private function sent(string $path, UploadedFile $file, string $field = 'file'): string
    {
        return (string) $this->send($path, $file, $field)->assertCreated()->json('id');
    }

    private function send(string $path, UploadedFile $file, string $field = 'file'): TestResponse
    {
        $this->app['auth']->forgetGuards();
        $this->actingAs($this->manager->fresh() ?? $this->manager);

        return $this->post("http://localhost/api/v1/sites/ferries/$path", [$field => $file], ['Accept' => 'application/json']);
    }

    private function bytes(string $address): string
    {
        return (string) $this->get("http://ferries.test$address")
            ->assertOk()
            ->getContent();
    }

    private function uses(string $file): int
    {
        return (int) $this->api('GET', "files/$file")
            ->assertOk()
            ->json('uses');
    }

    /** @return array<string, mixed> */
    private function block(string $file): array
    {
        return [
            'type' => 'picture',
            'attrs' => ['file' => $file, 'alt' => 'A pier', 'caption' => '', 'align' => 'left', 'width' => 100, 'decorative' => false],
        ];
    }
}
