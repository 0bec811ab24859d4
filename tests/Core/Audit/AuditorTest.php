<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\Auditor;
use Heronstem\Core\Audit\Finding;
use Heronstem\Core\Audit\PhraseUse;
use Heronstem\Core\Tree\Canonical;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The law of the audit: looking again at what depends on an edit finds what looking at everything finds. */
final class AuditorTest extends TestCase
{
    use TestTrait;

    private const IDS = [
        '01J00000000000000000000001',
        '01J00000000000000000000002',
        '01J00000000000000000000003',
        '01J00000000000000000000004',
        '01J00000000000000000000005',
    ];

    #[Test]
    public function looking_again_at_what_depends_on_an_edit_finds_what_looking_at_all_finds(): void
    {
        $edit = Generators::tuple(
            Generators::choose(0, count(self::IDS) - 1),
            Generators::vector(10, Generators::choose(0, 11)),
            Generators::choose(0, 9),
        );
        $this->limitTo(300);
        $this->forAll(Generators::vector(12, $edit))->then(function (array $edits): void {
            $auditor = Auditor::complete();
            $site = new MemoryAudit();
            $found = [];
            foreach ($edits as [$which, $choices, $goes]) {
                $id = self::IDS[$which];
                $before = $site->page($id);
                $after = $goes === 0 ? null : self::made($id, $choices);
                $due = $auditor->dependents($before, $after, $site);
                if ($after === null) {
                    unset($site->pages[$id], $found[$id]);
                } else {
                    $site->pages[$id] = $after;
                    $due[] = $id;
                }
                foreach (array_unique([...$due, ...$auditor->dependents($before, $after, $site)]) as $again) {
                    $page = $site->page($again);
                    if ($page !== null) {
                        $found[$again] = self::codes($auditor, $page, $site);
                    }
                }
                foreach ($site->pages as $page) {
                    self::assertSame(self::codes($auditor, $page, $site), $found[$page->id] ?? null, "$page->id after $id");
                }
            }
        });
    }

    /** @return list<string> */
    private static function codes(Auditor $auditor, AuditedPage $page, MemoryAudit $site): array
    {
        return array_map(static fn (Finding $finding): string => $finding->check->code, $auditor->report($page, $site)->findings());
    }

    /** @param  list<int>  $choices */
    private static function made(string $id, array $choices): AuditedPage
    {
        $one = static fn (int $n, mixed ...$of): mixed => $of[$choices[$n] % count($of)];
        $others = array_values(array_diff(self::IDS, [$id]));

        return Pages::page(
            $id,
            title: $one(0, 'Fares', 'fares ', 'Routes', 'Boats'),
            heading: $one(1, 'What it costs', 'Routes'),
            description: $one(2, 'All fares.', 'All boats.', ''),
            address: $one(3, '/a', '/b', '/c', "/$id"),
            parent: $one(4, null, ...$others),
            isLive: $one(5, true, true, true, false),
            isListed: $one(6, true, true, false),
            index: $one(7, true, true, false),
            canonical: Canonical::read($one(8, 'itself', 'itself', 'none', 'https://f.test/b', ...$others)),
            canonicalAddress: $choices[8] % 8 === 3 ? '/b' : null,
            links: $one(9, [], [$others[0]], [$others[1], $others[2]]),
            rawLinks: $one(0, [], ['/a'], ['/b', '/c']),
            fingerprint: $one(1, 0, 0b1111000011110000, 0b1111000011110111, 0b1111111111110111),
            phrase: $one(2, null, new PhraseUse('ferry fares'), new PhraseUse('Boats')),
        );
    }

    #[Test]
    public function the_score_is_the_weighted_share_of_checks_that_apply(): void
    {
        $auditor = Auditor::complete();
        $good = $auditor->report(Pages::good(), MemoryAudit::of(Pages::good()));
        self::assertSame([], array_map(static fn (Finding $finding): string => $finding->check->code.': '.$finding->says, $good->findings()));
        self::assertSame(100, $good->score());
        $bad = Pages::good()->toArray();
        $worse = AuditedPage::fromArray([...$bad, 'title' => '', 'titleWidth' => 0]);
        $report = $auditor->report($worse, MemoryAudit::of($worse));
        self::assertSame(
            10,
            $good->weight() - $report->weight(),
            'Without a title nothing is said of its width, its doubles or its likeness to the heading.',
        );
        self::assertSame(10, $report->weight() - $report->passed(), 'The missing title weighs ten.');
        self::assertSame((int) round((100 * $report->passed()) / $report->weight()), $report->score());
        self::assertLessThan(100, $report->score());
    }

    #[Test]
    public function what_is_known_of_a_page_is_kept_and_read_again(): void
    {
        $page = Pages::good();
        self::assertEquals($page, AuditedPage::fromArray(json_decode((string) json_encode($page->toArray()), true)));
    }
}
