<?php

declare(strict_types=1);

namespace Tests\Core\Interchange;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\SavedPages;
use Heronstem\Core\Redirect\Matching\OldPage;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SavedPagesTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function saved_pages_say_where_they_stood_and_what_they_are_called(): void
    {
        $pages = SavedPages::read([
            'index.html' => '<title>Orm Tours</title><h1>Welcome</h1>',
            'tours/index.htm' => '<title>Tours</title>',
            'tours/S%C3%A6l & co.html' => "<meta charset=iso-8859-1><title>S\xE6l</title><h1>Seals\n and <b>birds</b></h1><h1>Second</h1>",
            'style.css' => 'h1 { color: red }',
        ]);
        self::assertEquals(
            [
                new OldPage('/', 'Orm Tours', 'Welcome'),
                new OldPage('/tours/', 'Tours'),
                new OldPage('/tours/S%25C3%25A6l%20%26%20co.html', 'Sæl', 'Seals and birds'),
            ],
            array_values($pages),
        );
    }

    #[Test]
    public function what_a_page_calls_itself_is_its_address_unless_several_do(): void
    {
        $own = static fn (string $at): string => "<link rel=canonical href='$at'><link rel=alternate hreflang=en href='../en/seals'>";
        $pages = SavedPages::read([
            'p/17.html' => $own('https://old.example/selar'),
            'p/18.html' => $own('/home'),
            'p/19.html' => $own('/home'),
        ]);
        self::assertSame(['https://old.example/selar', '/p/18.html', '/p/19.html'], array_keys($pages));
        self::assertSame(['/en/seals'], $pages['https://old.example/selar']->also);
        self::assertSame(['/home', '/en/seals'], $pages['/p/18.html']->also);
        // A crawl knows better where each stood.
        self::assertSame(
            ['/selar.php'],
            array_keys(SavedPages::read(['1.html' => $own('/x')], ['1.html' => ['address' => '/selar.php', 'former' => []]])),
        );
    }

    #[Test]
    public function a_folder_without_pages_is_refused(): void
    {
        $this->expectException(InputRefused::class);
        SavedPages::read(['a.css' => '', 'b.txt' => 'text']);
    }

    #[Test]
    public function whatever_stands_in_a_file_is_read_as_some_page(): void
    {
        $this->forAll(
            Generators::seq(
                Generators::elements([
                    '<title>',
                    '</title>',
                    '<h1',
                    '>',
                    'a',
                    "\0",
                    "\xFF",
                    '&#0;',
                    '<link rel=canonical href=',
                    "'//'",
                    '<!--',
                    '<svg>',
                ]),
            ),
        )->then(static function (array $parts): void {
            $pages = SavedPages::read(['a.html' => implode('', $parts)]);
            self::assertCount(1, $pages);
            self::assertTrue(mb_check_encoding(array_values($pages)[0]->called(), 'UTF-8'));
        });
    }
}
