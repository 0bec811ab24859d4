<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\PastedHtml;
use Heronstem\Core\Content\PlainText;
use Heronstem\Core\Content\WordProcessorHtml;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What word processors put on the clipboard. */
final class WordProcessorHtmlTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, list<array{string, string}>}> */
    public static function pasted(): iterable
    {
        $item = static fn (
            int $level,
            string $mark,
            string $text,
        ): string => "<p style='margin-left:36pt;mso-list:l0 level$level lfo1'><![if !supportLists]><span style='mso-list:Ignore'>$mark<span>&nbsp;&nbsp;</span></span><![endif]>$text<o:p></o:p></p>";
        yield 'numbers and letters are a numbered list' => [
            $item(1, '1.', 'First').$item(2, 'a)', 'Inner').$item(1, '2.', 'Second').'<p>After</p>',
            [['orderedList', 'First'], ['orderedList', 'Inner'], ['orderedList', 'Second'], ['paragraph', 'After']],
        ];
        yield 'a level that is left out is none' => [$item(3, '§', 'Deep'), [['bulletList', 'Deep']]];
        yield 'a list goes on over blank lines of the source' => [
            $item(1, '·', 'A')."\n\n".$item(1, '·', 'B'),
            [['bulletList', 'A'], ['bulletList', 'B']],
        ];
        yield 'two lists with a text between' => [
            $item(1, '·', 'A').'<p>Between</p>'.$item(1, '·', 'B'),
            [['bulletList', 'A'], ['paragraph', 'Between'], ['bulletList', 'B']],
        ];
        yield 'comments for other programs' => ['<!--[if gte mso 9]><xml>x</xml><![endif]--><p style="x">A</p>', [['paragraph', 'A']]];
        yield 'headings that are headings' => [
            '<h2 style="mso-outline-level:2">Fares</h2><p style="x">A</p>',
            [['heading', 'Fares'], ['paragraph', 'A']],
        ];
    }

    /** @param  list<array{string, string}>  $lines */
    #[Test]
    #[DataProvider('pasted')]
    public function structure_that_was_said_by_styles_is_kept(string $html, array $lines): void
    {
        self::assertSame($lines, self::lines((new PastedHtml(static fn (): ?string => null))->read($html)->blocks, ''));
    }

    #[Test]
    public function emphasis_that_was_said_by_styles_is_kept_and_that_which_means_nothing_is_not(): void
    {
        self::assertSame(
            '<p><strong>a</strong><em><span style="font-style:italic">b</span></em><em><strong>c</strong></em><span style="font-weight:400">d</span><span>e</span></p>',
            WordProcessorHtml::cleaned(
                '<p><span style="font-weight:700">a</span><span style="font-style:italic">b</span>'.
                    '<span style="font-weight:bold;font-style:italic">c</span><span style="font-weight:400">d</span><b style="font-weight: normal">e</b></p>',
            ),
        );
    }

    #[Test]
    public function no_text_is_lost_on_the_way(): void
    {
        $word = Generators::elements(['boats', 'Ögrún', '9.40', 'l’été']);
        $style = Generators::elements(['', 'font-weight:bold', 'mso-list:l0 level1 lfo1', 'mso-list:l1 level3 lfo2', 'color:red']);
        $this->forAll(Generators::seq(Generators::tuple($word, $style, Generators::elements(['p', 'div', 'span']))))->then(static function (
            array $pieces,
        ): void {
            $html = implode('', array_map(static fn (array $piece): string => "<$piece[2] style=\"$piece[1]\">$piece[0] </$piece[2]>", $pieces));
            $read = (new PastedHtml(static fn (): ?string => null))->read($html);
            $words = array_column($pieces, 0);
            self::assertSame($words, preg_split('/\s+/', PlainText::of($read), -1, PREG_SPLIT_NO_EMPTY) ?: []);
        });
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @return list<array{string, string}> each line with the innermost list that it stands in, or its own kind
     */
    private static function lines(array $blocks, string $list): array
    {
        $lines = [];
        foreach ($blocks as $block) {
            if (in_array($block['type'], ['paragraph', 'heading'], true)) {
                $lines[] = [$list === '' ? $block['type'] : $list, trim(PlainText::line($block['content']), " \u{a0}")];
            } else {
                array_push($lines, ...self::lines($block['content'], $block['type'] === 'listItem' ? $list : $block['type']));
            }
        }

        return $lines;
    }
}
