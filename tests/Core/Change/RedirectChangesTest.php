<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Change\AddAddress;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\ChangeRedirect;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Change\MakeRedirect;
use Heronstem\Core\Change\OrderPatterns;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\RemoveAddress;
use Heronstem\Core\Change\RemoveRedirect;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Ripple\Conflict;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Ripple\WayOut;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RefusesChanges;

/** Redirects made, changed and removed by hand: what they claim, what they may not, what goes back. */
final class RedirectChangesTest extends TestCase
{
    use RefusesChanges;

    private const A = '01J000000000000000000000AA';

    private const B = '01J000000000000000000000BB';

    protected function setUp(): void
    {
        $this->site = new MemorySite();
        $this->site->live('01J000000000000000000000P1', slug: 'help');
        $this->site->live('01J000000000000000000000P2', slug: 'fares');
    }

    #[Test]
    public function a_redirect_holds_its_address_until_it_is_removed(): void
    {
        $made = $this->site->apply($this->making(self::A, '/dogs'));
        self::assertSame(ClaimKind::Rule, $this->site->claims['/dogs']->kind);
        self::assertTrue($made->matters());
        $removed = $this->site->apply(RemoveRedirect::leavingFree(self::A));
        self::assertSame([[], []], [$this->site->redirects, array_intersect_key($this->site->claims, ['/dogs' => true])]);
        $this->site->undo($removed);
        self::assertSame('/dogs', $this->site->redirects[self::A]->source);
        $this->site->apply(RemoveRedirect::leavingGone(self::A));
        self::assertSame(ClaimKind::Gone, $this->site->claims['/dogs']->kind);
    }

    #[Test]
    public function an_address_that_was_live_says_gone_once_its_redirect_is_removed(): void
    {
        $this->site->apply(new SetSlug('01J000000000000000000000P2', \Heronstem\Core\Address\Slug::of('prices')));
        $conflict = $this->conflict($this->site->plan($this->making(self::A, '/fares')));
        self::assertSame(
            ['', self::A, ClaimKind::Redirect, ['replace-redirect', 'choose-another']],
            [$conflict->page, $conflict->rule, $conflict->held->kind, $this->ways($conflict)],
        );
        $this->site->carryOut(
            $this->site->planBatch(new Batch([$this->making(self::A, '/fares')], Decisions::of(Decision::giveWay($conflict->address)))),
        );
        $this->site->apply(RemoveRedirect::leavingFree(self::A));
        self::assertSame(ClaimKind::Gone, $this->site->claims['/fares']->kind, 'No address that was live is lost.');
    }

    #[Test]
    public function a_redirect_in_the_way_of_a_page_is_replaced_where_that_is_decided_and_comes_back(): void
    {
        $this->site->apply($this->making(self::A, '/offers'));
        $make = new Make('01J000000000000000000000P3', \Heronstem\Core\Tree\PageName::of('Offers'), \Heronstem\Core\Workspace\Place::lastIn(null));
        $conflict = $this->conflict($this->site->plan($make));
        self::assertSame(ClaimKind::Rule, $conflict->held->kind);
        self::assertContains('replace-redirect', $this->ways($conflict));
        $before = $this->site->snapshot();
        $ripple = $this->site->carryOut($this->site->planBatch(new Batch([$make], Decisions::of(Decision::giveWay($conflict->address)))));
        self::assertSame([], $this->site->redirects);
        $this->site->undo($ripple);
        self::assertSame($before, $this->site->snapshot());
    }

    #[Test]
    public function a_page_keeps_its_address_and_a_redirect_may_stand_in_front_of_it(): void
    {
        $make = $this->making(self::A, '/help', ['leadsTo' => ['page' => '01J000000000000000000000P2']]);
        $conflict = $this->conflict($this->site->plan($make));
        self::assertSame(
            ['choose-another'],
            $this->ways($this->conflict($this->site->plan($this->making(self::A, '/help')))),
            'In front of its own target it would go round.',
        );
        self::assertSame(['stand-in-front', 'choose-another'], $this->ways($conflict));
        $ripple = $this->site->apply($make, ...$conflict->waysOut[0]->changes);
        self::assertSame(
            [[NoteKind::RedirectHides, '01J000000000000000000000P1']],
            array_map(static fn (Note $note): array => [$note->kind, $note->page], $ripple->toDecide->notes),
        );
        self::assertSame(ClaimKind::Page, $this->site->claims['/help']->kind);
    }

    #[Test]
    public function what_a_redirect_does_to_chains_is_said_before_it_is_made(): void
    {
        $told = static fn (Ripple $ripple): array => array_map(
            static fn (Note $note): array => [$note->kind, $note->name, $note->other],
            $ripple->toDecide->notes,
        );
        $this->site->apply($this->making(self::A, '/a', ['leadsTo' => ['address' => '/b']]));
        self::assertSame([[NoteKind::RedirectsLeadHere, '/b', '1']], $told($this->site->plan($this->making(self::B, '/b'))));
        self::assertSame([], $told($this->site->plan($this->making(self::B, '/c'))));
        $this->site->apply($this->making(self::B, '/b'));
        self::assertSame(
            [[NoteKind::RedirectChains, '/c', '/help']],
            $told($this->site->plan($this->making('01J000000000000000000000CC', '/c', ['leadsTo' => ['address' => '/a']]))),
        );
    }

    #[Test]
    public function what_leads_back_to_itself_is_refused_with_the_steps(): void
    {
        $this->site->apply($this->making(self::A, '/a', ['leadsTo' => ['address' => '/b']]));
        $this->refused('changes.0.leadsTo', 'in a loop: /b → /a → /b', $this->making(self::B, '/b', ['leadsTo' => ['address' => '/a']]));
        $this->refused('changes.0.leadsTo', 'in a loop', $this->making(self::B, '/x', ['scope' => 'branch', 'leadsTo' => ['address' => '/x/y']]));
        $this->refused('changes.0.leadsTo', 'in a loop', $this->making(self::B, '/b', ['scope' => 'branch', 'leadsTo' => ['address' => '/a']]));
        $this->refused(
            'changes.0.leadsTo',
            'in a loop',
            $this->making(self::B, '/p/:x', ['scope' => 'pattern', 'leadsTo' => ['address' => '/p/:x']]),
        );
        $this->site->apply($this->making(self::B, '/b', ['leadsTo' => ['address' => '/c']]));
        $this->refused('changes.0.leadsTo', 'in a loop', new ChangeRedirect(self::B, ['leadsTo' => ['address' => '/a']]));
    }

    #[Test]
    public function a_target_in_the_bin_and_a_second_rule_for_the_same_are_refused(): void
    {
        $this->site->carryOut(
            $this->site->planBatch(
                new Batch(
                    [new PutInBin('01J000000000000000000000P2')],
                    Decisions::of(Decision::answer(QuestionKind::Retired, '01J000000000000000000000P2', Answer::Gone)),
                ),
            ),
        );
        $this->refused('changes.0.leadsTo', 'in the bin', $this->making(self::A, '/a', ['leadsTo' => ['page' => '01J000000000000000000000P2']]));
        $this->refused('changes.0.leadsTo', 'There is no page', $this->making(self::A, '/a', ['leadsTo' => ['page' => self::B]]));
        $this->site->apply($this->making(self::A, '/old', ['scope' => 'branch']));
        $this->refused('changes.0.source', 'already', $this->making(self::B, '/OLD', ['scope' => 'branch']));
        $this->refused('changes.0.redirect', 'no such redirect', new ChangeRedirect(self::B, ['isOn' => false]));
        $this->refused('changes.0.redirect', 'like this already', new ChangeRedirect(self::A, ['isOn' => true]));
        $this->refused('changes.0.redirect', 'already', $this->making(self::A, '/new'));
    }

    #[Test]
    public function a_redirect_follows_its_page_and_is_said_when_the_page_goes(): void
    {
        $this->site->apply($this->making(self::A, '/dogs'));
        $ripple = $this->site->plan(new TakeOffline('01J000000000000000000000P1'));
        self::assertContains(NoteKind::RedirectsBreak, array_column($ripple->toDecide->notes, 'kind'));
        self::assertSame([], $ripple->redirects->rules);
    }

    #[Test]
    public function patterns_come_one_after_the_other_and_are_put_in_order(): void
    {
        $this->site->apply($this->making(self::A, '/a/:x', ['scope' => 'pattern']), $this->making(self::B, '/a/*', ['scope' => 'pattern']));
        $positions = fn (): array => array_map(static fn (Rule $rule): int => $rule->position, $this->site->redirects);
        self::assertSame([self::A => 1, self::B => 2], $positions());
        $ripple = $this->site->apply(new OrderPatterns([self::B]));
        self::assertSame([self::A => 2, self::B => 1], $positions());
        $this->refused('changes.0.redirects', 'already', new OrderPatterns([self::B, self::A]));
        $this->site->undo($ripple);
        self::assertSame([self::A => 1, self::B => 2], $positions());
    }

    #[Test]
    public function a_former_address_becomes_a_redirect_by_hand_and_back_in_one_batch(): void
    {
        $this->site->apply(AddAddress::sendingOn('01J000000000000000000000P1', Address::set('/sos', $this->site->rules)));
        $ripple = $this->site->apply(
            new RemoveAddress('01J000000000000000000000P1', Address::set('/sos', $this->site->rules)),
            $this->making(self::A, '/sos'),
        );
        self::assertSame(ClaimKind::Rule, $this->site->claims['/sos']->kind);
        $this->site->undo($ripple);
        self::assertSame([ClaimKind::Redirect, []], [$this->site->claims['/sos']->kind, $this->site->redirects]);
        $this->site->apply(new RemoveAddress('01J000000000000000000000P1', Address::set('/sos', $this->site->rules)), $this->making(self::A, '/sos'));
        $this->site->apply(
            RemoveRedirect::leavingFree(self::A),
            AddAddress::serving('01J000000000000000000000P1', Address::set('/sos', $this->site->rules)),
        );
        self::assertSame([ClaimKind::Also, []], [$this->site->claims['/sos']->kind, $this->site->redirects]);
    }

    /** @param  array<string, mixed>  $fields */
    private function making(string $id, string $source, array $fields = []): MakeRedirect
    {
        return new MakeRedirect(
            (new RuleReader($this->site->rules, 'UTC'))->read(
                ['id' => $id, 'source' => $source] + $fields + ['leadsTo' => ['page' => '01J000000000000000000000P1']],
            ),
        );
    }

    private function conflict(Ripple $ripple): Conflict
    {
        self::assertCount(1, $ripple->toDecide->conflicts);

        return $ripple->toDecide->conflicts[0];
    }

    /** @return list<string> */
    private function ways(Conflict $conflict): array
    {
        return array_map(static fn (WayOut $way): string => $way->kind->value, $conflict->waysOut);
    }
}
