<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Content\ComparedRow;
use Heronstem\Core\Content\Comparison;
use Heronstem\Core\Content\Document;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ComparisonTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function blocks_that_are_alike_stand_beside_each_other_and_words_that_differ_are_marked(): void
    {
        $rows = Comparison::of(
            $this->words('Boats sail daily.', 'Dogs pay half.', 'The end.'),
            $this->words('Boats sail daily.', 'Dogs sail free.', 'A new line.', 'The end.'),
        );
        self::assertSame(['same', 'changed', 'right-only', 'same'], array_column($rows, 'kind'));
        self::assertSame(
            [
                ['text' => 'Dogs ', 'marked' => false],
                ['text' => 'pay', 'marked' => true],
                ['text' => ' ', 'marked' => false],
                ['text' => 'half.', 'marked' => true],
            ],
            $rows[1]->left['pieces'] ?? null,
        );
        self::assertSame([['text' => 'A new line.', 'marked' => true]], $rows[2]->right['pieces'] ?? null);
        self::assertNull($rows[2]->left);
    }

    #[Test]
    public function list_items_and_pictures_are_compared_one_by_one(): void
    {
        $list = static fn (string ...$items): array => [
            'type' => 'bulletList',
            'content' => array_map(
                static fn (string $item): array => [
                    'type' => 'listItem',
                    'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $item]]]],
                ],
                $items,
            ),
        ];
        $left = Document::read(['type' => 'doc', 'content' => [$list('one', 'two')]]);
        $right = Document::read(['type' => 'doc', 'content' => [$list('one', 'two', 'three')]]);
        self::assertSame(['same', 'same', 'right-only'], array_column(Comparison::of($left, $right), 'kind'));
        self::assertSame('bulletList', Comparison::of($left, $right)[2]->right['type'] ?? null);
    }

    #[Test]
    public function what_is_not_marked_is_the_same_on_both_sides_and_nothing_is_lost(): void
    {
        $texts = Generators::seq(Generators::elements(['a b c', 'a c', 'x', 'b c d e', 'a  b']));
        $this->limitTo(200)
            ->forAll($texts, $texts)
            ->then(function (array $left, array $right): void {
                $rows = Comparison::of($this->words(...$left), $this->words(...$right));
                self::assertSame($left, $this->side($rows, 'left'));
                self::assertSame($right, $this->side($rows, 'right'));
                foreach ($rows as $row) {
                    self::assertSame($this->plain($row->left), $this->plain($row->right));
                }
            });
    }

    /**
     * @param  list<ComparedRow>  $rows
     * @return list<string>
     */
    private function side(array $rows, string $side): array
    {
        return array_values(
            array_map(
                static fn (ComparedRow $row): string => implode('', array_column($row->$side['pieces'], 'text')),
                array_filter($rows, static fn (ComparedRow $row): bool => $row->$side !== null),
            ),
        );
    }

    /** @param  array{type: string, pieces: list<array{text: string, marked: bool}>}|null  $block */
    private function plain(?array $block): string
    {
        return implode('', array_column(array_filter($block['pieces'] ?? [], static fn (array $piece): bool => ! $piece['marked']), 'text'));
    }

    private function words(string ...$paragraphs): Document
    {
        return Document::read([
            'type' => 'doc',
            'content' => array_map(
                static fn (string $text): array => ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text]]],
                $paragraphs,
            ),
        ]);
    }

    #[Test]
    public function thousands_of_blocks_are_compared_and_what_they_have_in_common_is_found(): void
    {
        $left = array_map(static fn (int $n): string => "Block $n", range(1, 4000));
        $right = array_values(array_filter($left, static fn (string $text, int $n): bool => $n % 10 !== 0, ARRAY_FILTER_USE_BOTH));
        array_splice($right, 2000, 0, ['Something new']);
        $rows = Comparison::of($this->words(...$left), $this->words(...$right));
        self::assertSame($left, $this->side($rows, 'left'));
        self::assertSame($right, $this->side($rows, 'right'));
        self::assertSame(3600, count(array_filter($rows, static fn (ComparedRow $row): bool => $row->kind === 'same')));
    }
}
