<?php

declare(strict_types=1);

namespace Tests\Core\Tree;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Search\SiteSearch;
use Heronstem\Core\Tree\Caching;
use Heronstem\Core\Tree\Code;
use Heronstem\Core\Tree\FieldValues;
use Heronstem\Core\Tree\SearchSettings;
use Heronstem\Core\Tree\Showing;
use Heronstem\Core\Tree\Tags;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What pages say of themselves besides texts: kept as text, read back as it was, and written alike where it is alike. */
final class KeptTextsTest extends TestCase
{
    use TestTrait;

    private const WORDS = ['ferry', 'Ferry', 'été', '0', 'two words', '“quoted”', 'a/b', "it's", '<b>', '漁船'];

    #[Test]
    public function tags_are_kept_each_once_in_one_order_however_they_came(): void
    {
        $words = Generators::seq(Generators::elements(self::WORDS));
        $this->limitTo(300)
            ->forAll($words, $words)
            ->then(function (array $add, array $remove): void {
                $tags = (new Tags())->changed($add, []);
                self::assertEquals($tags, Tags::stored($tags->toText()));
                self::assertSame($tags->toText(), (new Tags())->changed(array_reverse($add), [])->toText(), 'In whatever order they are added.');
                $left = $tags->changed([], $remove);
                foreach (array_unique([...$add, ...$remove]) as $tag) {
                    self::assertSame(in_array($tag, $add, true) && ! in_array($tag, $remove, true), $left->has($tag), $tag);
                }
                self::assertEquals($tags, $tags->changed($add, $add), 'What is added and removed at once is there.');
                self::assertEquals($tags, $left->changed(array_values(array_intersect($add, $remove)), []));
            });
        self::assertNull((new Tags())->toText());
        self::assertEquals(new Tags(), Tags::stored(null));
    }

    #[Test]
    public function a_page_has_no_more_tags_than_are_looked_through(): void
    {
        $many = array_map(static fn (int $n): string => "tag $n", range(1, Tags::MOST));
        $full = (new Tags())->changed($many, []);
        self::assertCount(Tags::MOST, $full->all);
        self::assertEquals($full, $full->changed($many, []));
        self::assertCount(Tags::MOST, $full->changed(['another'], ['tag 1'])->all);
        $this->expectExceptionMessage('at most 30 tags; these would be 31');
        $full->changed(['another'], []);
    }

    #[Test]
    #[TestWith(['', 'at least one character'])]
    #[TestWith(["  \t ", 'at least one character'])]
    #[TestWith(['boats, ferries', 'comma'])]
    #[TestWith(['aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa', 'at most 60 characters; this one has 61'])]
    public function what_is_no_tag_says_why(string $typed, string $reason): void
    {
        $this->expectExceptionMessage($reason);
        Tags::tag($typed, 'add.0');
    }

    #[Test]
    public function a_tag_is_kept_with_its_white_space_folded(): void
    {
        self::assertSame('two words', Tags::tag("  two\n\u{00A0} words ", 'add.0'));
        self::assertSame(60, mb_strlen(Tags::tag(str_repeat('é', 60), 'add.0')));
    }

    #[Test]
    public function how_a_page_is_shown_is_kept_and_what_is_not_given_stays(): void
    {
        $pictures = Generators::elements([null, '01JZZZZZZZZZZZZZZZZZZZZZZ1']);
        $reloads = Generators::elements([null, 1, 5, Showing::MOST_MINUTES]);
        $cachings = Generators::elements([null, Caching::OFF, Caching::STANDARD, Caching::LONG, 60, Caching::MOST]);
        $this->limitTo(200)
            ->forAll($pictures, $reloads, $cachings)
            ->then(function (?string $picture, ?int $reload, string|int|null $caching): void {
                $set = (new Showing())->changed(['picture' => $picture, 'reload' => $reload, 'caching' => $caching]);
                self::assertEquals($set, Showing::stored($set->toText()));
                self::assertEquals($set, $set->changed([]));
                self::assertSame($picture === null && $reload === null && $caching === null, $set->toText() === null);
                self::assertSame($reload, $set->changed(['picture' => null])->reload);
                self::assertSame($caching, $set->changed(['reload' => null])->caching?->toValue());
            });
    }

    #[Test]
    #[TestWith([['reload' => 0], 'reload'])]
    #[TestWith([['reload' => 1441], 'reload'])]
    #[TestWith([['reload' => 5.0], 'reload'])]
    #[TestWith([['reload' => '5'], 'reload'])]
    #[TestWith([['picture' => 5], 'picture'])]
    #[TestWith([['caching' => 0], 'caching'])]
    #[TestWith([['caching' => 604_801], 'caching'])]
    #[TestWith([['caching' => 'sometimes'], 'caching'])]
    #[TestWith([['caching' => true], 'caching'])]
    #[TestWith([['caching' => ['off']], 'caching'])]
    public function how_a_page_cannot_be_shown_is_refused_by_its_field(array $given, string $field): void
    {
        try {
            (new Showing())->changed($given);
            self::fail('It was taken.');
        } catch (InputRefused $refused) {
            self::assertSame($field, $refused->field);
        }
    }

    #[Test]
    public function code_is_kept_as_it_was_written(): void
    {
        $texts = Generators::elements(['', 'p {}', '0', "a\nb", '<meta name="a" content="b">', '\\', '{"a":1}', '漁']);
        $this->limitTo(100)
            ->forAll($texts, $texts)
            ->then(function (string $styles, string $head): void {
                $code = new Code($styles, $head);
                self::assertEquals($code, Code::stored($code->toText()));
                self::assertSame($code->isBlank(), $code->toText() === null);
            });
    }

    #[Test]
    public function a_nought_is_a_word_like_any_other(): void
    {
        $search = SearchSettings::stored((new SearchSettings(targetPhrase: '0', siteSearchDescription: '0'))->toText());

        self::assertSame(['0', '0'], [$search->targetPhrase, $search->siteSearchDescription]);
        self::assertSame('0', SiteSearch::stored((new SiteSearch(robots: '0'))->toText())->robots);
    }

    #[Test]
    public function fields_go_to_another_layout_and_back_and_nothing_is_lost(): void
    {
        $fields = Generators::associative([
            'a' => Generators::elements([null, 'x', '0', false]),
            'b' => Generators::elements([null, 1, ['page' => 'P']]),
            'c' => Generators::elements([null, [['d' => ['file' => 'F']]]]),
        ]);
        $this->limitTo(200)
            ->forAll($fields, Generators::subset(['a', 'b', 'c']))
            ->then(function (array $given, array $fitting): void {
                $values = (new FieldValues())->with($given);
                self::assertEquals($values, FieldValues::stored($values->toText()));
                $away = $values->relaid('page', 'crossing', static fn (string $field): bool => in_array($field, $fitting, true));
                self::assertSame([], array_diff(array_keys($away->values), $fitting));
                self::assertEquals($values->files(), $away->files(), 'Files that are kept aside are used all the same.');
                $back = FieldValues::stored($away->toText())->relaid('crossing', 'page', static fn (): bool => true);
                self::assertSame($values->toText(), $back->toText());
            });
    }

    #[Test]
    public function what_is_alike_is_written_alike(): void
    {
        $one = (new FieldValues())->with(['b' => ['y' => 1, 'x' => 2], 'a' => 'z']);
        $other = (new FieldValues())->with(['a' => 'z', 'b' => ['x' => 2, 'y' => 1]]);

        self::assertSame($one->toText(), $other->toText());
        self::assertSame(['P'], (new FieldValues())->with(['links' => [['page' => 'P'], ['page' => 'P'], ['page' => 5]]])->pages());
        self::assertSame('{}', (new FieldValues())->toText());
    }
}
