<?php

declare(strict_types=1);

namespace Tests\Core\Search;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Search\FittedText;
use Heronstem\Core\Search\TextWidth;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class TextWidthTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function pairs_are_kerned_and_marks_take_no_room(): void
    {
        self::assertLessThan(TextWidth::of('A', 20) + TextWidth::of('V', 20), TextWidth::of('AV', 20));
        self::assertSame(TextWidth::of("\u{E9}", 20), TextWidth::of("e\u{301}", 20));
        self::assertSame(TextWidth::of('xy', 20), TextWidth::of("x\u{301}\u{302}y", 20), 'A mark without a letter of its own.');
        self::assertEqualsWithDelta(2 * TextWidth::of('Skerra', 20), TextWidth::of('Skerra', 40), 1e-9);
        self::assertSame(0.0, TextWidth::of('', 20));
        self::assertSame(40.0, TextWidth::of('港口', 20), 'A wide character is an em.');
    }

    #[Test]
    public function what_is_cut_fits_and_one_word_more_would_not(): void
    {
        $word = Generators::elements('harbour', 'AVATAR', 'i', 'wide-word', 'Ferries,', '·', 'Привет', '11', 'W');
        $this->forAll(Generators::seq($word), Generators::choose(40, 600))->then(function (array $words, int $width): void {
            $text = implode(' ', $words);
            $cut = FittedText::within($text, $width, 20);
            self::assertLessThanOrEqual($width, TextWidth::of($cut, 20));
            if ($cut === $text) {
                return;
            }
            self::assertStringEndsWith('…', $cut);
            $kept = mb_substr($cut, 0, -1);
            self::assertStringStartsWith($kept, $text);
            $rest = explode(' ', ltrim(mb_substr($text, mb_strlen($kept))));
            $more = mb_substr($text, 0, (int) mb_strpos($text, $rest[0], mb_strlen($kept)) + mb_strlen($rest[0]));
            $isTrimmed = preg_match('/^[\s,;:·|–—-]*$/u', mb_substr($more, mb_strlen($kept))) === 1;
            self::assertTrue($isTrimmed || TextWidth::of("{$more}…", 20) > $width || $more === $kept, "$cut of $text");
        });
    }
}
