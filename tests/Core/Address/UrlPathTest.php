<?php

declare(strict_types=1);

namespace Tests\Core\Address;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\UrlPath;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** The path of a URL as browsers read it (WHATWG URL, 4.4). */
final class UrlPathTest extends TestCase
{
    use TestTrait;

    private const PIECES = [
        'a',
        'B',
        '.',
        '..',
        '/',
        '//',
        '\\',
        '%2e',
        '%2E',
        '%2e%2e',
        '.%2e',
        '%',
        '%zz',
        ' ',
        "\t",
        "\n",
        '"',
        '<',
        '{',
        '`',
        'ö',
        "\x7f",
        "\x01",
        '~',
        ';',
        '&',
        '=',
        ':',
        '@',
        "\xff",
    ];

    #[Test]
    #[TestWith(['/a/./b/../c', '/a/c'])]
    #[TestWith(['/../../a', '/a'])]
    #[TestWith(['/a/..', '/'])]
    #[TestWith(['/a/b/..', '/a/'])]
    #[TestWith(['/a/.', '/a/'])]
    #[TestWith(['/a/%2E%2e/b', '/b'])]
    #[TestWith(['/a\\b', '/a/b'])]
    #[TestWith(["/a\tb\nc", '/abc'])]
    #[TestWith(['/a b', '/a%20b'])]
    #[TestWith(['/ö', '/%C3%B6'])]
    #[TestWith(['/%zz%', '/%zz%'])]
    #[TestWith(['//a', '//a'])]
    #[TestWith(['', '/'])]
    #[TestWith(['a', '/a'])]
    #[TestWith(['/...', '/...'])]
    #[TestWith(['/"<>?#`{}^', '/%22%3C%3E%3F%23%60%7B%7D%5E'])]
    #[TestWith(['/a;b=c&d:e@f$g,h+i!j*k(l)m|n', '/a;b=c&d:e@f$g,h+i!j*k(l)m|n'])]
    public function a_path_is_read_as_the_standard_says(string $path, string $read): void
    {
        self::assertSame($read, UrlPath::parse($path));
    }

    #[Test]
    public function what_was_read_is_read_again_as_the_same_and_never_leads_out(): void
    {
        $this->limitTo(1500)
            ->forAll(Generators::seq(Generators::elements(self::PIECES)))
            ->then(function (array $pieces): void {
                $path = implode('', $pieces);
                $read = UrlPath::parse($path);
                self::assertSame($read, UrlPath::parse($read), $path);
                self::assertSame('/', $read[0]);
                self::assertMatchesRegularExpression('/^[\x21-\x7E]*$/D', $read, 'Only what may stand in a URL.');
                self::assertStringNotContainsString('\\', $read);
                foreach (explode('/', $read) as $segment) {
                    self::assertNotContains(strtolower(str_ireplace('%2e', '.', $segment)), ['.', '..'], "$path leads out by $segment.");
                }
            });
    }

    #[Test]
    public function segments_are_resolved_as_one_walks_them(): void
    {
        $this->limitTo(600)
            ->forAll(Generators::seq(Generators::elements(['a', 'b', '.', '..', ''])))
            ->then(function (array $segments): void {
                $walked = [];
                $last = count($segments) - 1;
                foreach ($segments as $n => $segment) {
                    if ($segment === '..') {
                        array_pop($walked);
                    } elseif ($segment !== '.') {
                        $walked[] = $segment;

                        continue;
                    }
                    if ($n === $last) {
                        $walked[] = '';
                    }
                }
                self::assertSame('/'.implode('/', $walked), UrlPath::parse('/'.implode('/', $segments)));
            });
    }

    #[Test]
    public function what_is_encoded_is_decoded_to_the_same(): void
    {
        $this->limitTo(400)
            ->forAll(Generators::seq(Generators::elements(self::PIECES)))
            ->then(function (array $pieces): void {
                $text = str_replace(['%', '/'], '', implode('', $pieces));
                self::assertSame($text, rawurldecode(UrlPath::encode($text)));
            });
    }
}
