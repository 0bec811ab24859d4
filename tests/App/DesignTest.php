<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\TakeOut\SiteFormat;
use App\Desk\TakeOut\TakeOut;
use Heronstem\Core\Access\Role;
use Illuminate\Filesystem\Filesystem;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use ZipArchive;

/** A site with a design of its own: a folder whose files come before those that ship. */
final class DesignTest extends AppTestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->person('Greta', Role::OWNER));
        $this->folder = sys_get_temp_dir().'/designs-'.bin2hex(random_bytes(6));
        config(['heronstem.designs' => $this->folder]);
        $this->file('yard/files/site.css', 'h1 { color: navy }');
        $this->file('yard/files/pictures/keel.svg', '<svg xmlns="http://www.w3.org/2000/svg"/>');
        $this->file('yard/files/run.php', '<?php echo 1;');
        $this->file('yard/views/site/entry.blade.php', '<a class="yard" href="{{ $entry->href }}">{{ $entry->label }}</a>');
        $this->file('bare/files/alone.css', '');
        $this->file('secret.css', 'h2 { color: red }');
    }

    protected function tearDown(): void
    {
        (new Filesystem())->deleteDirectory($this->folder);
        parent::tearDown();
    }

    #[Test]
    public function a_site_is_as_it_ships_until_it_has_a_design(): void
    {
        $this->live('Travel');
        $shown = (string) $this->visit('/travel')->getContent();
        self::assertStringContainsString('/_site/site.css', $shown);
        self::assertStringNotContainsString('/_design/', $shown);
        $this->visit('/_design/site.css')->assertNotFound();

        $this->choose('yard');
        $shown = (string) $this->visit('/travel')->getContent();
        self::assertMatchesRegularExpression('#/_site/site\.css.*/_design/site\.css\?v=[0-9a-f]{8}"#s', $shown);

        $this->choose('bare');
        $shown = (string) $this->visit('/travel')->getContent();
        self::assertStringNotContainsString('/_site/site.css', $shown, 'a design that stands alone is without the styles that ship');

        $this->choose('');
        self::assertStringContainsString('/_site/site.css', (string) $this->visit('/travel')->getContent());
    }

    #[Test]
    public function its_templates_come_before_those_that_ship_and_only_for_this_site(): void
    {
        $travel = $this->live('Travel');
        $this->mainMenu($travel);
        self::assertStringNotContainsString('class="yard"', (string) $this->visit('/travel')->getContent());
        $this->choose('yard');
        self::assertStringContainsString('<a class="yard" href="/travel">Travel</a>', (string) $this->visit('/travel')->getContent());
        $this->choose('');
        self::assertStringNotContainsString('class="yard"', (string) $this->visit('/travel')->getContent());
    }

    #[Test]
    public function a_template_that_fails_gives_the_page_as_it_ships(): void
    {
        $this->mainMenu($this->live('Travel'));
        $this->file('yard/views/site/entry.blade.php', '{{ $entry->nothing->here }}');
        $this->file('yard/views/site/search.blade.php', '@if (');
        $this->choose('yard');
        $shown = (string) $this->visit('/travel')->assertOk()->getContent();
        self::assertMatchesRegularExpression('#<a href="/travel"[^>]*>Travel</a>#', $shown);
        self::assertStringNotContainsString('/_design/', $shown);
        $this->visit('/_search?q=travel')->assertOk()->assertSee('Travel');
    }

    #[Test]
    public function styles_named_with_what_they_hold_are_kept_and_get_another_address_when_they_change(): void
    {
        $this->live('Travel');
        $this->choose('yard');
        preg_match('#"(?:http://ferries\.test)?(/_design/site\.css\?v=\w+)"#', (string) $this->visit('/travel')->getContent(), $first);
        $answer = $this->visit($first[1])->assertOk();
        self::assertStringStartsWith('text/css', (string) $answer->headers->get('Content-Type'));
        self::assertStringContainsString('immutable', (string) $answer->headers->get('Cache-Control'));
        $this->file('yard/files/site.css', 'h1 { color: teal }');
        preg_match('#(/_design/site\.css\?v=\w+)"#', (string) $this->visit('/travel')->getContent(), $then);
        self::assertNotSame($first[1], $then[1]);
    }

    #[Test]
    #[TestWith(['/_design/run.php'])]
    #[TestWith(['/_design/../../secret.css'])]
    #[TestWith(['/_design/..%2f..%2fsecret.css'])]
    #[TestWith(['/_design/%2e%2e/%2e%2e/secret.css'])]
    #[TestWith(['/_design/none.css'])]
    #[TestWith(['/_design/'])]
    #[TestWith(['/_design/pictures'])]
    #[TestWith(['/_design/site.css%00.css'])]
    #[TestWith(['/_design//site.css'])]
    public function nothing_else_is_served(string $address): void
    {
        $this->choose('yard');
        $this->visit('/_design/pictures/keel.svg')->assertOk();
        $this->visit($address)->assertNotFound();
    }

    #[Test]
    #[TestWith(['none'])]
    #[TestWith(['../yard'])]
    #[TestWith([['yard']])]
    #[TestWith(["yard\0"])]
    public function a_design_that_is_not_there_is_refused_with_those_that_are(mixed $name): void
    {
        $answer = $this->api('PATCH', 'names', ['design' => $name])->assertStatus(422);
        self::assertSame('design', $answer->json('errors.0.field'));
        self::assertSame('', $this->site->refresh()->design);
    }

    #[Test]
    public function a_design_whose_folder_is_gone_is_as_it_ships(): void
    {
        $this->live('Travel');
        $this->choose('yard');
        (new Filesystem())->deleteDirectory("$this->folder/yard");
        $shown = (string) $this->visit('/travel')->assertOk()->getContent();
        self::assertStringContainsString('/_site/site.css', $shown);
        self::assertStringNotContainsString('/_design/', $shown);
    }

    #[Test]
    public function the_site_taken_out_as_pages_has_it_too(): void
    {
        $this->mainMenu($this->live('Travel'));
        $this->choose('yard');
        $path = "$this->folder/out.zip";
        file_put_contents($path, implode('', [...$this->app->make(TakeOut::class)->pieces($this->site->refresh(), SiteFormat::Html)]));
        $zip = new ZipArchive();
        $zip->open($path);
        $names = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $names[] = (string) $zip->getNameIndex($i);
        }
        $styles = array_values(preg_grep('#_design/.*\.css$#', $names) ?: []);
        self::assertCount(1, $styles, implode(' ', $names));
        self::assertSame('h1 { color: navy }', $zip->getFromName($styles[0]));
        $page = (string) $zip->getFromName(array_values(preg_grep('#travel.*\.html$#', $names) ?: [])[0] ?? '');
        self::assertStringContainsString('class="yard"', $page);
        self::assertStringContainsString('href="'.ltrim($styles[0], '/'), str_replace('../', '', $page));
    }

    private function choose(string $design): void
    {
        $this->api('PATCH', 'names', ['design' => $design])
            ->assertOk()
            ->assertJsonPath('design', $design);
        $this->site->refresh();
    }

    private function file(string $name, string $holds): void
    {
        (new Filesystem())->ensureDirectoryExists(dirname("$this->folder/$name"));
        file_put_contents("$this->folder/$name", $holds);
    }

    private function mainMenu(string $page): void
    {
        $menu = '01JZZZZZZZZZZZZZZZZZZZZZM1';
        $entry = ['id' => '01JZZZZZZZZZZZZZZZZZZZZZE1', 'kind' => 'page', 'page' => $page, 'children' => []];
        $this->change(
            ['kind' => 'make-menu', 'menu' => $menu, 'name' => 'Other'],
            ['kind' => 'place-menu', 'menu' => $menu, 'place' => 'main'],
            ['kind' => 'arrange-menu', 'menu' => $menu, 'entries' => [$entry]],
        );
    }
}
