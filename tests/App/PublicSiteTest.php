<?php

declare(strict_types=1);

namespace Tests\App;

use PHPUnit\Framework\Attributes\Test;

final class PublicSiteTest extends AppTestCase
{
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $this->home = $this->live('Home');
        $this->site->update(['start_page_id' => $this->row($this->home)->id]);
        $this->change(['kind' => 'set-slug', 'page' => $this->home, 'slug' => 'start']);
    }

    #[Test]
    public function a_page_that_has_no_content_yet_leaves_no_blank_line_behind(): void
    {
        $this->live('Soon');
        $html = (string) $this->visit('/soon')->assertOk()->getContent();
        self::assertDoesNotMatchRegularExpression('/^[ \t]+$/m', $html);
    }

    #[Test]
    public function a_page_stands_in_menu_breadcrumbs_side_menu_and_head(): void
    {
        $travel = $this->live('Travel');
        $fares = $this->live('Fares', $travel);
        $cars = $this->live('Cars', $fares);
        $this->draft('Secret', $travel);
        $this->row($cars)->update(['search_description' => 'What cars "cost".']);
        $html = (string) $this->visit('/travel/fares/cars')->assertOk()->getContent();
        $page = new \DOMDocument();
        @$page->loadHTML($html);
        $find = fn (string $query): array => array_map(
            fn (\DOMNode $node): string => trim((string) preg_replace('/\s+/', ' ', $node->textContent)),
            iterator_to_array((new \DOMXPath($page))->query($query)),
        );
        self::assertSame(['Travel'], $find('//nav[@aria-label="Main"]/ul/li/a'));
        self::assertSame(['Fares'], $find('//nav[@aria-label="Main"]//ul[@class="drop"]/li'));
        self::assertSame(['Home', 'Travel', 'Fares', 'Cars'], $find('//nav[@aria-label="Breadcrumb"]//li'));
        self::assertSame(['Fares', 'Cars'], $find('//nav[@aria-label="In this section"]//a'));
        self::assertSame(['Cars'], $find('//h1'));
        self::assertSame(['Cars · Ferries'], $find('//title'));
        self::assertStringContainsString('<link rel="canonical" href="http://ferries.test/travel/fares/cars">', $html);
        self::assertStringContainsString('<meta name="description" content="What cars &quot;cost&quot;.">', $html);
        self::assertStringContainsString('<meta property="og:title" content="Cars · Ferries">', $html);
        self::assertStringNotContainsString('Secret', $html);
        self::assertDoesNotMatchRegularExpression('#<script(?! type="application/ld\+json">)#', $html, 'Nothing runs at visitors.');
    }

    #[Test]
    public function a_missed_address_is_answered_with_near_ones(): void
    {
        $this->live('Timetables', $this->live('Travel'));
        $this->visit('/travel/timetable')->assertNotFound()->assertSee('There is no page here')->assertSee('/travel/timetables');
        $this->visit('/%FF%FE')->assertNotFound();
        $this->visit('/'.str_repeat('a', 2500))->assertNotFound();
        $this->visit('/_files/01J00000000000000000000003/x.png')->assertNotFound();
    }

    #[Test]
    public function other_spellings_are_sent_on_for_good_with_their_query(): void
    {
        $this->live('Travel');
        $this->visit('/Travel/?day=2')->assertStatus(301)->assertHeader('Location', '/travel?day=2');
        $this->visit('/travel?day=2')->assertOk();
        $this->visit('/start')->assertNotFound();
        $this->visit('/')->assertOk();
    }

    #[Test]
    public function the_sitemap_holds_what_is_live_and_listed(): void
    {
        $travel = $this->live('Travel');
        $this->draft('Draft');
        $unlisted = $this->live('Rota');
        $this->row($unlisted)->update(['listed' => false]);
        $xml = simplexml_load_string(
            $this->visit('/sitemap.xml')->assertOk()->assertHeader('Content-Type', 'application/xml; charset=utf-8')->streamedContent(),
        );
        self::assertEqualsCanonicalizing(
            ['http://ferries.test/', 'http://ferries.test/travel'],
            array_map(strval(...), iterator_to_array($xml->xpath('//*[local-name()="loc"]'))),
        );
        $this->visit('/sitemap-1.xml')->assertNotFound();
        $this->visit('/robots.txt')->assertOk()->assertSee('Sitemap: http://ferries.test/sitemap.xml');
        $this->visit('/rota')->assertOk()->assertSee('noindex');
        $this->visit('/favicon.ico')->assertOk();
        $this->change(['kind' => 'take-offline', 'page' => $travel]);
        self::assertStringNotContainsString('/travel', $this->visit('/sitemap.xml')->streamedContent());
    }

    #[Test]
    public function only_reading_is_answered_and_every_answer_has_its_headers(): void
    {
        $this->visit('/', 'POST')->assertStatus(405)->assertHeader('Allow', 'GET, HEAD');
        self::assertSame('', $this->visit('/', 'HEAD')->assertOk()->getContent());
        $answer = $this->visit('/')->assertOk();
        self::assertStringContainsString("default-src 'none'", (string) $answer->headers->get('Content-Security-Policy'));
        $answer->assertHeader('X-Content-Type-Options', 'nosniff')->assertCookieMissing('heronstem_session');
        $this->call(
            'GET',
            'http://ferries.test/',
            server: ['REQUEST_URI' => '/', 'HTTP_IF_NONE_MATCH' => (string) $answer->headers->get('ETag')],
        )->assertStatus(304);
    }

    #[Test]
    public function pages_are_valid_html(): void
    {
        $this->live('Fares', $this->live('Travel'));
        $this->row($this->home)->update(['layout' => 'home', 'summary' => 'Boats & birds']);
        foreach (['/', '/travel/fares', '/missing'] as $path) {
            $file = tempnam(sys_get_temp_dir(), 'page').'.html';
            file_put_contents($file, (string) $this->visit($path)->getContent());
            exec('npx --no-install html-validate --preset standard '.escapeshellarg($file).' 2>&1', $said, $code);
            unlink($file);
            self::assertSame(0, $code, implode("\n", $said));
        }
    }

    #[Test]
    public function the_editor_takes_no_path_of_a_site(): void
    {
        $this->live('Preview');
        $this->live('Sign in');
        $this->visit('/preview')->assertOk();
        $this->visit('/sign-in')->assertOk();
        $this->visit('/api/v1/session')->assertNotFound();
    }
}
