<?php

declare(strict_types=1);

namespace Tests\Core\Tree;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Tree\FieldValues;
use Heronstem\Core\Tree\PageTexts;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class FieldValuesTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function what_is_set_to_nothing_goes_and_everything_else_stays(): void
    {
        $values = (new FieldValues(['a' => 1, 'b' => [2]], ['boat' => ['c' => 3]]))->with(['a' => null, 'd' => false]);
        self::assertSame(['b' => [2], 'd' => false], $values->values);
        self::assertSame(['boat' => ['c' => 3]], $values->kept);
        self::assertTrue((new FieldValues())->isBlank());
        self::assertFalse((new FieldValues([], ['boat' => ['c' => 3]]))->isBlank());
    }

    #[Test]
    public function pages_and_files_are_found_wherever_they_are_named(): void
    {
        $values = new FieldValues(
            ['from' => ['page' => 'P1'], 'pictures' => [['picture' => ['file' => 'F1', 'alt' => 'page']], ['picture' => ['file' => 'F2']]]],
            ['boat' => ['sails' => ['page' => 'P2'], 'plan' => ['file' => 'F3']]],
        );
        self::assertSame(['P1'], $values->pages(), 'What is kept for another layout leads nowhere.');
        self::assertSame(['F1', 'F2', 'F3'], $values->files(), 'What is kept may come back.');
    }

    #[Test]
    public function equal_values_are_written_alike_whatever_their_order(): void
    {
        $value = Generators::oneOf(Generators::choose(-9, 9), Generators::elements('a', 'ä', '"', '', '{}'), Generators::constant(true));
        $this->forAll(
            Generators::map(static fn (array $keys): array => $keys, Generators::seq(Generators::elements('a', 'b', 'c', 'd'))),
            Generators::seq($value),
        )->then(static function (array $keys, array $some): void {
            $values = [];
            foreach ($keys as $i => $key) {
                $values[$key] = ['list' => $some, 'one' => $some[$i % max(1, count($some))] ?? 0];
            }
            $reversed = array_map(static fn (array $each): array => array_reverse($each, true), array_reverse($values, true));
            $text = (new FieldValues($values))->toText();
            self::assertSame($text, (new FieldValues($reversed))->toText());
            self::assertSame($text, FieldValues::stored($text)->toText());
            self::assertEquals($values, FieldValues::stored($text)->values);
        });
    }

    #[Test]
    public function they_travel_with_the_texts_of_a_page(): void
    {
        $texts = (new PageTexts(summary: 'S'))->withFields(new FieldValues(['takes' => 35]));
        self::assertTrue(PageTexts::stored($texts->toText())->equals($texts));
        self::assertFalse((new PageTexts(summary: 'S'))->equals($texts));
        self::assertSame(35, $texts->changed(['summary' => 'T'], 'N')->fields->values['takes']);
        self::assertSame([], PageTexts::fromArray(['summary' => 'S'])->fields->values);
        self::assertSame('{}', FieldValues::stored(null)->toText());
        self::assertSame('{}', FieldValues::stored('[]')->toText());
    }
}
