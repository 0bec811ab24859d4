<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Code\HeadLines;
use Heronstem\Core\Content\Code\ScopedStyles;
use Heronstem\Core\InputRefused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Sabberworm\CSS\CSSList\CSSBlockList;
use Sabberworm\CSS\Parser;
use Sabberworm\CSS\RuleSet\DeclarationBlock;

final class CodeTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string}> styles; the same held to the page */
    public static function styles(): iterable
    {
        yield 'selectors' => ['h2, .cards li { color: red }', '#site-content h2,#site-content .cards li{color:red}'];
        yield 'the whole page' => ['body { margin: 0 } :root { --x: 1px }', '#site-content{margin:0}#site-content{--x:1px}'];
        yield 'a name that begins like it' => ['bodyguard { color: red }', '#site-content bodyguard{color:red}'];
        yield 'nested' => [
            '@media print { @supports (display: grid) { .a { color: red } } }',
            '@media print{@supports (display: grid){#site-content .a{color:red}}}',
        ];
        yield 'own files' => ['.a { background: url(/_files/x/y.png) }', '#site-content .a{background:url("/_files/x/y.png")}'];
        yield 'a brace in a text' => ['.a::after { content: "}" } /* } */', '#site-content .a::after{content:"}"}'];
        yield 'nothing' => [' /* later */ ', ''];
    }

    #[Test, DataProvider('styles')]
    public function styles_are_held_to_the_page(string $given, string $held): void
    {
        self::assertSame($held, ScopedStyles::of($given));
    }

    /** @return iterable<string, array{string}> */
    public static function noStyles(): iterable
    {
        yield 'loads another sheet' => ['@import url(x.css);'];
        yield 'a picture elsewhere' => ['.a { background: url(https://elsewhere.example/x.png) }'];
        yield 'elsewhere by two slashes' => ['.a { background: url("//elsewhere.example/x.png") }'];
        yield 'elsewhere by an escape' => ['.a { background: \75rl(https://elsewhere.example/x) }'];
        yield 'left open' => ['.a { color: red'];
        yield 'closed twice' => ['.a { color: red }}'];
        yield 'HTML' => ['.a { color: red } </style><script>alert(1)</script>'];
        yield 'no CSS' => ['make it nice'];
        yield 'a script' => ['.a { width: expression(alert(1)) }'];
        yield 'a zero' => [".a { color: r\0ed }"];
    }

    #[Test, DataProvider('noStyles')]
    public function what_styles_of_a_page_cannot_be_is_refused(string $given): void
    {
        $this->expectException(InputRefused::class);
        ScopedStyles::of($given);
    }

    #[Test]
    public function no_rule_reaches_beyond_the_page_whatever_is_written(): void
    {
        $signs = [
            'a',
            '.b',
            '#c',
            ' ',
            ',',
            '>',
            '{',
            '}',
            ':',
            ';',
            'red',
            '@media print',
            '"',
            "'",
            '(',
            ')',
            '/*',
            '*/',
            '\\',
            'url(',
            '/x',
            "\n",
            ':root',
            'body',
            '--v',
        ];
        $this->forAll(Generators::seq(Generators::elements($signs)))->then(function (array $pieces): void {
            try {
                $css = ScopedStyles::of(implode('', $pieces));
            } catch (InputRefused) {
                $css = '';
            }
            $this->guardHeld((new Parser($css))->parse(), $css);
            self::assertStringNotContainsString('<', $css);
        });
    }

    /** @return iterable<string, array{string, list<string>}> lines; what they allow */
    public static function lines(): iterable
    {
        yield 'a proof of ownership' => ['<meta name="verify" content="a&quot;b">', []];
        yield 'who I am elsewhere' => ['<link rel="me" href="https://social.example/@skerrivane">', []];
        yield 'linked data' => ['<script type="application/ld+json">{"@context": "https://schema.org"}</script>', []];
        yield 'a script of its own' => ['<script>let a = "<b>"</script>', ['A script written here runs, 13 characters long.']];
        yield 'one elsewhere' => [
            '<script async src="https://count.example:8443/js?x=1" data-site="k"></script>',
            ['A script of https://count.example:8443 runs, and may send there what it sees on the page.'],
        ];
    }

    /** @param  list<string>  $allows */
    #[Test, DataProvider('lines')]
    public function lines_of_the_head_say_what_they_allow(string $given, array $allows): void
    {
        $lines = HeadLines::of($given);
        self::assertSame($allows, $lines->allows);
        self::assertSame($lines->html, HeadLines::of($lines->html)->html, 'What was written out is read as the same.');
    }

    #[Test]
    public function the_policy_grows_by_exact_hashes_and_addresses(): void
    {
        $lines = HeadLines::of("<script>a()\r\nb()</script>")->and(HeadLines::of('<script src="https://count.example/js?x=1"></script>'));
        self::assertSame(["'sha256-".base64_encode(hash('sha256', "a()\nb()", true))."'"], $lines->hashes);
        self::assertSame([['https://count.example/js'], ['https://count.example']], [$lines->scripts, $lines->hosts]);
    }

    /** @return iterable<string, array{string}> */
    public static function noLines(): iterable
    {
        yield 'text' => ['Hello'];
        yield 'an element of the page' => ['<p>x</p>'];
        yield 'styles' => ['<style>a{}</style>'];
        yield 'a title' => ['<title>x</title>'];
        yield 'robots' => ['<meta name="ROBOTS" content="none">'];
        yield 'a refresh' => ['<meta http-equiv="refresh" content="0">'];
        yield 'a style sheet' => ['<link rel="stylesheet" href="/x.css">'];
        yield 'the canonical address' => ['<link rel="canonical" href="/x">'];
        yield 'an icon elsewhere' => ['<link rel="icon" href="https://elsewhere.example/x.png">'];
        yield 'a script that is not secure' => ['<script src="http://count.example/js"></script>'];
        yield 'a script of no scheme' => ['<script src="//count.example/js"></script>'];
        yield 'a backslash that browsers take for a slash' => ['<script src="/\\count.example/js"></script>'];
        yield 'a policy in an address' => ['<script src="https://count.example/a;b"></script>'];
        yield 'a handler' => ['<script onload="x()">a()</script>'];
        yield 'an end that browsers see' => ['<script>a</script ><img src=x onerror=alert(1)>'];
        yield 'no JSON' => ['<script type="application/ld+json">{x}</script>'];
        yield 'another type' => ['<script type="text/x">a</script>'];
    }

    #[Test, DataProvider('noLines')]
    public function what_has_no_place_in_the_head_is_refused(string $given): void
    {
        $this->expectException(InputRefused::class);
        HeadLines::of($given);
    }

    private function guardHeld(CSSBlockList $list, string $css): void
    {
        foreach ($list->getContents() as $each) {
            if ($each instanceof DeclarationBlock) {
                foreach ($each->getSelectors() as $selector) {
                    self::assertStringStartsWith('#site-content', trim($selector->getSelector()), $css);
                }
            } elseif ($each instanceof CSSBlockList) {
                $this->guardHeld($each, $css);
            }
        }
    }
}
