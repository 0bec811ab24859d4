<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Outside\OutsideClient;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;

final class FilmsTest extends AppTestCase
{
    private const SEALS = 'https://films.example/watch/seals';

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
    }

    #[Test]
    public function a_film_of_another_site_is_looked_up_once_and_visitors_ask_nobody_before_they_click(): void
    {
        $standIn = new StandIn('web');
        $this->app->bind(OutsideClient::class, static fn (): OutsideClient => new OutsideClient(standIn: $standIn->url));
        $film = $this->lookUp(self::SEALS)->assertOk()->assertJsonPath('title', 'Seals in Hallin Sound')->json();
        self::assertSame($film['poster'], $this->lookUp(self::SEALS)->assertOk()->json('poster'), 'The picture is taken in once.');
        $page = $this->live('Seals');
        $this->saveContent($page, [
            [
                'type' => 'video',
                'attrs' => ['address' => self::SEALS, 'title' => 'Seals', 'caption' => 'At low water', 'poster' => ['file' => $film['poster']]],
            ],
        ]);
        $this->change(['kind' => 'publish', 'page' => $page]);
        $answer = $this->get('http://ferries.test/seals')->assertOk();
        $html = (string) $answer->getContent();
        self::assertMatchesRegularExpression(
            '#<a class="film" href="https://films\.example/watch/seals" data-film="https://films\.example/play/seals" data-width="960" data-height="540" rel="noopener"><img src="/_files/#',
            $html,
        );
        self::assertStringNotContainsString('<iframe', $html);
        self::assertStringContainsString('; frame-src https://films.example', (string) $answer->headers->get('Content-Security-Policy'));
        self::assertStringContainsString('/_site/film.js', $html);
        $this->live('Others');
        self::assertStringNotContainsString('frame-src', (string) $this->get('http://ferries.test/others')->headers->get('Content-Security-Policy'));
        self::assertSame(1, DB::table('films')->count());
    }

    #[Test]
    public function what_is_no_film_of_a_known_site_is_refused_with_a_way_out(): void
    {
        $standIn = new StandIn('web');
        $this->app->bind(OutsideClient::class, static fn (): OutsideClient => new OutsideClient(standIn: $standIn->url));
        foreach (
            [
                'https://elsewhere.example/watch/1' => 'Videos of this site cannot be shown here. Supported sites: Islands on film',
                'https://films.example/watch/none' => 'The site does not answer, or has no video there',
                'http://127.0.0.1/watch/1' => 'cannot be shown here',
                'x' => 'cannot be shown here',
            ] as $address => $reason
        ) {
            $refused = $this->lookUp($address)->assertStatus(422)->assertJsonPath('errors.0.field', 'address')->json('errors.0.reason');
            self::assertStringContainsString($reason, (string) $refused);
        }
        self::assertSame(0, DB::table('films')->count());
        // A film that nobody asked about is a link.
        $page = $this->live('Seals');
        $this->saveContent($page, [['type' => 'video', 'attrs' => ['address' => self::SEALS, 'title' => 'Seals', 'caption' => '']]]);
        $this->change(['kind' => 'publish', 'page' => $page]);
        $this->get('http://ferries.test/seals')->assertSee('<a class="film" href="https://films.example/watch/seals" rel="noopener">', false);
    }

    #[Test]
    public function a_film_that_is_called_like_another_one_has_a_picture_of_its_own(): void
    {
        $standIn = new StandIn('web');
        $this->app->bind(OutsideClient::class, static fn (): OutsideClient => new OutsideClient(standIn: $standIn->url));
        DB::insert(
            'insert into films (site_id, address, frame, width, height, title, poster) select id, ?, ?, 960, 540, ?, ? from sites where key = ?',
            [
                'https://films.example/watch/other',
                'https://films.example/play/other',
                'Seals in Hallin Sound',
                '01M00000000000000000000000',
                'ferries',
            ],
        );
        $poster = $this->lookUp(self::SEALS)->assertOk()->json('poster');
        self::assertIsString($poster);
        self::assertNotSame('01M00000000000000000000000', $poster);
        self::assertSame($poster, DB::table('films')->where('address', self::SEALS)->value('poster'));
    }

    private function lookUp(string $address): TestResponse
    {
        return $this->api('POST', 'films', ['address' => $address]);
    }
}
