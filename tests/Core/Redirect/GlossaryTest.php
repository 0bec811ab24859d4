<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Redirect\Matching\Candidate;
use Heronstem\Core\Redirect\Matching\Glossary;
use Heronstem\Core\Redirect\Matching\Matcher;
use Heronstem\Core\Redirect\Matching\OldPage;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class GlossaryTest extends TestCase
{
    #[Test]
    public function words_are_read_as_they_are_compared(): void
    {
        self::assertSame([], Glossary::read("\n# Short forms of the old site\n"));
        self::assertEquals(
            ['tt' => ['timetabl' => 0.95], 'lundefuggel' => ['puffin' => 0.95, 'bird' => 0.95]],
            Glossary::read("tt = Timetables\r\n  Lundefuggel=puffins, birds"),
        );
    }

    /** @return iterable<array{string, string}> */
    public static function unreadable(): iterable
    {
        yield 'nothing it stands for' => ["tt = timetables\nhavn", 'Line 2'];
        yield 'words that say nothing' => ['the = index', 'Line 1'];
        yield 'too many' => [str_repeat("tt = timetables\n", Glossary::MAX_LINES + 1), 'At most 500'];
    }

    #[Test, DataProvider('unreadable')]
    public function what_cannot_be_read_is_named(string $text, string $said): void
    {
        try {
            Glossary::read($text);
            self::fail('It was taken.');
        } catch (InputRefused $refused) {
            self::assertSame('glossary', $refused->field);
            self::assertStringContainsString($said, $refused->reason);
        }
    }

    #[Test]
    public function a_word_that_was_written_down_finds_the_page_that_it_stands_for(): void
    {
        $matcher = new Matcher([
            new Candidate('P', 'Puffins', '/puffins'),
            new Candidate('S', 'Seals', '/seals'),
            new Candidate('F', 'Fares', '/fares'),
        ]);
        $old = [new OldPage('/xylor.html'), new OldPage('/brannick.html')];
        self::assertNull($matcher->matchAll($old)[0]->page);
        $found = $matcher->matchAll($old, [], Glossary::read('xylor = puffin'));
        self::assertSame(['P', null], [$found[0]->page?->id, $found[1]->page?->id]);
        // Rows that were settled teach besides, and take nothing of it back.
        self::assertSame('P', $matcher->matchAll($old, ['/brannick.html' => 'S'], Glossary::read('xylor = puffin'))[0]->page?->id);
    }
}
