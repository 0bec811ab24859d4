<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Change\AnswerSearch;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\SetOutsideServices;
use Heronstem\Core\Change\SetRobots;
use Heronstem\Core\Change\SetSiteSearch;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Search\SearchWords;
use Heronstem\Core\Search\SiteSearch;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RefusesChanges;

/** Answers of the site's own search and what the site asks outside: set, changed, undone part by part. */
final class SiteWideSearchTest extends TestCase
{
    use RefusesChanges, TestTrait;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        $this->site->live('Fares');
    }

    #[Test]
    public function the_same_words_have_one_answer_however_they_are_typed(): void
    {
        $this->site->apply($this->answer('Car  FERRY', 'Fares'));
        $ripple = $this->site->apply($this->answer('car ferry', null, ' Cars sail  from Hallin. '));
        self::assertSame(['car ferry' => ['text' => 'Cars sail from Hallin.']], $this->answers());
        self::assertFalse($ripple->search->matters(), 'No page says anything else by it.');
        $this->site->apply($this->answer('CAR ferry'));
        self::assertSame([], $this->answers());
    }

    #[Test]
    public function an_answer_without_words_of_too_many_letters_or_with_no_page_to_see_is_refused(): void
    {
        $this->refused('changes.0.text', 'at most 300', $this->answer('cars', null, str_repeat('x', 301)));
        $this->refused('changes.0.page', '', $this->answer('cars', '01J0000000000000000000000Z'));
        $this->refused('changes.0.words', 'no answer', $this->answer('cars'));
        $this->site->draft('Old');
        $this->site->apply(new PutInBin('Old'));
        $this->refused('changes.0.page', 'bin', $this->answer('cars', 'Old'));
        $this->refused('changes.0.checksLinks', 'already', new SetOutsideServices(checksLinks: false));
    }

    #[Test]
    public function there_are_as_many_answers_as_a_site_can_have(): void
    {
        $search = new SiteSearch();
        for ($n = 0; $n < SiteSearch::MAX_ANSWERS; $n++) {
            $search = $search->withAnswer(SearchWords::of("word $n"), \Heronstem\Core\Search\SearchAnswer::of(null, 'Yes.'));
        }
        $this->expectExceptionMessage('as many as a site can have');
        $search->withAnswer(SearchWords::of('one more'), \Heronstem\Core\Search\SearchAnswer::of(null, 'No.'));
    }

    #[Test]
    public function an_older_change_is_undone_part_by_part_while_what_came_since_stays(): void
    {
        $first = $this->site->apply($this->answer('cars', 'Fares'), new SetOutsideServices(checksLinks: true));
        $this->site->apply($this->answer('boats', null, 'Six of them.'), new SetRobots("User-agent: *\nDisallow: /x"));
        $undone = $this->site->undo($first);
        self::assertSame(['boats'], array_keys($this->answers()));
        self::assertFalse($this->site->search->outside->checksLinks);
        self::assertSame("User-agent: *\nDisallow: /x", $this->site->search->robots);
        self::assertSame([], $undone->toDecide->notes);
    }

    #[Test]
    public function what_was_set_anew_since_stays_and_is_said(): void
    {
        $first = $this->site->apply($this->answer('cars', 'Fares'), new SetOutsideServices(tellsEngines: true));
        $this->site->apply($this->answer('cars', null, 'Ask us.'));
        $ripple = $this->site->planUndoing($first);
        self::assertSame([NoteKind::SearchStays], array_map(static fn ($note) => $note->kind, $ripple->toDecide->notes));
        $this->site->carryOut($ripple);
        self::assertSame(['cars' => ['text' => 'Ask us.']], $this->answers());
        self::assertFalse($this->site->search->outside->tellsEngines, 'The rest is undone all the same.');
    }

    #[Test]
    public function whatever_is_set_in_whatever_order_is_undone_in_reverse_to_what_it_was(): void
    {
        $this->forAll(Generators::seq(Generators::choose(0, 7)))->then(function (array $numbers): void {
            $this->setUp();
            $states = $ripples = [];
            foreach (array_slice($numbers, 0, 12) as $n => $number) {
                $ripple = $this->site->plan(match ($number) {
                    0 => $this->answer('cars', 'Fares', "Answer $n"),
                    1 => $this->answer('2024', null, "Answer $n"),
                    2 => $this->answer('0', null, "Answer $n"),
                    3 => new SetOutsideServices(! $this->site->search->outside->checksLinks),
                    4 => new SetOutsideServices(null, ! $this->site->search->outside->tellsEngines),
                    5 => new SetRobots("User-agent: *\nDisallow: /$n"),
                    6 => new SetSiteSearch(['titlePattern' => "{name} $n"]),
                    default => new SetSiteSearch(['inSiteSearch' => $n % 2 === 0, 'priority' => $n / 20], 'section'),
                });
                $states[] = $this->site->search->toText();
                $ripples[] = $this->site->carryOut($ripple);
            }
            foreach (array_reverse($ripples) as $i => $ripple) {
                $this->site->undo($ripple);
                self::assertSame($states[count($states) - 1 - $i], $this->site->search->toText());
            }
            self::assertSame($this->site->search->toText(), SiteSearch::stored($this->site->search->toText())->toText());
        });
    }

    /** @return array<array-key, array<string, string>> */
    private function answers(): array
    {
        return array_map(static fn ($answer): array => $answer->toArray(), $this->site->search->answers);
    }

    private function answer(string $words, ?string $page = null, string $text = ''): AnswerSearch
    {
        return new AnswerSearch(SearchWords::of($words), $page, $text);
    }
}
