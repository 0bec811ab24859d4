<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\Replace\Found;
use Heronstem\Core\Content\Replace\ReplacedDocument;
use Heronstem\Core\Content\Replace\Replacement;
use Heronstem\Core\Content\Replace\Way;
use Heronstem\Core\InputRefused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ReplacementTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, string, Way, bool, string, string}> find, with, way, capitals, text, what becomes of it */
    public static function replaced(): iterable
    {
        yield 'plain, whatever the capitals' => ['curlew', 'Kittiwake', Way::Plain, false, 'The CURLEW, the Curlew', 'The Kittiwake, the Kittiwake'];
        yield 'plain, capitals told apart' => ['Curlew', 'Kittiwake', Way::Plain, true, 'curlew Curlew', 'curlew Kittiwake'];
        yield 'a dot is a dot' => ['1.5', '2.0', Way::Plain, false, '1.5 and 105', '2.0 and 105'];
        yield 'a dollar is a dollar' => ['a', '$1', Way::Plain, false, 'a', '$1'];
        yield 'whole words' => ['orm', 'Orm Isle', Way::Words, false, 'Orm storm Orms orm.', 'Orm Isle storm Orms Orm Isle.'];
        yield 'whole words with marks on letters' => ['ö', 'o', Way::Words, false, 'ö öl', 'o öl'];
        yield 'a pattern with groups' => ['(\d{1,2})\.(\d\d)', '$1:$2', Way::Pattern, false, 'at 6.40 and 22.15', 'at 6:40 and 22:15'];
        yield 'a group in braces before digits' => ['(a)', '${1}1', Way::Pattern, false, 'a', 'a1'];
        yield 'a group that took no part' => ['a(b)?', '[$1]', Way::Pattern, false, 'ab a', '[b] []'];
        yield 'a dollar in a pattern' => ['£', '$$', Way::Pattern, false, '£5', '$5'];
        yield 'what stands between tildes' => ['~a~', 'b', Way::Pattern, false, '~a~', 'b'];
        yield 'nothing between signs is no place' => ['x*', '-', Way::Pattern, false, 'axb', 'a-b'];
        yield 'what stays as it is is no place' => ['a', 'a', Way::Plain, true, 'aa', 'aa'];
        yield 'signs of several bytes' => ['日', '月', Way::Plain, false, '日本日', '月本月'];
    }

    #[Test]
    #[DataProvider('replaced')]
    public function texts_are_replaced_as_they_are_written(string $find, string $with, Way $way, bool $case, string $text, string $becomes): void
    {
        self::assertSame($becomes, Replacement::made($text, Replacement::of($find, $with, $way, $case)->in($text)));
    }

    /** @return iterable<string, array{string, string, string, string}> find, with, the field that is named, part of the reason */
    public static function refused(): iterable
    {
        yield 'nothing' => ['', 'x', 'find', 'Say what to look for'];
        yield 'no pattern' => ['a(b', 'x', 'find', 'missing closing parenthesis'];
        yield 'a group that is not there' => ['(a)', '$2', 'with', 'has 1 groups, and no $2'];
        yield 'a pattern without groups' => ['a', '$1', 'with', 'has no groups'];
        yield 'half signs' => ['a\Cb', 'x', 'find', 'not supported'];
        yield 'more than fits' => [str_repeat('a', 501), 'x', 'find', 'At most 500'];
        yield 'signs that no text has' => ["a\0", 'x', 'find', 'no text has'];
    }

    #[Test]
    #[DataProvider('refused')]
    public function what_cannot_be_looked_for_is_refused_with_the_reason(string $find, string $with, string $field, string $reason): void
    {
        try {
            Replacement::of($find, $with, Way::Pattern, false);
            self::fail('It was taken.');
        } catch (InputRefused $refused) {
            self::assertSame($field, $refused->field);
            self::assertStringContainsString($reason, $refused->reason);
        }
    }

    #[Test]
    public function looking_ends_whatever_the_pattern(): void
    {
        $this->expectException(InputRefused::class);
        $this->expectExceptionMessage('can match in too many ways');
        Replacement::of('(a+)+$', '', Way::Pattern, false)->in(str_repeat('a', 60).'!');
    }

    #[Test]
    public function a_phrase_is_found_across_marks_and_takes_those_of_where_it_begins(): void
    {
        $bold = ['marks' => [['type' => 'bold']]];
        $link = ['marks' => [['type' => 'link', 'attrs' => ['href' => 'https://curlew.example/', 'title' => 'The Curlew']]]];
        $document = self::paragraph(
            ['type' => 'text', 'text' => 'The Cur'],
            ['type' => 'text', 'text' => 'lew sails'] + $bold,
            ['type' => 'hardBreak'],
            ['type' => 'text', 'text' => 'our '],
            ['type' => 'text', 'text' => 'Curlew'] + $link,
        );
        [$changed, $found] = ReplacedDocument::of($document, Replacement::of('curlew', 'Kittiwake', Way::Plain, false), static fn (): bool => true);
        self::assertCount(3, $found);
        $link['marks'][0]['attrs']['title'] = 'The Kittiwake';
        self::assertEquals(
            self::paragraph(
                ['type' => 'text', 'text' => 'The Kittiwake'],
                ['type' => 'text', 'text' => ' sails'] + $bold,
                ['type' => 'hardBreak'],
                ['type' => 'text', 'text' => 'our '],
                ['type' => 'text', 'text' => 'Kittiwake'] + $link,
            ),
            $changed,
        );
    }

    #[Test]
    public function addresses_and_structure_stay_and_what_is_not_taken_stays_as_well(): void
    {
        $words = ['boats', '1', 'x', 'the', 'a', 'o', 'https', 'l’été', 'é'];
        $this->limitTo(300)
            ->forAll(Generators::choose(1, 1_000_000), Generators::elements(...$words), Generators::choose(1, 5))
            ->then(static function (int $seed, string $find, int $each): void {
                $document = RandomDocument::of($seed);
                $replacement = Replacement::of($find, '(Z)', Way::Plain, true);
                [$all, $found] = ReplacedDocument::of($document, $replacement, static fn (): bool => true);
                self::assertSame(
                    [$document->hrefs(), $document->linkedPages(true), $document->files()],
                    [$all->hrefs(), $all->linkedPages(true), $all->files()],
                );
                self::assertSame(self::shape($document), self::shape($all));
                self::assertSame(count($found), substr_count(self::json($all), '(Z)') - substr_count(self::json($document), '(Z)'));
                [$none] = ReplacedDocument::of($document, $replacement, static fn (): bool => false);
                self::assertSame(self::json($document), self::json($none));
                [$some] = ReplacedDocument::of($document, $replacement, static fn (int $n): bool => $n % $each === 0);
                self::assertSame(
                    (int) ceil(count($found) / $each),
                    substr_count(self::json($some), '(Z)') - substr_count(self::json($document), '(Z)'),
                );
            });
    }

    #[Test]
    public function a_text_replaced_and_replaced_back_is_as_it_was(): void
    {
        $this->forAll(Generators::string(), Generators::elements('boat', 'a', '.', '日'))->then(static function (string $text, string $find): void {
            $text = mb_scrub($text).$find;
            $there = Replacement::of($find, "\u{E000}", Way::Plain, true);
            $back = Replacement::of("\u{E000}", $find, Way::Plain, true);
            if (! str_contains($text, "\u{E000}")) {
                $made = Replacement::made($text, $there->in($text));
                self::assertStringNotContainsString($find, $made);
                self::assertSame($text, Replacement::made($made, $back->in($made)));
            }
            $found = $there->in($text);
            self::assertSame(
                $text,
                Replacement::made($text, array_map(static fn (Found $each): Found => new Found($each->start, $each->is, $each->is), $found)),
            );
        });
    }

    /** @param  array<string, mixed>  ...$pieces */
    private static function paragraph(array ...$pieces): Document
    {
        return Document::read(['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => array_values($pieces)]]]);
    }

    private static function json(Document $document): string
    {
        return json_encode($document->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /** @return list<string> the kinds of its blocks, in order */
    private static function shape(Document $document): array
    {
        $types = [];
        $blocks = $document->blocks;
        array_walk_recursive($blocks, static function (mixed $value, int|string $key) use (&$types): void {
            if (
                $key === 'type' &&
                ! in_array($value, ['text', 'hardBreak', 'link', 'bold', 'italic', 'code', 'superscript', 'subscript', 'style'], true)
            ) {
                $types[] = (string) $value;
            }
        });

        return $types;
    }
}
