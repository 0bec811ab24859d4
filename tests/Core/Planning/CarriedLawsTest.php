<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Address\TrailingSlash;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\Pin;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Linking\RawLink;
use Heronstem\Core\Moment;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\AddressMove;
use Heronstem\Core\Ripple\Conflict;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\Authority;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** The law of pages that are carried along: a ripple says the same of them as if each had been looked at by itself. */
final class CarriedLawsTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function what_follows_is_the_same_whether_pages_are_carried_along_or_looked_at_one_by_one(): void
    {
        $rules = Generators::elements([
            new AddressRules(),
            new AddressRules(trailingSlash: TrailingSlash::Always),
            new AddressRules(suffix: '.html'),
            new AddressRules(caseSensitive: true),
        ]);
        $this->limitTo(300)
            ->forAll($rules, RandomChanges::batches(), Generators::choose(0, 9))
            ->then(function (AddressRules $rules, array $batches, int $moved): void {
                $site = $this->site($rules);
                foreach ($batches as $steps) {
                    // Most batches move something with pages below it, whatever else they do.
                    $steps[] = [5, $moved++, $steps[0][2], $steps[0][3]];
                    $batch = RandomChanges::over($site)->batch($steps);
                    $carried = $this->planned($site, $batch, true);
                    $single = $this->planned($site, $batch, false);
                    self::assertSame(
                        $single instanceof Ripple ? self::told($single) : $single,
                        $carried instanceof Ripple ? self::told($carried) : $carried,
                    );
                    if ($carried instanceof Ripple && $carried->canBeApplied()) {
                        $site->carryOut($carried);
                        $this->link($site);
                    }
                }
            });
    }

    #[Test]
    public function taking_back_whatever_was_done_is_the_same_as_well(): void
    {
        $this->limitTo(300)
            ->forAll(RandomChanges::batches(), Generators::choose(0, 9), Generators::elements([null, Answer::Free, Answer::Redirect]))
            ->then(function (array $batches, int $moved, ?Answer $answer): void {
                $site = $this->site(new AddressRules());
                $done = [];
                foreach ($batches as $steps) {
                    foreach ([[[5, $moved++, $steps[0][2], $steps[0][3]]], $steps] as $each) {
                        $ripple = RandomChanges::planned($site, $each);
                        if ($ripple !== null && ! $ripple->changesNothing()) {
                            $done[] = $site->carryOut($ripple);
                        }
                    }
                }
                $this->link($site);
                foreach ($done as $n => $ripple) {
                    $at = $n % 2 === 0 ? null : Moment::at($site->now - 1000);
                    $decisions = array_map(
                        static fn (string $page): Decision => Decision::answer(QuestionKind::InBetween, $page, $answer ?? Answer::Free),
                        $answer === null ? [] : array_map(strval(...), array_keys($site->pages)),
                    );
                    $batch = new Batch([$site->kept($ripple, $at)], Decisions::elseDefaults(...$decisions));
                    $carried = $this->planned($site, $batch, true);
                    $single = $this->planned($site, $batch, false);
                    self::assertSame(
                        $single instanceof Ripple ? self::told($single) : $single,
                        $carried instanceof Ripple ? self::told($carried) : $carried,
                    );
                }
            });
    }

    #[Test]
    public function a_branch_that_moves_back_is_carried_along_as_well(): void
    {
        $site = $this->site(new AddressRules());
        $moved = $site->apply(new Move('Help', Place::lastIn('Travel')));

        $back = $site->planBatch(Batch::of($site->kept($moved)));

        self::assertSame(['Times', 'Winter', 'Cars', 'Summer', 'Nights', 'Early', 'Late'], $back->pages->outcome->carried()->ids());
        self::assertCount(0, $back->addresses->redirectsWritten, 'Nobody saw it there.');
        self::assertCount(7, $site->planBatch(Batch::of($site->kept($moved, Moment::at($site->now - 1000))))->addresses->redirectsWritten);
    }

    #[Test]
    public function a_plain_branch_is_carried_along_and_what_is_set_by_itself_in_it_is_not(): void
    {
        $site = $this->site(new AddressRules());
        $site->apply(new Pin('Winter', Address::set('/winter-boats', $site->rules)), new TakeOffline('Cars'));

        $ripple = $site->plan(new Move('Help', Place::lastIn('Travel')));

        self::assertSame(['Times', 'Cars', 'Summer', 'Early', 'Late'], $ripple->pages->outcome->carried()->ids());
        self::assertSame(['Help', 'Winter', 'Nights'], $ripple->pages->outcome->singleIds());
        self::assertSame(
            [
                'Help' => '/travel/help',
                'Times' => '/travel/help/times',
                'Cars' => '/travel/help/cars',
                'Summer' => '/travel/help/times/summer',
                'Early' => '/travel/help/times/summer/early',
                'Late' => '/travel/help/times/summer/late',
            ],
            array_column($ripple->addresses->moves->each(static fn (AddressMove $move): array => [$move->page, $move->to->path]), 1, 0),
        );
    }

    #[Test]
    public function a_page_whose_next_address_somebody_else_wants_is_looked_at_by_itself(): void
    {
        $site = $this->site(new AddressRules());

        $ripple = $site->plan(new SetSlug('Help', Slug::of('ask')), new Pin('Fares', Address::set('/ask/times/summer', $site->rules)));

        self::assertFalse($ripple->pages->outcome->carried()->has('Summer'));
        self::assertTrue($ripple->pages->outcome->carried()->has('Early'));
        self::assertCount(1, $ripple->toDecide->conflicts);
    }

    /** @return Ripple|string what follows, or why nothing does */
    private function planned(MemorySite $site, Batch $batch, bool $plainly): Ripple|string
    {
        $site->carriesPlainly = $plainly;
        try {
            return $site->planBatch($batch);
        } catch (Refusal $refusal) {
            return $refusal->getMessage();
        } finally {
            $site->carriesPlainly = true;
        }
    }

    /**
     * @return array<mixed> everything that a ripple says, in an order of its own where it has none; where pages want one address,
     *   which of them is told to be first is no matter, and nothing else counts before that is decided
     */
    private static function told(Ripple $ripple): array
    {
        if ($ripple->toDecide->conflicts !== []) {
            $wanted = array_map(static fn (Conflict $conflict): string => $conflict->address->key, $ripple->toDecide->conflicts);
            sort($wanted);

            return $wanted;
        }
        $sorted = static function (array $list): array {
            $texts = array_map(serialize(...), $list);
            sort($texts);

            return $texts;
        };
        $pages = array_map(
            static fn (?Page $page): ?array => $page === null ? null : [$page->toFields(), $page->address],
            iterator_to_array($ripple->pages->outcome),
        );
        ksort($pages);
        $links = $ripple->menusAndLinks;

        return [
            'digest' => $ripple->digest(),
            'pages' => $sorted($pages),
            'claims' => $ripple->addresses->claims->each(static fn ($each): array => $each->toArray()),
            'counts' => [count($ripple->addresses->claims), count($ripple->addresses->moves), count($ripple->pages->outcome)],
            'moved' => $sorted($ripple->addresses->moved),
            'moves' => $sorted($ripple->addresses->moves->toList()),
            'heirs' => array_keys($ripple->addresses->heirs),
            'links' => [$sorted($links->rawLinks), $sorted($links->entries), $links->touched, $links->linksFollow],
            'search' => [
                $ripple->search->sitemapEntries,
                $sorted($ripple->search->titles),
                $sorted($ripple->search->indexing),
                $sorted($ripple->search->canonicals),
            ],
            'visitors' => $sorted($ripple->visitors->changes),
            'questions' => $sorted($ripple->toDecide->questions),
            'notes' => $sorted($ripple->toDecide->notes),
            'drawing' => serialize($ripple->drawing),
        ];
    }

    private function site(AddressRules $rules): MemorySite
    {
        $site = new MemorySite($rules);
        $site->authority = Authority::Owner;
        $site->startPage = 'Home';
        $site->live('Home');
        $site->live('Travel');
        $site->live('Fares', 'Travel');
        $site->live('Help');
        $site->live('Times', 'Help');
        $site->live('Winter', 'Help');
        $site->live('Nights', 'Winter');
        $site->draft('Cars', 'Help');
        $site->live('Summer', 'Times');
        $site->live('Early', 'Summer');
        $site->live('Late', 'Summer');
        $this->link($site);

        return $site;
    }

    /** Some page links to every address there is, as it is written. */
    private function link(MemorySite $site): void
    {
        $site->rawLinks = [];
        foreach ($site->claims as $claim) {
            $site->rawLinks[] = new RawLink('Home', 'Home', $claim->address->path, $claim->address, true);
        }
    }
}
