<?php

declare(strict_types=1);

namespace Tests\Core\Contract;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\ClaimKind;
use Heronstem\Core\Address\Ledger;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\Change\GoLive;
use Heronstem\Core\Structure\Change\Make;
use Heronstem\Core\Structure\Change\Move;
use Heronstem\Core\Structure\Name;
use Heronstem\Core\Structure\Pages;
use Heronstem\Core\Structure\Place;
use PHPUnit\Framework\Attributes\Test;

/** What every implementation of the structure's ports keeps to, in memory or stored. */
trait PortsContract
{
    private const HELP = '01J00000000000000000000001';

    private const TIMES = '01J00000000000000000000002';

    private const SUMMER = '01J00000000000000000000003';

    private const TRAVEL = '01J00000000000000000000004';

    abstract protected function pages(): Pages;

    abstract protected function ledger(): Ledger;

    abstract protected function carryOut(Change ...$changes): mixed;

    private function givenASite(): void
    {
        $this->carryOut(
            new Make(self::HELP, Name::of('Help'), Place::lastIn(null)),
            new Make(self::TIMES, Name::of('Times'), Place::lastIn(self::HELP)),
            new Make(self::SUMMER, Name::of('Summer'), Place::lastIn(self::TIMES)),
            new Make(self::TRAVEL, Name::of('Travel'), Place::lastIn(null)),
            new GoLive(self::TIMES),
        );
    }

    #[Test]
    public function a_page_is_read_as_it_was_left(): void
    {
        $this->givenASite();
        $page = $this->pages()->page(self::TIMES);
        self::assertSame([self::HELP, 'Times', 'times', '/help/times', true, false], [$page?->parent, $page?->name, $page?->slug->text, $page?->address->path, $page?->isLive(), $page?->slugByHand]);
        self::assertNull($this->pages()->page('01J00000000000000000000009'));
    }

    #[Test]
    public function a_branch_holds_the_page_and_all_below_parents_first(): void
    {
        $this->givenASite();
        $ids = [];
        foreach ($this->pages()->branch(self::HELP) as $page) {
            $ids[] = $page->id;
        }
        self::assertSame([self::HELP, self::TIMES, self::SUMMER], $ids);
    }

    #[Test]
    public function a_moved_branch_is_read_in_its_new_place(): void
    {
        $this->givenASite();
        $this->carryOut(new Move(self::TIMES, Place::lastIn(self::TRAVEL)));
        self::assertSame([], $this->pages()->childOrder(self::HELP));
        self::assertSame('/travel/times/summer', $this->pages()->page(self::SUMMER)?->address->path);
        $ids = [];
        foreach ($this->pages()->branch(self::TRAVEL) as $page) {
            $ids[] = $page->id;
        }
        self::assertSame([self::TRAVEL, self::TIMES, self::SUMMER], $ids);
    }

    #[Test]
    public function children_come_in_order(): void
    {
        $this->givenASite();
        self::assertSame([self::HELP, self::TRAVEL], array_keys($this->pages()->childOrder(null)));
        $this->carryOut(new Move(self::TRAVEL, Place::before(self::HELP)));
        self::assertSame([self::TRAVEL, self::HELP], array_keys($this->pages()->childOrder(null)));
    }

    #[Test]
    public function the_ledger_answers_by_key_and_by_page(): void
    {
        $this->givenASite();
        $this->carryOut(new Move(self::TIMES, Place::lastIn(self::TRAVEL)));
        $rules = new AddressRules;
        $claims = $this->ledger()->claimsOn([Address::asked('/HELP/times', $rules), Address::asked('/travel/times', $rules), Address::asked('/nobody', $rules)]);
        self::assertEqualsCanonicalizing(['/help/times', '/travel/times'], array_keys($claims));
        self::assertSame([ClaimKind::Redirect, self::TIMES, true], [$claims['/help/times']->kind, $claims['/help/times']->page, $claims['/help/times']->everLive]);
        self::assertTrue($claims['/travel/times']->isPageOf(self::TIMES));
        self::assertCount(2, $this->ledger()->claimsOfPage(self::TIMES));
        self::assertCount(1, $this->ledger()->claimsOfPage(self::SUMMER));
    }
}
