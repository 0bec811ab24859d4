<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\Duplicate;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\NothingToChange;
use Heronstem\Core\Change\Publish;
use Heronstem\Core\Change\SetSearch;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\PageTexts;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** Words and texts on their way before visitors, and back. */
final class PublishTest extends TestCase
{
    private MemorySite $site;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
    }

    #[Test]
    public function words_that_go_live_with_their_page_are_part_of_the_change(): void
    {
        $this->site->draft('Fares');
        $this->site->write('Fares');
        $first = $this->site->apply(new GoLive('Fares'));
        self::assertSame(1, $this->site->pages['Fares']->contentLive);
        $this->site->undo($first);
        self::assertNull($this->site->pages['Fares']->contentLive);
        self::assertSame(1, $this->site->pages['Fares']->contentSaved, 'What was saved stays saved.');
    }

    #[Test]
    public function edits_are_published_as_they_were_saved_and_published_edits_are_undone(): void
    {
        $this->site->live('Fares');
        $this->site->write('Fares', new PageTexts('What it costs', searchTitle: 'Fares'));
        self::assertTrue($this->site->pages['Fares']->hasEdits());
        $published = $this->site->apply(new Publish('Fares'));
        $page = $this->site->pages['Fares'];
        self::assertSame(['What it costs', null, 1, false], [$page->texts->heading, $page->prepared, $page->contentLive, $page->hasEdits()]);
        $this->site->undo($published);
        $page = $this->site->pages['Fares'];
        self::assertSame(
            [null, 'What it costs', null, true],
            [$page->texts->heading, $page->prepared?->heading, $page->contentLive, $page->hasEdits()],
        );
    }

    #[Test]
    public function what_was_written_since_is_not_touched_by_taking_back(): void
    {
        $this->site->live('Fares');
        $this->site->write('Fares');
        $published = $this->site->apply(new Publish('Fares'));
        $this->site->write('Fares');
        $this->site->apply(new Publish('Fares'));
        $back = $this->site->planUndoing($published);
        self::assertTrue($back->changesNothing());
        self::assertSame('content', $back->toDecide->notes[0]->other);
    }

    #[Test]
    public function there_has_to_be_something_to_publish_and_somebody_to_see_it(): void
    {
        $this->site->draft('Fares');
        $this->assertRefused(InputRefused::class, 'is not live', new Publish('Fares'));
        $this->site->apply(new GoLive('Fares'));
        $this->assertRefused(NothingToChange::class, 'already get everything', new Publish('Fares'));
    }

    #[Test]
    public function describing_a_live_page_changes_it_at_once_and_keeps_what_waits(): void
    {
        $this->site->live('Fares');
        $this->site->write('Fares', new PageTexts('Prepared heading'));
        $ripple = $this->site->apply(new Describe('Fares', ['summary' => "  What it  costs.\n"]), new SetSearch('Fares', ['index' => false]));
        $page = $this->site->pages['Fares'];
        self::assertSame(
            ['What it costs.', null, 'Prepared heading', 'What it costs.', false],
            [$page->texts->summary, $page->texts->heading, $page->prepared?->heading, $page->prepared?->summary, $page->search->own->index],
        );
        self::assertSame(1, $ripple->search->sitemapEntries, 'Not to be indexed, it leaves the sitemap.');
        $this->site->undo($ripple);
        self::assertSame(
            ['', 'Prepared heading', '', null],
            [
                $this->site->pages['Fares']->texts->summary,
                $this->site->pages['Fares']->prepared?->heading,
                $this->site->pages['Fares']->prepared?->summary,
                $this->site->pages['Fares']->search->own->index,
            ],
        );
    }

    #[Test]
    public function a_heading_that_is_the_name_follows_the_name_and_one_too_long_is_refused(): void
    {
        $this->site->draft('Fares');
        $this->site->apply(new Describe('Fares', ['heading' => 'What it costs']));
        $this->site->apply(new Describe('Fares', ['heading' => 'Fares']));
        self::assertNull($this->site->pages['Fares']->texts->heading);
        $this->assertRefused(InputRefused::class, 'changes.0.heading: At most 300', new Describe('Fares', ['heading' => str_repeat('x', 301)]));
        $this->assertRefused(NothingToChange::class, 'says this already', new Describe('Fares', ['summary' => '']));
    }

    #[Test]
    public function a_copy_takes_texts_along_those_that_wait_included(): void
    {
        $this->site->live('Fares');
        $this->site->write('Fares', new PageTexts('Prepared', 'Summary'));
        $this->site->apply(new Duplicate('Fares', 'Copy'));
        self::assertSame(['Prepared', null], [$this->site->pages['Copy']->texts->heading, $this->site->pages['Copy']->prepared]);
    }

    #[Test]
    public function edits_saved_while_offline_go_live_with_the_page(): void
    {
        $this->site->live('Fares');
        $this->site->write('Fares', new PageTexts('Prepared'));
        $this->site->apply(new TakeOffline('Fares'));
        $this->site->apply(new GoLive('Fares'));
        self::assertSame(
            ['Prepared', 1, false],
            [$this->site->pages['Fares']->texts->heading, $this->site->pages['Fares']->contentLive, $this->site->pages['Fares']->hasEdits()],
        );
    }

    /** @param  class-string<InputRefused>  $kind */
    private function assertRefused(string $kind, string $words, Publish|Describe $change): void
    {
        try {
            $this->site->plan($change);
        } catch (InputRefused $refused) {
            self::assertInstanceOf($kind, $refused);
            self::assertStringContainsString($words, $refused->getMessage());

            return;
        }
        self::fail('It was not refused.');
    }
}
