<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Change\ChangeInput;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\FoundPlace;
use Heronstem\Core\Change\NothingToChange;
use Heronstem\Core\Change\ReplacedMenu;
use Heronstem\Core\Change\ReplacedPage;
use Heronstem\Core\Change\ReplaceText;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Layout\LayoutReader;
use Heronstem\Core\Content\Layout\Layouts;
use Heronstem\Core\Content\Replace\Part;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\PageTexts;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

final class ReplaceTextTest extends TestCase
{
    #[Test]
    public function names_and_texts_are_replaced_slugs_of_drafts_follow_and_all_of_it_is_undone(): void
    {
        $site = new MemorySite();
        $site->live('Curlew');
        $site->draft('Curlew days', 'Curlew');
        $site->apply(new Describe('Curlew', ['summary' => 'The Curlew sails.', 'searchTitle' => 'curlew']));
        $before = $site->snapshot();
        $done = $site->apply($this->change($site, ['find' => 'curlew', 'with' => 'Kittiwake']));
        self::assertSame(['Kittiwake', 'curlew'], [$site->pages['Curlew']->name, $site->pages['Curlew']->slug->text], 'Visitors know the address.');
        self::assertSame('kittiwake-days', $site->pages['Curlew days']->slug->text);
        self::assertSame('The Kittiwake sails.', $site->pages['Curlew']->texts->summary);
        self::assertSame('Kittiwake', $site->pages['Curlew']->texts->searchTitle);
        $site->undo($done);
        self::assertSame($before, $site->snapshot());
    }

    #[Test]
    public function what_waits_to_be_published_is_replaced_apart_from_what_visitors_get(): void
    {
        $site = new MemorySite();
        $site->live('Boats');
        $page = $site->pages['Boats'];
        $site->pages['Boats'] = $page->with(['texts' => new PageTexts(summary: 'One curlew'), 'prepared' => new PageTexts(summary: 'Two curlews')]);
        $all = $this->looked($site, ['find' => 'curlew', 'with' => 'gull', 'parts' => ['summaries']]);
        self::assertSame(['Boats/summary/0', 'Boats/summary/live/0'], array_column($all->places, 'key'));
        self::assertSame([false, true], array_column($all->places, 'isLive'));
        $site->apply($this->change($site, ['find' => 'curlew', 'with' => 'gull', 'skip' => ['Boats/summary/live/0']]));
        self::assertSame(['One curlew', 'Two gulls'], [$site->pages['Boats']->texts->summary, $site->pages['Boats']->prepared?->summary]);
        // Where both say the same afterwards, nothing waits any more.
        $site->apply($this->change($site, ['find' => '(One|Two) (curlew|gulls)', 'with' => 'Birds', 'way' => 'pattern']));
        self::assertNull($site->pages['Boats']->prepared);
    }

    #[Test]
    public function fields_are_replaced_by_their_layout_and_nothing_else_of_them(): void
    {
        $site = new MemorySite();
        $site->layouts = new Layouts([self::crossing()]);
        $site->live('Skerra');
        $site->apply(
            new Describe(
                'Skerra',
                layout: 'crossing',
                fields: ['sails' => 'the curlew', 'kind' => 'curlew', 'fares' => [['name' => 'Curlew card', 'price' => '4']]],
            ),
        );
        $found = $this->looked($site, ['find' => 'curlew', 'with' => 'gull', 'parts' => ['fields']]);
        self::assertSame(['fields.sails', 'fields.fares.0.name'], array_column($found->places, 'where'));
        $site->apply($this->change($site, ['find' => 'curlew', 'with' => 'gull']));
        self::assertEquals(
            ['sails' => 'the gull', 'kind' => 'curlew', 'fares' => [['name' => 'gull card', 'price' => '4.00']]],
            $site->pages['Skerra']->texts->fields->values,
        );
    }

    #[Test]
    public function content_is_looked_through_as_saved_and_as_visitors_get_it(): void
    {
        $site = new MemorySite();
        $site->live('Boats');
        $document = static fn (string $text): Document => Document::read([
            'type' => 'doc',
            'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text]]]],
        ]);
        $input = self::input(['find' => 'gull', 'with' => 'tern', 'parts' => ['content']]);
        $change = ReplaceText::read($input);
        $found = ReplacedPage::of(
            $site->pages['Boats'],
            $document('Two gulls, a gull.'),
            $document('One gull.'),
            new Layout('page', 'Content', 'D'),
            $change->replacement(),
            $change->parts,
            ['Boats/content/1' => true],
        );
        self::assertSame(['Boats/content/0', 'Boats/content/1', 'Boats/content/live/0'], array_column($found->places, 'key'));
        self::assertSame([true, false, true], array_column($found->places, 'isTaken'));
        self::assertEquals($document('Two terns, a gull.'), $found->working);
        self::assertEquals($document('One tern.'), $found->live);
        [$place] = array_slice($found->places, 1, 1);
        self::assertSame(['Two gulls, a ', 'gull', 'tern', '.'], [$place->before, $place->is, $place->becomes, $place->after]);
    }

    #[Test]
    public function versions_that_a_change_brings_are_set_and_set_back(): void
    {
        $site = new MemorySite();
        $site->live('Boats');
        $site->pages['Boats'] = $site->pages['Boats']->with(['contentSaved' => 2, 'contentLive' => 1]);
        $page = $this->looked($site, ['find' => 'Boats', 'with' => 'Ships']);
        [$page->workingVersion, $page->liveVersion] = [4, 3];
        $done = $site->apply(ReplaceText::read(self::input(['find' => 'Boats', 'with' => 'Ships']))->with([$page], []));
        self::assertSame([4, 3], [$site->pages['Boats']->contentSaved, $site->pages['Boats']->contentLive]);
        $site->undo($done);
        self::assertSame([2, 1], [$site->pages['Boats']->contentSaved, $site->pages['Boats']->contentLive]);
    }

    #[Test]
    public function what_was_saved_since_stays_when_a_replacement_is_undone(): void
    {
        $site = new MemorySite();
        $site->live('Boats');
        $site->pages['Boats'] = $site->pages['Boats']->with(['contentSaved' => 2, 'contentLive' => 2]);
        $page = $this->looked($site, ['find' => 'Boats', 'with' => 'Ships']);
        [$page->workingVersion, $page->liveVersion] = [3, 3];
        $done = $site->apply(ReplaceText::read(self::input(['find' => 'Boats', 'with' => 'Ships']))->with([$page], []));
        $site->pages['Boats'] = $site->pages['Boats']->with(['contentSaved' => 4]);
        $site->undo($done);
        self::assertSame([4, 3, 'Boats'], [$site->pages['Boats']->contentSaved, $site->pages['Boats']->contentLive, $site->pages['Boats']->name]);
    }

    #[Test]
    public function labels_of_menus_are_places_too(): void
    {
        $site = new MemorySite();
        $menu = $site->menus[MemorySite::MAIN];
        [$entry] = array_values($menu->entries);
        $menu = $menu->put($entry->with(['label' => 'Our curlew, the Curlew']));
        $change = ReplaceText::read(self::input(['find' => 'curlew', 'with' => 'gull']));
        $found = ReplacedMenu::of($menu, $change->replacement(), ["{$menu->id}/{$entry->id}/0" => true]);
        self::assertCount(2, $found->places);
        self::assertTrue($found->isChanged());
        self::assertSame('Our curlew, the gull', $found->menu->entries[$entry->id]->label);
        self::assertFalse(ReplacedMenu::of($menu, $change->replacement(), array_fill_keys(array_column($found->places, 'key'), true))->isChanged());
    }

    #[Test]
    public function what_would_no_longer_be_taken_names_the_page(): void
    {
        $site = new MemorySite();
        $site->live('Curlew');
        try {
            $this->looked($site, ['find' => 'Curlew', 'with' => '']);
            self::fail('It was taken.');
        } catch (InputRefused $refused) {
            self::assertSame('with', $refused->field);
            self::assertStringStartsWith('“Curlew”: A name cannot be blank', $refused->reason);
        }
        $this->expectException(NothingToChange::class);
        $site->plan(ReplaceText::read(self::input(['find' => 'walrus']))->with([], []));
    }

    #[Test]
    public function a_long_text_is_shown_around_the_place_by_whole_words(): void
    {
        $site = new MemorySite();
        $site->live('Boats');
        $site->apply(new Describe('Boats', ['summary' => str_repeat('before ', 20).'gull '.str_repeat('behind ', 20)]));
        $place = $this->looked($site, ['find' => 'gull', 'with' => 'tern'])->places[0];
        self::assertSame('…'.str_repeat('before ', 8), $place->before);
        self::assertSame(str_repeat(' behind', 8).'…', $place->after);
    }

    #[Test]
    public function what_is_asked_for_is_written_as_it_was_read(): void
    {
        $given = [
            'kind' => 'replace-text',
            'find' => '(a)',
            'with' => '$1',
            'way' => 'pattern',
            'matchCase' => true,
            'parts' => ['names', 'menus'],
            'branch' => '01J00000000000000000000001',
            'in' => ['01J00000000000000000000002'],
            'skip' => ['x/name/0'],
        ];
        self::assertSame($given, ReplaceText::read(self::input($given))->toArray());
        self::assertSame(Part::cases(), ReplaceText::read(self::input(['find' => 'a']))->parts);
        foreach ([['way' => 'magic'], ['parts' => ['walls']], ['parts' => [1]], ['skip' => [1]], ['find' => ''], ['with' => "\0"]] as $wrong) {
            try {
                ReplaceText::read(self::input($wrong + ['find' => 'a']));
                self::fail('It was taken: '.json_encode($wrong));
            } catch (InputRefused $refused) {
                self::assertSame(array_key_first($wrong), explode('.', $refused->field)[0]);
            }
        }
    }

    /** @param  array<string, mixed>  $given */
    private static function input(array $given): ChangeInput
    {
        return new ChangeInput($given, (new MemorySite())->rules);
    }

    /**
     * With everything worked out as the site has it.
     *
     * @param  array<string, mixed>  $given
     */
    private function change(MemorySite $site, array $given): ReplaceText
    {
        $change = ReplaceText::read(self::input($given));
        $pages = [];
        foreach ($site->pages as $page) {
            $replaced = ReplacedPage::of($page, null, null, $site->layouts->of($page->layout), $change->replacement(), $change->parts, $change->skip);
            if ($replaced->isChanged()) {
                $pages[] = $replaced;
            }
        }

        return $change->with($pages, []);
    }

    /**
     * The one page on which something is found.
     *
     * @param  array<string, mixed>  $given
     */
    private function looked(MemorySite $site, array $given): ReplacedPage
    {
        $change = ReplaceText::read(self::input($given));
        $found = [];
        foreach ($site->pages as $page) {
            $replaced = ReplacedPage::of($page, null, null, $site->layouts->of($page->layout), $change->replacement(), $change->parts, $change->skip);
            if ($replaced->places !== []) {
                $found[] = $replaced;
            }
        }
        self::assertCount(1, $found);
        self::assertContainsOnlyInstancesOf(FoundPlace::class, $found[0]->places);

        return $found[0];
    }

    private static function crossing(): Layout
    {
        return LayoutReader::read(
            'crossing',
            <<<'JSON'
            {"title": "Crossing", "description": "D", "properties": {
                "sails": {"$ref": "urn:heronstem:field:text", "title": "Sails"},
                "kind": {"$ref": "urn:heronstem:field:choice", "title": "Kind", "oneOf": [{"const": "curlew", "title": "Curlew"}]},
                "fares": {"$ref": "urn:heronstem:field:rows", "title": "Fares", "items": {"properties": {
                    "name": {"$ref": "urn:heronstem:field:text", "title": "For"},
                    "price": {"$ref": "urn:heronstem:field:money", "title": "Single", "currency": "GBP"}
                }}}
            }}
            JSON
            ,
        );
    }
}
