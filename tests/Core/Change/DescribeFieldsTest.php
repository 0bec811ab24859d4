<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Change\Describe;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Layout\LayoutReader;
use Heronstem\Core\Content\Layout\Layouts;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\InputRefused;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

final class DescribeFieldsTest extends TestCase
{
    #[Test]
    public function fields_of_the_layout_are_set_and_undone(): void
    {
        $site = self::site();
        $before = $site->snapshot();
        $set = $site->apply(new Describe('Skerra', layout: 'crossing', fields: ['takes' => '35', 'sails' => 'daily']));
        self::assertSame(['takes' => 35, 'sails' => 'daily'], $site->pages['Skerra']->texts->fields->values);
        self::assertSame('crossing', $site->pages['Skerra']->layout);
        $site->undo($set);
        self::assertSame($before, $site->snapshot());
    }

    #[Test]
    public function another_layout_says_which_fields_find_no_place_and_keeps_them(): void
    {
        $site = self::site();
        $site->apply(new Describe('Skerra', layout: 'crossing', fields: ['takes' => 35, 'sails' => 'daily']));
        $ripple = $site->apply(new Describe('Skerra', layout: 'boat'));
        $notes = array_filter($ripple->toDecide->notes, static fn (Note $note): bool => $note->kind === NoteKind::FieldsKept);
        self::assertSame(['Takes'], array_values(array_map(static fn (Note $note): ?string => $note->other, $notes)));
        self::assertSame(['sails' => 'daily'], $site->pages['Skerra']->texts->fields->values);
        $site->apply(new Describe('Skerra', layout: 'crossing'));
        self::assertEquals(['takes' => 35, 'sails' => 'daily'], $site->pages['Skerra']->texts->fields->values);
    }

    #[Test]
    public function a_layout_that_is_not_there_and_a_field_it_does_not_have_are_refused(): void
    {
        $refused = [];
        foreach ([new Describe('Skerra', layout: 'poster'), new Describe('Skerra', fields: ['takes' => 1])] as $change) {
            try {
                self::site()->plan($change);
            } catch (InputRefused $no) {
                $refused[] = $no->field;
            }
        }
        self::assertSame(['changes.0.layout', 'changes.0.fields.takes'], $refused);
    }

    private static function site(): MemorySite
    {
        $site = new MemorySite();
        $sails = '"sails": {"$ref": "urn:heronstem:field:text", "title": "Sails"}';
        $takes = '"takes": {"$ref": "urn:heronstem:field:number", "title": "Takes"}';
        $site->layouts = new Layouts([
            new Layout('page', 'Content', 'Content alone.'),
            LayoutReader::read('crossing', "{\"title\": \"Crossing\", \"description\": \"D\", \"properties\": {{$takes}, $sails}}"),
            LayoutReader::read('boat', "{\"title\": \"Boat\", \"description\": \"D\", \"properties\": {{$sails}}}"),
        ]);
        $site->live('Skerra');

        return $site;
    }
}
