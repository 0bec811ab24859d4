<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Moment;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\Invariants;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** The law of a long history: whatever is taken back in it, whenever and how often, leaves a site that holds together. */
final class UndoLawsTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function whatever_is_taken_back_in_a_long_history_the_site_holds_together(): void
    {
        // Mostly what changes the tree: making, moving, the bin, copies.
        $kinds = Generators::frequency([9, Generators::elements([0, 4, 5, 12, 13, 14, 15, 16, 17])], [1, Generators::choose(0, 40)]);
        $step = Generators::tuple($kinds, Generators::choose(0, 17), Generators::choose(0, 17), Generators::choose(0, 5));
        $turn = Generators::tuple(Generators::choose(0, 2), Generators::choose(0, 99), Generators::vector(2, $step));
        $this->limitTo(200)
            ->forAll(Generators::vector(100, $turn))
            // A long history takes an hour to make short.
            ->disableShrinking()
            ->then(function (array $turns): void {
                $site = new MemorySite();
                $site->live('Help');
                $site->live('Times', 'Help');
                $site->live('Travel');
                $done = [];
                foreach ($turns as [$what, $which, $steps]) {
                    $batch =
                        $what === 0 && $done !== []
                            ? new Batch([$site->kept(...$done[$which % count($done)])], Decisions::elseDefaults())
                            : RandomChanges::over($site)->batch($steps);
                    $ripple = RandomChanges::plannedBatch($site, $batch);
                    $site->now += $which;
                    if ($ripple !== null) {
                        $done[] = [$site->carryOut($ripple), Moment::at($site->now)];
                        Invariants::hold($site, []);
                    }
                }
            });
    }
}
