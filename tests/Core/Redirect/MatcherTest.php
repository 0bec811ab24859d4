<?php

declare(strict_types=1);

namespace Tests\Core\Redirect;

use Heronstem\Core\Redirect\Matching\Candidate;
use Heronstem\Core\Redirect\Matching\Matcher;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Old addresses find the pages they became, and say how sure that is. */
final class MatcherTest extends TestCase
{
    #[Test]
    public function an_old_address_finds_its_page_by_its_words_its_title_or_because_it_leads_there_already(): void
    {
        $matcher = new Matcher([
            new Candidate('F', 'Foot passengers', '/travel/fares/foot', 'Fares for foot passengers', ['/old-fares']),
            new Candidate('T', 'Timetables', '/travel/timetables'),
            new Candidate('V', 'Vanesay', '/islands/vanesay'),
            new Candidate('R', 'Port Hallin to Vanesay', '/travel/routes/port-hallin-vanesay'),
        ]);
        self::assertSame(['F', 1.0], [$matcher->match('/OLD-fares/')->page?->id, $matcher->match('/old-fares')->confidence]);
        self::assertSame('T', $matcher->match('/vanesay-line/timetable.html')->page?->id);
        self::assertSame('F', $matcher->match('/index.php?id=7', 'Foot passengers')->page?->id);
        self::assertSame('R', $matcher->match('/route/hallin-vanesay')->page?->id);
        self::assertNull($matcher->match('/gift-vouchers')->page);
        self::assertNotSame('', $matcher->match('/timetable')->why);
    }

    /** @return iterable<string, array{string, int}> */
    public static function relaunches(): iterable
    {
        foreach (['renames', 're-nesting', 'ids', 'merges', 'language', 'titles'] as $n => $way) {
            yield $way => [$way, 100 + $n];
        }
    }

    #[Test, DataProvider('relaunches')]
    public function what_is_said_to_be_sure_is_right_and_most_are_proposed_right(string $way, int $seed): void
    {
        $relaunch = new Relaunch(600, $seed);
        $matcher = new Matcher($relaunch->pages);
        $sure = $sureRight = $all = $right = 0;
        foreach ($relaunch->old($way) as [$old, $title, $page]) {
            $found = $matcher->match($old, $title);
            $isRight = $page !== null && $found->page?->id === $page;
            $sure += $found->confidence >= 0.9 ? 1 : 0;
            $sureRight += $found->confidence >= 0.9 && $isRight ? 1 : 0;
            $all += $page === null ? 0 : 1;
            $right += $isRight ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(0.95, $sureRight / max(1, $sure), "$sureRight of $sure that were sure are right");
        self::assertGreaterThanOrEqual(0.8, $right / $all, "$right of $all are right");
        self::assertGreaterThan(0.3, $sure / $all, 'Somebody who accepts only what is sure gets something done.');
    }
}
