<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\Duplicate;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Change\Scope;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Ripple\Drawing;
use Heronstem\Core\Ripple\DrawnLine;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** The branch before and after, as the tray draws it. */
final class TreeDrawingTest extends TestCase
{
    private MemorySite $site;

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        foreach (['Travel', 'Islands', 'Freight', 'News', 'About', 'Help'] as $name) {
            $this->site->live($name);
        }
        $this->site->live('Times', 'Travel');
        $this->site->live('Fares', 'Travel');
    }

    #[Test]
    public function a_move_is_marked_where_it_leaves_and_where_it_comes(): void
    {
        $drawing = $this->drawing(new Move('Times', Place::lastIn('Help')));
        self::assertSame(['0 Travel', '1 Times moves', '1 Fares', '0 Help'], $drawing[0]);
        self::assertSame(['0 Travel', '1 (1)', '0 Help', '1 Times moves'], $drawing[1]);
    }

    #[Test]
    public function neighbours_are_drawn_and_the_rest_is_counted(): void
    {
        [$before, $after] = $this->drawing(new Rename('News', PageName::of('Service news')));
        self::assertSame(['0 top', '1 (2)', '1 Freight', '1 News changes', '1 About', '1 (1)'], $before);
        self::assertSame('1 Service news changes', $after[3]);
    }

    #[Test]
    public function what_comes_and_goes_stands_on_one_side_only(): void
    {
        [$before, $after] = $this->drawing(new Make('New', PageName::of('New'), Place::lastIn('Travel')));
        self::assertSame([['0 Travel', '1 (2)'], ['0 Travel', '1 (1)', '1 Fares', '1 New comes']], [$before, $after]);
        [$before, $after] = $this->drawing(new PutInBin('Travel'));
        self::assertSame([['0 top', '1 Travel goes', '1 Islands', '1 (4)'], ['0 top', '1 (5)']], [$before, $after]);
        [, $after] = $this->drawing(new Duplicate('Travel', 'Copy', Scope::Branch));
        self::assertSame(['0 top', '1 Travel', '1 Travel copy comes', '1 Islands', '1 (4)'], $after);
    }

    #[Test]
    public function what_changes_no_place_draws_nothing_and_a_large_batch_stays_short(): void
    {
        self::assertSame([[], []], $this->drawing(new TakeOffline('Help')));
        $makes = [];
        for ($n = 0; $n < 200; $n++) {
            $makes[] = new Make("N$n", PageName::of("N$n"), Place::lastIn('Help'));
        }
        self::assertLessThanOrEqual(Drawing::MAX_LINES, count($this->drawing(...$makes)[1]));
    }

    /** @return array{list<string>, list<string>} */
    private function drawing(Change ...$changes): array
    {
        $drawing = $this->site->planBatch(
            new Batch($changes === [] ? throw new \LogicException('No change.') : array_values($changes), Decisions::elseDefaults()),
        )->drawing;
        $line = static fn (DrawnLine $line): string => $line->level.
            ' '.
            ($line->leftOut > 0 ? "({$line->leftOut})" : ($line->page === null ? 'top' : $line->name)).
            ($line->mark === null ? '' : " {$line->mark->value}");

        return [array_map($line, $drawing->before), array_map($line, $drawing->after)];
    }
}
