<?php

declare(strict_types=1);

namespace Tests\Core\Structure;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Refusal;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\Change\GoLive;
use Heronstem\Core\Structure\Change\Make;
use Heronstem\Core\Structure\Change\Move;
use Heronstem\Core\Structure\Change\Rename;
use Heronstem\Core\Structure\Change\SetSlug;
use Heronstem\Core\Structure\Change\TakeOffline;
use Heronstem\Core\Structure\ClaimDifference;
use Heronstem\Core\Structure\Name;
use Heronstem\Core\Structure\PageDifference;
use Heronstem\Core\Structure\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\Invariants;
use Tests\Core\Memory\MemorySite;

final class TakeBackTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function a_move_taken_back_and_done_again_leaves_no_trace(): void
    {
        $site = $this->site();
        $before = $site->snapshot();
        $moved = $site->apply(new Move('Timetables', Place::firstIn('Travel')));
        $after = $site->snapshot();
        $back = $site->takeBack($moved);
        self::assertSame($before, $site->snapshot());
        $site->takeBack($back);
        self::assertSame($after, $site->snapshot());
    }

    #[Test]
    public function a_page_made_since_in_the_moved_branch_keeps_its_address_answering(): void
    {
        $site = $this->site();
        $moved = $site->apply(new Move('Timetables', Place::lastIn('Travel')));
        $site->live('Winter', 'Timetables');
        $site->takeBack($moved);
        self::assertSame('page Winter', $site->answer('/help/timetables/winter'));
        self::assertSame('redirect /help/timetables/winter', $site->answer('/travel/timetables/winter'));
    }

    #[Test]
    public function what_has_changed_again_since_is_said_and_nothing_is_taken_back(): void
    {
        $site = $this->site();
        $moved = $site->apply(new Move('Timetables', Place::lastIn('Travel')));
        $site->apply(new Move('Timetables', Place::lastIn(null)));
        $this->expectExceptionMessageMatches('/place of “Timetables” has changed again/');
        $site->takeBack($moved);
    }

    #[Test]
    public function a_page_that_has_pages_inside_by_now_cannot_be_unmade(): void
    {
        $site = $this->site();
        $made = $site->apply(new Make('New', Name::of('New'), Place::lastIn(null)));
        $site->draft('Inside', 'New');
        $this->expectExceptionMessageMatches('/1 page\(s\) inside/');
        $site->takeBack($made);
    }

    #[Test]
    public function a_page_whose_old_parent_now_lies_inside_it_cannot_go_back(): void
    {
        $site = $this->site();
        $moved = $site->apply(new Move('Timetables', Place::lastIn('Travel')));
        $site->apply(new Move('Help', Place::lastIn('Summer')));
        $this->expectExceptionMessageMatches('/now lies inside it/');
        $site->takeBack($moved);
    }

    #[Test]
    public function an_address_given_to_somebody_else_since_is_not_taken_from_them(): void
    {
        $site = $this->site();
        $renamed = $site->apply(new SetSlug('Fares', Slug::of('prices')));
        $site->draft('New', 'Travel', 'free');
        $conflict = $site->plan(new SetSlug('New', Slug::of('fares')))->conflicts[0];
        $site->carryOut($site->planBatch(new \Heronstem\Core\Structure\Batch([new SetSlug('New', Slug::of('fares'))], $conflict->waysOut[0]->decisions)));
        $ripple = $site->plan(new Change\TakeBack('entry', $renamed->pages, $renamed->claims));
        self::assertSame('New', $ripple->conflicts[0]->holder?->name);
    }

    #[Test]
    public function random_batches_keep_every_invariant_and_undo_exactly(): void
    {
        $this->limitTo(400)->forAll(Generators::seq(Generators::tuple(Generators::choose(0, 6), Generators::choose(0, 11), Generators::choose(0, 11), Generators::choose(0, 5))))
            ->then(function (array $steps): void {
                $site = $this->site();
                $everLive = array_map(static fn (): bool => true, array_filter($site->claims, static fn ($claim): bool => $claim->everLive));
                foreach ($steps as $step) {
                    $before = $site->snapshot();
                    try {
                        $ripple = $site->plan($this->change($site, ...$step));
                    } catch (Refusal) {
                        continue;
                    }
                    if (! $ripple->canBeApplied()) {
                        continue;
                    }
                    $site->carryOut($ripple);
                    $after = $site->snapshot();
                    $back = $site->takeBack($this->keptAndRead($ripple, $site));
                    self::assertSame($before, $site->snapshot());
                    $site->takeBack($back);
                    self::assertSame($after, $site->snapshot());
                    $everLive += array_map(static fn (): bool => true, array_filter($site->claims, static fn ($claim): bool => $claim->everLive));
                    Invariants::hold($site, $everLive);
                }
                Invariants::hold($site, $everLive);
            });
    }

    private function site(): MemorySite
    {
        $site = new MemorySite;
        $site->startPage = 'Home';
        $site->live('Home');
        $site->live('Help');
        $site->live('Timetables', 'Help');
        $site->live('Summer', 'Timetables');
        $site->live('Travel');
        $site->live('Fares', 'Travel');

        return $site;
    }

    private function change(MemorySite $site, int $kind, int $which, int $where, int $how): Change
    {
        $ids = array_map(strval(...), array_keys($site->pages));
        $page = $ids[$which % count($ids)];
        $other = $ids[$where % count($ids)];
        $place = [Place::lastIn($other), Place::firstIn($other), Place::before($other), Place::after($other), Place::lastIn(null), Place::firstIn(null)][$how];
        $word = ['summer', 'fares', 'Fares', 'help', 'new', 'travel'][$how];

        return match ($kind) {
            0 => new Make('N'.count($ids).$how, Name::of($word), $place),
            1 => new Rename($page, Name::of($word)),
            2 => new SetSlug($page, Slug::of($word)),
            3, 4 => new Move($page, $place),
            5 => new GoLive($page),
            default => new TakeOffline($page),
        };
    }

    /** The ripple's material as the history keeps it, read back. */
    private function keptAndRead(\Heronstem\Core\Structure\Ripple $ripple, MemorySite $site): \Heronstem\Core\Structure\Ripple
    {
        $kept = json_decode(json_encode([array_map(fn ($d) => $d->toArray(), $ripple->pages), array_map(fn ($d) => $d->toArray(), $ripple->claims)], JSON_THROW_ON_ERROR), true);
        $pages = array_map(PageDifference::fromArray(...), $kept[0]);
        $claims = array_map(fn (array $row) => ClaimDifference::fromArray($row, $site->rules), $kept[1]);

        return new \Heronstem\Core\Structure\Ripple([], [], [], [], 0, 0, [], [], [], [], $pages, $claims, []);
    }
}
