<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Audit\Fingerprint;
use Heronstem\Core\Audit\ReadingEase;
use Heronstem\Core\Audit\Stem;
use Heronstem\Core\Audit\StopWords;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What texts are compared by: fingerprints, stems, and how easily they are read. */
final class FingerprintTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function two_within_the_distance_share_a_band_so_that_none_is_missed(): void
    {
        $bit = Generators::choose(0, 63);
        $this->forAll(Generators::choose(PHP_INT_MIN, PHP_INT_MAX), Generators::vector(Fingerprint::DISTANCE, $bit))->then(function (
            int $print,
            array $bits,
        ): void {
            $other = $print;
            foreach ($bits as $n) {
                $other ^= 1 << $n;
            }
            self::assertLessThanOrEqual(Fingerprint::DISTANCE, Fingerprint::distance($print, $other));
            self::assertSame(Fingerprint::distance($print, $other), Fingerprint::distance($other, $print));
            self::assertNotSame([], array_intersect(Fingerprint::bands($print), Fingerprint::bands($other)));
        });
    }

    #[Test]
    public function the_distance_counts_bits_that_differ_the_highest_included(): void
    {
        self::assertSame(0, Fingerprint::distance(-1, -1));
        self::assertSame(64, Fingerprint::distance(0, -1));
        self::assertSame(1, Fingerprint::distance(0, PHP_INT_MIN));
        self::assertSame(2, Fingerprint::distance(0b1010, 0b0000));
        self::assertCount(4, Fingerprint::bands(-1));
        self::assertSame(['0:ffff', '1:ffff', '2:ffff', '3:ffff'], Fingerprint::bands(-1));
    }

    #[Test]
    public function a_long_text_with_one_word_changed_is_nearly_the_same(): void
    {
        $this->limitTo(40);
        $this->forAll(Generators::choose(0, 1_000_000), Generators::choose(0, 799))->then(function (int $seed, int $at): void {
            mt_srand($seed);
            $words = array_map(static fn (): string => 'word'.mt_rand(0, 400), range(0, 799));
            $text = implode(' ', $words);
            $words[$at] = 'changed';
            self::assertLessThanOrEqual(8, Fingerprint::distance(Fingerprint::of($text), Fingerprint::of(implode(' ', $words))));
            self::assertSame(Fingerprint::of($text), Fingerprint::of("  $text\n"), 'White space says nothing.');
        });
    }

    #[Test]
    public function a_text_has_a_fingerprint_from_forty_words_on(): void
    {
        $words = static fn (int $n): string => implode(' ', array_map(static fn (int $word): string => "word$word", range(1, $n)));
        self::assertSame(0, Fingerprint::of($words(Fingerprint::MIN_WORDS - 1)));
        self::assertNotSame(0, Fingerprint::of($words(Fingerprint::MIN_WORDS)));
    }

    /** @return iterable<string, array{string, string, string}> language, and two forms of a word */
    public static function forms(): iterable
    {
        yield 'English plural' => ['en-GB', 'ferries', 'ferry'];
        yield 'English verb' => ['en', 'sailing', 'sailed'];
        yield 'German plural' => ['de', 'Fähren', 'Fähre'];
        yield 'French plural' => ['fr', 'bateaux', 'bateaux'];
        yield 'Spanish plural' => ['es', 'barcos', 'barco'];
        yield 'Italian plural' => ['it', 'traghetti', 'traghetto'];
        yield 'Dutch plural' => ['nl', 'boten', 'boten'];
        yield 'Danish form' => ['da', 'færgerne', 'færger'];
        yield 'a language that is not known' => ['fi', 'Lautta', 'lautta'];
    }

    #[Test, DataProvider('forms')]
    public function forms_of_a_word_have_one_stem(string $language, string $one, string $other): void
    {
        self::assertSame(Stem::of(mb_strtolower($one), $language), Stem::of(mb_strtolower($other), $language));
        self::assertGreaterThanOrEqual(3, mb_strlen(Stem::of(mb_strtolower($one), $language)), 'Three letters stay.');
    }

    #[Test]
    public function filler_is_no_word_of_a_phrase_and_order_counts(): void
    {
        self::assertSame(['ferr', 'ullin'], Stem::ofWords('The ferry to Ullin', 'en'));
        self::assertTrue(Stem::contains('Take a ferry to the Ullin pier', 'ferry to Ullin', 'en'));
        self::assertFalse(Stem::contains('Ullin has no ferry', 'ferry to Ullin', 'en'));
        self::assertSame(0, Stem::count('anything', 'of the', 'en'), 'Filler alone is nowhere.');
        self::assertSame([], StopWords::of('fi'));
        self::assertContains('the', StopWords::of('en-GB'));
    }

    #[Test]
    public function reading_ease_stays_between_nothing_and_a_hundred_and_falls_with_longer_sentences(): void
    {
        $short = 'The boat goes. The dog sleeps. We eat.';
        $long = 'The boat goes and the dog sleeps and we eat and nobody says anything about the weather until it is over.';
        foreach (['en', 'de', 'fr', 'es', 'it', 'nl'] as $language) {
            $ease = (float) ReadingEase::of($short, $language);
            self::assertGreaterThan((float) ReadingEase::of($long, $language), $ease + 1e-9, $language);
            self::assertTrue($ease >= 0 && $ease <= 100);
        }
        self::assertNull(ReadingEase::of('', 'en'));
        self::assertNull(ReadingEase::of('…', 'en'));
    }
}
