<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\Attributes\Test;

/** A phrase changed by pattern on many pages, each place seen first, and taken back. */
final class ReplaceTest extends Errand
{
    #[Test]
    public function a_phrase_is_changed_by_pattern_each_place_seen_first_and_undone_page_by_page_and_whole(): void
    {
        $this->expected = ['status of 422'];
        $chrome = $this->signIn();
        $before = $this->fetch($this->ferries('/travel/timetables/winter'))[2];
        $chrome->click('link', 'Find and replace');
        $chrome->awaitText('Type what to find.');
        $chrome->type('textbox', 'Find', '(\d+)\.(\d\d)(?=,| and|$)');
        $chrome->find('combobox', 'Match')->sendKeys('Regular expression');
        $chrome->type('textbox', 'Replace with', '$1:$3');
        $chrome->awaitText('The pattern has 2 groups, and no $3.');
        $chrome->type('textbox', 'Replace with', '$1:$2');
        $chrome->awaitText('6:40');
        foreach (['Names', 'Headings', 'Summaries', 'Search and social texts', 'Fields', 'Labels in menus'] as $part) {
            $chrome->click('checkbox', $part);
        }
        $chrome->find('checkbox', 'All on Winter');
        self::assertSame([], $chrome->axe());
        $chrome->click('checkbox', 'All on Summer');
        $chrome->click('button', 'Replace in*');
        $chrome->awaitText('Replacing “(\d+)\.(\d\d)(?=,| and|$)” with “$1:$2”');
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Replace them');
        $chrome->awaitText('Replaced “');
        self::assertStringContainsString('Skerra: 6:40, 8:40, 11:40, 15:10 and 17:30', $this->plain('/travel/timetables/winter'));
        self::assertStringContainsString('Skerra: 6.40', $this->plain('/travel/timetables/summer'));

        $chrome->click('link', 'History');
        $chrome->click('button', 'Replaced “*');
        $chrome->click('button', 'Undo on this page… Winter');
        $chrome->find('region', 'Ripple');
        $chrome->click('button', 'Undo');
        $chrome->until(
            fn (): ?bool => $this->fetch($this->ferries('/travel/timetables/winter'))[2] === $before ?: null,
            'the winter timetable as it was',
        );
        $chrome->awaitText('Undid on Winter');
        self::assertSame([], $chrome->axe());
    }

    private function plain(string $path): string
    {
        return html_entity_decode(strip_tags($this->fetch($this->ferries($path))[2]));
    }
}
