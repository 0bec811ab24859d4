<?php

declare(strict_types=1);

namespace Tests\Core\Ripple;

use Eris\TestTrait;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\WhenUnanswered;
use Heronstem\Core\Identity;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\HistorySentence;
use Heronstem\Core\Ripple\Names;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Ripple\RippleOutcome;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Workspace\Authority;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** Laws of what a ripple tells: it is the difference between two sites, and a batch that was kept has the same. */
final class RippleLawsTest extends TestCase
{
    use TestTrait;

    protected function setUp(): void
    {
        $this->shrinkingTimeLimit(30);
    }

    #[Test]
    public function a_batch_that_was_kept_and_is_read_again_has_the_same_ripple_or_the_same_refusal(): void
    {
        $this->forEachBatch(800, function (MemorySite $site, Batch $batch): ?Ripple {
            $asked = self::said($site, $batch);
            $kept = json_decode(
                json_encode(
                    [
                        'changes' => array_map(static fn (Change $change): array => $change->toArray(), $batch->changes),
                        'decisions' => array_map(static fn (Decision $decision): array => $decision->toArray(), $batch->decisions->made),
                    ],
                    JSON_THROW_ON_ERROR,
                ),
                true,
            );
            $read = (new ChangeReader($site->rules))->batch($kept['changes'], $kept['decisions'], WhenUnanswered::TakesDefault);
            self::assertSame(self::inWords($asked), self::inWords(self::said($site, $read)));

            return $asked instanceof Ripple ? $asked : null;
        });
    }

    #[Test]
    public function what_goes_live_goes_offline_and_moves_is_the_difference_between_the_sites(): void
    {
        $this->forEachBatch(400, function (MemorySite $site, Batch $batch): ?Ripple {
            $ripple = self::said($site, $batch);
            if (! ($ripple instanceof Ripple) || ! $ripple->canBeApplied()) {
                return null;
            }
            $before = $site->pages;
            $known = array_filter($site->claims, static fn ($claim): bool => $claim->kind === ClaimKind::Page && $claim->everLive);
            $copy = clone $site;
            $copy->carryOut($ripple);
            $after = $copy->pages;
            $live = static fn (?Page $page): bool => $page?->state === PageState::Live;
            $all = array_map(strval(...), array_keys($before + $after));

            self::assertEqualsCanonicalizing(
                array_values(array_filter($all, static fn (string $id): bool => $live($after[$id] ?? null) && ! $live($before[$id] ?? null))),
                $ripple->pages->goLive,
            );
            self::assertEqualsCanonicalizing(
                array_values(array_filter($all, static fn (string $id): bool => $live($before[$id] ?? null) && ! $live($after[$id] ?? null))),
                $ripple->pages->goOffline,
            );
            $moved = [];
            foreach ($ripple->addresses->moves as $move) {
                $moved[$move->page] = [$move->from->path, $move->to->path, $move->seen];
            }
            $expected = [];
            foreach (array_intersect_key($before, $after) as $id => $page) {
                if (! $page->isBinned() && ! $after[$id]->isBinned() && $page->address->path !== $after[$id]->address->path) {
                    $expected[(string) $id] = [$page->address->path, $after[$id]->address->path, isset($known[$page->address->key])];
                }
            }
            ksort($moved);
            ksort($expected);
            self::assertSame($expected, $moved);
            // No address that visitors knew is left without an answer.
            foreach ($ripple->addresses->claims as $claim) {
                self::assertFalse(
                    $claim->before?->everLive === true && $claim->after === null && ! isset($copy->claims[$claim->key]),
                    "{$claim->key} is lost.",
                );
            }
            if (! $ripple->matters()) {
                self::assertSame([[], [], []], [$ripple->pages->goOffline, $ripple->redirects->rules, $ripple->menusAndLinks->menus]);
                self::assertSame([], $ripple->addresses->moves->where(static fn ($move): bool => $move->seen));
            }

            return $ripple;
        });
    }

    #[Test]
    public function every_difference_is_kept_and_read_back_and_undone_on_what_it_left(): void
    {
        $this->forEachBatch(300, function (MemorySite $site, Batch $batch): ?Ripple {
            $ripple = self::said($site, $batch);
            if (! ($ripple instanceof Ripple) || ! $ripple->canBeApplied()) {
                return null;
            }
            foreach ($ripple->pages->differences as $difference) {
                $read = PageDifference::fromArray(json_decode(json_encode($difference->toArray(), JSON_THROW_ON_ERROR), true));
                self::assertSame($difference->toArray(), $read->toArray());
                self::assertSame($difference->aspects(), $read->aspects());
                $before = $site->pages[$difference->page] ?? null;
                $after = $ripple->pages->outcome->find($difference->page);
                if ($before === null || $after === null) {
                    continue;
                }
                self::assertSame([], $read->strayedIn($after));
                self::assertSame($before->toFields(), $read->undoneIn($after, $site->rules)->toFields());
                self::assertSame(
                    $after->toFields(),
                    $read->undoneIn($after, $site->rules, $read->aspects())->toFields(),
                    'All of it excepted, nothing is undone.',
                );
            }
            foreach ($ripple->addresses->claims as $claim) {
                $kept = json_decode(json_encode($claim->toArray(), JSON_THROW_ON_ERROR), true);
                self::assertSame(
                    [$claim->toArray()],
                    array_map(static fn (ClaimDifference $read): array => $read->toArray(), ClaimDifference::fromArray($kept, $site->rules)),
                );
            }

            return $ripple;
        });
    }

    #[Test]
    public function what_was_done_is_said_in_a_plain_sentence(): void
    {
        $this->forEachBatch(300, function (MemorySite $site, Batch $batch): ?Ripple {
            $ripple = self::said($site, $batch);
            if (! ($ripple instanceof Ripple) || ! $ripple->canBeApplied()) {
                return null;
            }
            $names = self::namesOf($site);
            foreach (
                [
                    (new HistorySentence($names))->of($batch, $ripple),
                    ...array_map(static fn (Change $change): string => $change->sentence(new RippleOutcome($ripple, $names)), $batch->changes),
                ] as $sentence
            ) {
                self::assertMatchesRegularExpression('/^\S(.*\S)?$/Du', $sentence, 'One line without white space around it.');
                self::assertStringNotContainsString('  ', $sentence);
                self::assertSame(0, substr_count($sentence, '*') % 2, "A name is not closed: $sentence");
                foreach (explode('*', $sentence) as $n => $part) {
                    self::assertTrue($n % 2 === 0 || trim($part) !== '', "A name is empty: $sentence");
                }
                self::assertDoesNotMatchRegularExpression('/01J0000000[0-9A-Z]{16}/', $sentence, "An identity is no name: $sentence");
            }

            return $ripple;
        });
    }

    /** @param  \Closure(MemorySite, Batch): ?Ripple  $then  tells what is to be carried out before the next */
    private function forEachBatch(int $runs, \Closure $then): void
    {
        $this->limitTo($runs)
            ->forAll(RandomChanges::batches())
            ->then(function (array $batches) use ($then): void {
                $site = self::site();
                foreach ($batches as $steps) {
                    $ripple = $then($site, RandomChanges::over($site)->batch($steps));
                    if ($ripple !== null && $ripple->canBeApplied()) {
                        $site->carryOut($ripple);
                    }
                }
                self::assertNotSame([], $site->pages);
            });
    }

    private static function said(MemorySite $site, Batch $batch): Ripple|Refusal
    {
        try {
            return $site->planBatch($batch);
        } catch (Refusal $refused) {
            return $refused;
        }
    }

    private static function inWords(Ripple|Refusal $said): string
    {
        return $said instanceof Ripple ? $said->digest() : "{$said->field}: {$said->reason}";
    }

    private static function namesOf(MemorySite $site): Names
    {
        return new class($site) implements Names
        {
            public function __construct(private readonly MemorySite $site)
            {
            }

            public function page(string $id): string
            {
                return ($this->site->pages[$id] ?? null)->name ?? '';
            }

            public function menu(string $id): string
            {
                return ($this->site->menus[$id] ?? null)->name ?? '';
            }
        };
    }

    private static function site(): MemorySite
    {
        $site = new MemorySite();
        $site->authority = Authority::Owner;
        $id = static fn (string $name): string => Identity::derived('01J0000000', $name);
        foreach (
            ['Home' => null, 'Help' => null, 'Times' => 'Help', 'Summer' => 'Times', 'Travel' => null, 'Fares' => 'Travel', 'Hidden' => null] as $name => $parent
        ) {
            $site->apply(new Make($id($name), PageName::of($name), Place::lastIn($parent === null ? null : $id($parent))));
            if ($name !== 'Hidden') {
                $site->apply(new GoLive($id($name)));
            }
            $site->startPage ??= $id('Home');
        }

        return $site;
    }
}
