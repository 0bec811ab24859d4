<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\RenameTag;
use Heronstem\Core\Change\Tag;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Showing;
use Heronstem\Core\Tree\Tags;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

final class TagTest extends TestCase
{
    use TestTrait;

    private MemorySite $site;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        foreach (['Skerra', 'Ullin', 'Vanesay'] as $page) {
            $this->site->live($page);
        }
        $this->site->draft('Old');
    }

    #[Test]
    public function pages_get_tags_and_lose_them_and_it_is_undone(): void
    {
        $this->site->apply(new Tag('Skerra', ['islands', 'walking']));
        $before = $this->site->snapshot();
        $done = $this->site->apply(new Tag('Skerra', ['winter'], ['walking', 'never there']));
        self::assertSame(['islands', 'winter'], $this->site->pages['Skerra']->tags->all);
        $this->site->undo($done);
        self::assertSame($before, $this->site->snapshot());
        $this->expectException(InputRefused::class);
        $this->site->plan(new Tag('Skerra', ['islands'], []));
    }

    #[Test]
    public function a_tag_is_renamed_on_every_page_and_two_become_one(): void
    {
        $this->site->apply(new Tag('Skerra', ['isle', 'walking']), new Tag('Ullin', ['isle', 'island']), new Tag('Old', ['isle']));
        $this->site->apply(new PutInBin('Old'));
        $before = $this->site->snapshot();
        $done = $this->site->apply(new RenameTag('isle', 'island'));
        self::assertSame(
            [['island', 'walking'], ['island'], ['isle']],
            array_map(fn (string $page): array => $this->site->pages[$page]->tags->all, ['Skerra', 'Ullin', 'Old']),
        );
        $this->site->undo($done);
        self::assertSame($before, $this->site->snapshot());
        $this->site->apply(new RenameTag('isle', null));
        self::assertSame(['island'], $this->site->pages['Ullin']->tags->all);
        $this->expectException(InputRefused::class);
        $this->site->plan(new RenameTag('isle', 'island'));
    }

    #[Test]
    public function a_tag_that_the_same_batch_gives_is_renamed_as_well(): void
    {
        $this->site->apply(new Tag('Skerra', ['isle']), new RenameTag('isle', 'island'));
        self::assertSame(['island'], $this->site->pages['Skerra']->tags->all);
    }

    #[Test]
    public function tags_are_a_set_that_reads_back_the_same(): void
    {
        $tags = Generators::seq(Generators::elements(['a', 'b', 'c', 'Ü', '10', '9']));
        $this->forAll($tags, $tags, $tags)->then(function (array $has, array $add, array $remove): void {
            $tags = (new Tags())->changed($has, [])->changed($add, $remove);
            $expected = array_unique([...array_diff($has, $remove), ...$add]);
            self::assertEqualsCanonicalizing(array_values($expected), $tags->all);
            self::assertSame($tags->all, Tags::stored($tags->toText())->all);
            self::assertSame($tags->all, $tags->changed($add, array_diff($remove, $add))->all);
        });
    }

    /** @return iterable<string, array{string}> */
    public static function noTags(): iterable
    {
        yield 'nothing' => [" \n"];
        yield 'two' => ['a, b'];
        yield 'too long' => [str_repeat('é', 61)];
    }

    #[Test, DataProvider('noTags')]
    public function what_is_no_tag_is_refused(string $given): void
    {
        $this->expectException(InputRefused::class);
        Tags::tag($given, 'add.0');
    }

    #[Test]
    public function a_page_has_so_many_tags_and_no_more(): void
    {
        $this->expectException(InputRefused::class);
        (new Tags())->changed(array_map(strval(...), range(1, Tags::MOST + 1)), []);
    }

    #[Test]
    public function the_small_picture_and_the_minutes_are_set_one_by_one_and_read_back(): void
    {
        $this->site->apply(new Describe('Skerra', showing: ['reload' => 10]));
        $done = $this->site->apply(new Describe('Skerra', showing: ['picture' => 'P']));
        self::assertEquals(new Showing('P', 10), $this->site->pages['Skerra']->showing);
        self::assertEquals(new Showing('P', 10), Showing::stored($this->site->pages['Skerra']->showing->toText()));
        $this->site->undo($done);
        self::assertEquals(new Showing(null, 10), $this->site->pages['Skerra']->showing);
        foreach ([0, 1441, 2.5, '10'] as $reload) {
            try {
                $this->site->plan(new Describe('Skerra', showing: ['reload' => $reload]));
                self::fail('This was taken: '.json_encode($reload));
            } catch (InputRefused $no) {
                self::assertSame('changes.0.reload', $no->field);
            }
        }
    }
}
