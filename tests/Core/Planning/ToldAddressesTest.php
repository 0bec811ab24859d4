<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\TestTrait;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ListPage;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Change\SetSearch;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Change\UnlistPage;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Ripple\ToldAddresses;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** Addresses that search engines are told of after a change. */
final class ToldAddressesTest extends TestCase
{
    use TestTrait;

    private MemorySite $site;

    protected function setUp(): void
    {
        $this->shrinkingTimeLimit(30);
        $this->site = new MemorySite();
        $this->site->live('Help');
        $this->site->live('Fares', 'Help');
        $this->site->draft('Secret', 'Help');
    }

    #[Test]
    public function a_branch_that_moves_is_told_where_it_was_and_where_it_is_but_not_its_drafts(): void
    {
        self::assertSame(['/aid', '/aid/fares', '/help', '/help/fares'], $this->told(new SetSlug('Help', Slug::of('aid'))));
    }

    #[Test]
    public function what_engines_see_nothing_of_is_not_told(): void
    {
        self::assertSame([], $this->told(new Rename('Secret', PageName::of('More secret'))));
        $this->site->live('Map');
        self::assertSame([], $this->told(new Move('Map', Place::before('Help'))), 'Another place among siblings is no news.');
        $this->site->apply(new UnlistPage('Fares'));
        self::assertSame([], $this->told(new Rename('Fares', PageName::of('Prices'))));
        self::assertSame([], $this->told(new TakeOffline('Fares')));
    }

    #[Test]
    public function what_comes_goes_or_says_otherwise_is_told(): void
    {
        self::assertSame(['/help/fares'], $this->told(new SetSearch('Fares', ['index' => false])));
        self::assertSame(['/help/fares'], $this->told(new UnlistPage('Fares')));
        self::assertSame(['/help/fares'], $this->told(new ListPage('Fares')));
        self::assertSame(['/help/fares'], $this->told(new TakeOffline('Fares')));
    }

    #[Test]
    public function whatever_is_changed_every_shown_page_with_another_face_is_told_and_no_hidden_one_ever(): void
    {
        $this->limitTo(60);
        $this->forAll(RandomChanges::batches())->then(function (array $batches): void {
            $this->setUp();
            foreach ($batches as $steps) {
                $before = $this->site->pages;
                $ripple = RandomChanges::planned($this->site, $steps);
                if ($ripple !== null) {
                    $this->site->carryOut($ripple);
                    $this->holds($ripple, $before, $this->site->pages);
                }
            }
        });
    }

    /**
     * @param  array<string, Page>  $before
     * @param  array<string, Page>  $after
     */
    private function holds(Ripple $ripple, array $before, array $after): void
    {
        $told = ToldAddresses::of($ripple);
        $shown = static fn (?Page $page): bool => $page !== null && $page->isLive() && $page->listed;
        $may = [];
        foreach ($before + $after as $id => $any) {
            [$was, $is] = [$before[$id] ?? null, $after[$id] ?? null];
            if ($shown($was) !== $shown($is) || ($shown($is) && $was?->address->path !== $is?->address->path)) {
                $shown($is) && self::assertContains($is?->address->path, $told);
            }
            $may += $shown($was) ? [$was?->address->path => true] : [];
            $may += $shown($is) ? [$is?->address->path => true] : [];
        }
        self::assertSame(
            [],
            array_values(array_diff($told, array_map(strval(...), array_keys($may)))),
            'Nobody is told of what was shown neither before nor after.',
        );
    }

    /** @return list<string> in the order of the alphabet */
    private function told(\Heronstem\Core\Change\Change $change): array
    {
        $told = ToldAddresses::of($this->site->carryOut($this->site->planBatch(Batch::of($change))));
        sort($told);

        return $told;
    }
}
