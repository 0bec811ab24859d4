<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Code\HeadLines;
use Heronstem\Core\InputRefused;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Whatever is written into the head, what comes out holds nothing but what was looked at, as another parser reads it. */
final class HeadLinesLawsTest extends TestCase
{
    use TestTrait;

    private const PIECES = [
        '<meta name="a" content="b">',
        '<meta property="og:x" content="&lt;b&gt;">',
        '<meta http-equiv="refresh" content="0">',
        '<link rel="me" href="https://a.example/">',
        '<link rel="preconnect" href="https://b.example">',
        '<link rel="stylesheet" href="/x">',
        '<script>',
        '</script>',
        '</script >',
        '</SCRIPT/x>',
        'alert(1)',
        '<!--',
        '-->',
        '<script src="https://c.example/x.js" async>',
        '<script type="application/ld+json">',
        '{"@context": "https://schema.org", "name": "</b>"}',
        '<p>',
        '<img src=x onerror=alert(1)>',
        '"',
        "'",
        ' onload="x()"',
        '>',
        "\n",
        '<style>',
        '<base href="//x">',
        '<![CDATA[',
        ']]>',
        '<noscript>',
        '<svg>',
        '<template>',
        '&lt;',
    ];

    #[Test]
    public function nothing_stands_there_that_was_not_looked_at(): void
    {
        $this->forAll(Generators::seq(Generators::elements(self::PIECES)))->then(function (array $pieces): void {
            $given = implode('', $pieces);
            try {
                $lines = HeadLines::of($given);
            } catch (InputRefused) {
                $lines = HeadLines::of('');
            }
            $page = new \DOMDocument();
            $page->loadHTML('<!DOCTYPE html><html><head><title>t</title>'.$lines->html.'</head><body></body></html>', LIBXML_NOERROR);
            $hashes = [];
            foreach ($page->getElementsByTagName('*') as $element) {
                self::assertContains($element->nodeName, ['html', 'head', 'title', 'body', 'meta', 'link', 'script'], $given);
                foreach ($element->attributes as $attribute) {
                    self::assertStringStartsNotWith('on', strtolower($attribute->name), $given);
                }
                if ($element->nodeName === 'script' && $element->getAttribute('type') !== 'application/ld+json' && ! $element->hasAttribute('src')) {
                    $hashes[] = "'sha256-".base64_encode(hash('sha256', $element->textContent, true))."'";
                }
            }
            self::assertSame('', trim((string) $page->getElementsByTagName('body')->item(0)?->textContent), $given);
            // The parser used here ends a script at any end tag, as HTML 4 did; browsers only at that of a script.
            if (preg_match('#</(?!script)#i', $lines->html) === 0) {
                self::assertSame($lines->hashes, array_values(array_unique($hashes)), 'Every script that runs is one that the policy names.');
            }
            foreach ([...$lines->scripts, ...$lines->hosts] as $source) {
                self::assertMatchesRegularExpression('#^https://[a-z0-9.:/-]+$#', $source);
            }
        });
    }

    #[Test]
    public function the_lines_of_site_and_page_stand_beside_each_other(): void
    {
        $known = Generators::elements([
            '<meta name="a" content="b">',
            '<script>one()</script>',
            '<script>two()</script>',
            '<script src="https://c.example/x.js"></script>',
            '<link rel="preconnect" href="https://b.example">',
        ]);
        $this->forAll(Generators::seq($known), Generators::seq($known))->then(function (array $site, array $page): void {
            $both = HeadLines::of(implode("\n", $site))->and(HeadLines::of(implode("\n", $page)));
            $whole = HeadLines::of(implode("\n", [...$site, ...$page]));
            self::assertSame(
                [$whole->html, $whole->hashes, $whole->scripts, $whole->hosts],
                [$both->html, $both->hashes, $both->scripts, $both->hosts],
            );
        });
    }
}
