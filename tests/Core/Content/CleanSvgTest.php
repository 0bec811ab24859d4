<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\CleanSvg;
use Heronstem\Core\Content\InvalidDocument;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class CleanSvgTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function what_draws_is_kept_and_its_size_known(): void
    {
        $svg =
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 20"><defs><linearGradient id="g"><stop offset="0" stop-color="#fff"/></linearGradient></defs>'.
            '<path d="M0 0h9z" fill="url(#g)"/><use href="#a"/><text x="1">Pier &amp; quay</text></svg>';
        self::assertSame(['svg' => $svg, 'width' => 40, 'height' => 20], CleanSvg::of('<?xml version="1.0"?>'.$svg));
    }

    /** @return iterable<string, array{string}> something that runs, loads or leads elsewhere */
    public static function harm(): iterable
    {
        yield 'a script' => ['<script>alert(1)</script>'];
        yield 'a handler' => ['<path onload="alert(1)" d="M0 0"/>'];
        yield 'HTML inside' => ['<foreignObject><p xmlns="http://www.w3.org/1999/xhtml" onclick="alert(1)">x</p></foreignObject>'];
        yield 'an address' => ['<a href="javascript:alert(1)"><path d="M0 0"/></a>'];
        yield 'a use from elsewhere' => ['<use href="https://x.example/#alert"/>'];
        yield 'a use from elsewhere, the old way' => ['<use xmlns:xlink="http://www.w3.org/1999/xlink" xlink:href="//x.example/#alert"/>'];
        yield 'a picture from elsewhere' => ['<image href="https://x.example/alert.png"/>'];
        yield 'styles' => ['<style>@import "https://x.example/alert.css";</style>'];
        yield 'a style' => ['<path style="background:url(https://x.example/alert)" d="M0 0"/>'];
        yield 'a fill from elsewhere' => ['<path fill="url(https://x.example/alert#a)" d="M0 0"/>'];
        yield 'a fill in escapes' => ['<path fill="u\72l(//x.example/alert)" d="M0 0"/>'];
        yield 'an animation that sets an address' => ['<set attributeName="href" to="javascript:alert(1)"/>'];
        yield 'a foreign element' => ['<x:alert xmlns:x="urn:x"/>'];
        yield 'an instruction' => ['<?xml-stylesheet href="alert.css"?>'];
        yield 'a comment' => ['<!-- alert -->'];
    }

    #[Test]
    #[DataProvider('harm')]
    public function what_runs_loads_or_leads_elsewhere_is_left_out(string $harm): void
    {
        $clean = CleanSvg::of('<svg xmlns="http://www.w3.org/2000/svg" width="4" height="4">'.$harm.'<circle r="2"/></svg>')['svg'];
        self::assertStringNotContainsString('alert', $clean);
        self::assertStringContainsString('<circle r="2"/>', $clean);
    }

    #[Test]
    public function what_is_no_drawing_or_unfolds_without_end_is_refused(): void
    {
        $bomb = '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg"><text>&b;</text></svg>';
        $large = '<svg xmlns="http://www.w3.org/2000/svg">'.str_repeat('<g/>', 20_001).'</svg>';
        foreach ([$bomb, $large, 'x', '', '<svg>', '<html/>', '<svg/>'] as $given) {
            try {
                CleanSvg::of($given);
                self::fail('It was taken.');
            } catch (InvalidDocument $refused) {
                self::assertSame('file', $refused->field);
            }
        }
    }

    #[Test]
    public function a_clean_drawing_stays_as_it_is(): void
    {
        $parts = ['<g fill="red"><rect width="3"/></g>', 'a &lt; b'];
        foreach (self::harm() as [$harm]) {
            $parts[] = $harm;
        }
        $this->forAll(Generators::seq(Generators::elements($parts)))->then(static function (array $chosen): void {
            $once = CleanSvg::of('<svg xmlns="http://www.w3.org/2000/svg">'.implode('', $chosen).'</svg>')['svg'];
            self::assertSame($once, CleanSvg::of($once)['svg']);
        });
    }
}
