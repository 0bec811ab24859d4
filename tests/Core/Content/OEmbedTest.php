<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Film;
use Heronstem\Core\Content\OEmbed;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class OEmbedTest extends TestCase
{
    use TestTrait;

    private const ADDRESS = 'https://films.example/watch/seals';

    #[Test]
    public function the_site_that_shows_it_is_asked_and_no_other(): void
    {
        self::assertSame(
            'https://films.example/oembed?url=https%3A%2F%2Ffilms.example%2Fwatch%2Fseals&format=json',
            self::sites()->question(self::ADDRESS),
        );
        foreach (
            [
                'https://other.example/watch/seals',
                'https://films.example/about',
                'https://films.example.evil.example/watch/1',
                'javascript:alert(1)',
                '',
            ] as $address
        ) {
            self::assertNull(self::sites()->question($address));
        }
    }

    #[Test]
    public function of_the_answer_only_the_frame_is_used_and_only_from_where_it_may_come(): void
    {
        $answer = static fn (string $html, string $type = 'video'): string => (string) json_encode([
            'type' => $type,
            'title' => ' <b>Seals</b> ',
            'width' => '640',
            'height' => 360,
            'html' => $html,
            'thumbnail_url' => 'https://films.example/s.jpg',
        ]);
        $frame = '<script>alert(1)</script><iframe width="1" src="https://films.example/play/seals?a=1&amp;b=2" onload="alert(1)"></iframe>';
        self::assertEquals(
            [
                'film' => new Film('https://films.example/play/seals?a=1&b=2', 640, 360),
                'title' => 'Seals',
                'picture' => 'https://films.example/s.jpg',
            ],
            self::sites()->answer(self::ADDRESS, $answer($frame)),
        );
        foreach (
            [
                '<iframe src="https://evil.example/play/"></iframe>',
                '<iframe src="http://films.example/play/1"></iframe>',
                '<iframe src="https://films.example/play/&quot;onload=x"></iframe>',
                '<iframe src="javascript:alert(1)"></iframe>',
                '<video src="https://films.example/play/1"></video>',
                '',
            ] as $html
        ) {
            self::assertNull(self::sites()->answer(self::ADDRESS, $answer($html)));
        }
        self::assertNull(self::sites()->answer(self::ADDRESS, $answer($frame, 'photo')));
        self::assertNull(self::sites()->answer(self::ADDRESS, 'no JSON'));
    }

    #[Test]
    public function no_answer_leads_to_a_frame_from_elsewhere(): void
    {
        $parts = ['<iframe', ' src=', '"', "'", 'https://films.example/play/', 'https://evil.example/', '@', '\\', '>', '&#34;', ' ', '//', '?'];
        $this->limitTo(500)
            ->forAll(Generators::seq(Generators::elements(...$parts)))
            ->then(static function (array $chosen): void {
                $said = self::sites()->answer(
                    self::ADDRESS,
                    (string) json_encode(['type' => 'video', 'html' => '<iframe src="'.implode('', $chosen)]),
                );
                self::assertTrue($said === null || parse_url($said['film']->frame, PHP_URL_HOST) === 'films.example', $said['film']->frame ?? '');
            });
    }

    private static function sites(): OEmbed
    {
        return new OEmbed([
            [
                'name' => 'Islands on film',
                'addresses' => ['https://films.example/watch/*'],
                'endpoint' => 'https://films.example/oembed',
                'frames' => ['https://films.example/play/'],
            ],
        ]);
    }
}
