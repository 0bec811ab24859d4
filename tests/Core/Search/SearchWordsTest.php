<?php

declare(strict_types=1);

namespace Tests\Core\Search;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Search\MarkedText;
use Heronstem\Core\Search\NearestWord;
use Heronstem\Core\Search\SearchText;
use Heronstem\Core\Search\SearchWords;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\SearchSettings;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** What visitors type into the site's own search, and what is read of pages for it. */
final class SearchWordsTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string, list<string>}> typed, shown, looked for */
    public static function typed(): iterable
    {
        yield 'white space and capitals' => ["  Ferry\t FARES\n ", 'Ferry FARES', ['ferry', 'fares']];
        yield 'a phrase, and one that must not be there' => ['"little orm" -dogs boats', '"little orm" -dogs boats', ['little', 'orm', 'boats']];
        yield 'a phrase that must not be there' => ['boats -"no dogs', 'boats -"no dogs', ['boats']];
        yield 'a hyphen inside a word parts it' => ['e-mail', 'e-mail', ['e', 'mail']];
        yield 'letters of two code points' => ["Ska\u{0308}r", "Sk\u{00E4}r", ["sk\u{00E4}r"]];
        yield 'the same word twice' => ['fares Fares', 'fares Fares', ['fares']];
        yield 'nothing but signs' => ['?! -', '?! -', []];
        yield 'control characters and broken bytes' => ["a\0b\xFFc", 'a b?c', ['a', 'b', 'c']];
    }

    /** @param  list<string>  $words */
    #[Test, DataProvider('typed')]
    public function words_are_taken_out_of_whatever_is_typed(string $typed, string $text, array $words): void
    {
        $read = SearchWords::of($typed);
        self::assertSame([$text, $words, $words === []], [$read->text, $read->words, $read->isEmpty()]);
    }

    #[Test]
    public function anything_is_read_within_bounds_and_reads_the_same_again(): void
    {
        $this->forAll(Generators::string(), Generators::choose(0, 40))->then(static function (string $typed, int $times): void {
            $read = SearchWords::of(str_repeat("$typed ", $times));
            self::assertLessThanOrEqual(SearchWords::MAX_LENGTH, mb_strlen($read->text));
            self::assertLessThanOrEqual(SearchWords::MAX_WORDS, count($read->words));
            self::assertSame([$read->text, $read->words], [SearchWords::of($read->text)->text, SearchWords::of($read->text)->words]);
            self::assertSame($read->key(), SearchWords::of($read->key())->key());
        });
    }

    #[Test]
    public function words_are_exchanged_where_they_stand(): void
    {
        $meant = SearchWords::of('"Timetabel summer" -dogs')->with(['timetabel' => 'timetable', 'dog' => 'cat']);
        self::assertSame('"timetable summer" -dogs', $meant->text);
    }

    /** @return iterable<string, array{string, list<string>, string|null}> */
    public static function slips(): iterable
    {
        yield 'two letters swapped' => ['timetabel', ['timetables', 'timetable'], 'timetable'];
        yield 'a letter too many' => ['ferrry', ['ferry', 'berry'], 'ferry'];
        yield 'a letter missing' => ['vansay', ['vanesay'], 'vanesay'];
        yield 'a short word with two slips is another word' => ['dog', ['cat', 'dug'], 'dug'];
        yield 'nothing near' => ['zeppelin', ['ferry', 'timetable'], null];
        yield 'too short to guess' => ['tt', ['to'], null];
        yield 'the first of two that are as near' => ['farse', ['fares', 'farce'], 'fares'];
        yield 'letters beyond ASCII' => ['øres', ['øren', 'ører'], 'øren'];
    }

    /** @param  list<string>  $candidates */
    #[Test, DataProvider('slips')]
    public function the_word_with_the_fewest_slips_was_meant(string $word, array $candidates, ?string $meant): void
    {
        self::assertSame($meant, NearestWord::of($word, $candidates));
    }

    #[Test]
    public function one_slip_in_a_word_of_four_letters_or_more_is_always_found_again(): void
    {
        $this->forAll(Generators::elements('ferry', 'timetable', 'harbour', 'fares', 'parking'), Generators::choose(0, 3), Generators::choose(0, 8))->then(
            static function (string $word, int $how, int $at): void {
                $at = min($at, strlen($word) - 2);
                $typed = match ($how) {
                    0 => substr_replace($word, '', $at, 1),
                    1 => substr_replace($word, 'q', $at, 0),
                    2 => substr_replace($word, 'q', $at, 1),
                    default => substr_replace($word, $word[$at + 1].$word[$at], $at, 2),
                };
                self::assertSame($word, NearestWord::of($typed, ['island', $word, 'company']));
            },
        );
    }

    #[Test]
    public function pieces_put_together_are_the_text_without_its_marks(): void
    {
        [$on, $off] = MarkedText::MARKS;
        self::assertSame(
            [['text' => 'a ', 'isMarked' => false], ['text' => 'b', 'isMarked' => true], ['text' => ' <c>', 'isMarked' => false]],
            MarkedText::pieces("a {$on}b$off <c>"),
        );
        $this->forAll(Generators::seq(Generators::elements($on, $off, 'x', '<', "\n")))->then(static function (array $signs): void {
            $text = implode('', $signs);
            self::assertSame(MarkedText::unmarked($text), implode('', array_column(MarkedText::pieces($text), 'text')));
        });
    }

    #[Test]
    public function names_headings_description_and_text_of_a_page_are_told_apart_and_bounded(): void
    {
        $site = new MemorySite();
        $site->live('Fares');
        $page = $site->pages['Fares']->with(['search' => (new SearchSettings())->changed(['siteSearchDescription' => 'What it costs.'])]);
        $content = Document::read([
            'type' => 'doc',
            'content' => [
                ['type' => 'heading', 'attrs' => ['level' => 2], 'content' => [['type' => 'text', 'text' => 'Cars']]],
                ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => "A car of 2024 sails for 31.\u{E000}"]]],
            ],
        ]);
        $read = SearchText::of($page, new PageTexts(heading: 'Ferry fares', summary: 'Prices.'), $content);
        self::assertSame(["Fares\nFerry fares", 'Cars', 'What it costs.', "Prices.\nA car of 2024 sails for 31."], [
            $read->names,
            $read->headings,
            $read->description,
            $read->body,
        ]);
        self::assertSame(['fares', 'ferry', 'cars', 'what', 'costs', 'prices', 'car', 'sails', 'for'], $read->words(), 'Numbers and words of one or two letters are not guessed at.');
        $long = SearchText::of($page, new PageTexts(summary: str_repeat('äö ', 200_000)), $content);
        self::assertLessThanOrEqual(SearchText::MAX_BYTES, strlen($long->body));
        self::assertTrue(mb_check_encoding($long->body, 'UTF-8'));
    }
}
