<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\InvalidAddress;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Address\TrailingSlash;
use Heronstem\Core\Change\AddAddress;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\MakeRedirect;
use Heronstem\Core\Change\Pin;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\SetAddressRules;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;
use Heronstem\Core\Redirect\RuleScope;
use Heronstem\Core\Ripple\AddressMove;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;

/** The addresses of a site written otherwise, by examples. */
final class AddressRulesTest extends TestCase
{
    private function site(AddressRules $rules = new AddressRules()): MemorySite
    {
        $site = new MemorySite($rules);
        $site->live('Travel', slug: 'travel');
        $site->live('Fares', 'Travel', 'fares');
        $site->apply(new SetSlug('Fares', Slug::of('prices')));

        return $site;
    }

    #[Test]
    public function a_slash_moves_every_page_and_needs_no_redirect(): void
    {
        $site = $this->site();
        $ripple = $site->apply(new SetAddressRules(TrailingSlash::Always));
        self::assertSame(
            ['/travel → /travel/', '/travel/prices → /travel/prices/'],
            $ripple->addresses->moves->each(static fn (AddressMove $move): string => "{$move->from->path} → {$move->to->path}"),
        );
        self::assertCount(0, $ripple->addresses->redirectsWritten);
        self::assertCount(0, $ripple->addresses->redirectsDropped);
        self::assertSame('page Fares', $site->answer('/travel/prices'));
        self::assertSame('redirect /travel/prices/', $site->answer('/travel/fares'));
    }

    #[Test]
    public function an_ending_that_goes_leaves_redirects_since_it_is_part_of_a_name_from_then_on(): void
    {
        $site = $this->site(new AddressRules(suffix: '.html'));
        $ripple = $site->apply(new SetAddressRules(suffix: ''));
        self::assertSame(
            ['/travel.html', '/travel/prices.html'],
            $ripple->addresses->redirectsWritten->each(static fn ($claim): string => $claim->address->path),
        );
        self::assertSame('page Fares', $site->answer('/travel/prices'));
        foreach (['/travel/prices.html', '/travel/fares.html'] as $former) {
            self::assertSame('redirect /travel/prices', $site->answer($former));
        }
    }

    #[Test]
    public function pinned_and_further_addresses_follow_and_what_waits_in_the_bin_is_found_again(): void
    {
        $site = $this->site();
        $site->apply(new Pin('Travel', Address::set('/go', $site->rules)));
        $site->apply(AddAddress::serving('Fares', Address::set('/tickets', $site->rules)));
        $site->apply(AddAddress::serving('Fares', Address::set('/tickets.pdf', $site->rules)));
        $binned = $site->live('Deals', slug: 'deals');
        $bin = $site->carryOut($site->planBatch(new Batch([new PutInBin($binned)], Decisions::elseDefaults())));
        $site->apply(new SetAddressRules(TrailingSlash::Always));
        self::assertSame('/go/', $site->pages['Travel']->address->path);
        self::assertSame(['page Fares', 'page Fares'], [$site->answer('/tickets'), $site->answer('/tickets.pdf')]);
        $site->undo($bin);
        self::assertSame('/deals/', $site->pages[$binned]->address->path);
        self::assertSame('page Deals', $site->answer('/deals'));
    }

    #[Test]
    public function addresses_that_differ_by_capitals_alone_stand_in_the_way_of_not_telling_them_apart(): void
    {
        $site = $this->site(new AddressRules(caseSensitive: true));
        $site->apply(AddAddress::sendingOn('Fares', Address::set('/Poster', $site->rules)));
        $site->apply(AddAddress::sendingOn('Travel', Address::set('/poster', $site->rules)));
        try {
            $site->plan(new SetAddressRules(caseSensitive: false));
            self::fail('Two became one.');
        } catch (InputRefused $refused) {
            self::assertSame('changes.0.caseSensitive', $refused->field);
            self::assertMatchesRegularExpression('#“/[Pp]oster” and “/[Pp]oster” would become one#', $refused->getMessage());
        }
    }

    #[Test]
    public function an_address_that_a_page_wants_and_somebody_else_has_is_a_conflict(): void
    {
        $site = $this->site();
        $site->apply(AddAddress::sendingOn('Travel', Address::set('/travel/prices.html', $site->rules)));
        $ripple = $site->plan(new SetAddressRules(suffix: '.html'));
        self::assertFalse($ripple->canBeApplied());
        self::assertSame(['/travel/prices.html'], array_map(static fn ($conflict): string => $conflict->address->path, $ripple->toDecide->conflicts));
    }

    #[Test]
    public function an_ending_that_stood_for_a_while_goes_on_answering_once_it_is_undone_unless_it_is_let_go(): void
    {
        $site = $this->site();
        $before = $site->snapshot();
        $site->undoLater($site->apply(new SetAddressRules(suffix: '.html')));
        self::assertSame('redirect /travel/prices', $site->answer('/travel/prices.html'));
        $site = $this->site();
        $letGo = Decision::answer(QuestionKind::InBetween, 'Travel', Answer::Free);
        $site->undoLater($site->apply(new SetAddressRules(suffix: '.html')), $letGo);
        self::assertSame($before, $site->snapshot(), 'It is asked once for a branch.');
    }

    #[Test]
    public function an_ending_that_a_redirect_rule_had_for_a_while_is_on_record_once_all_is_undone(): void
    {
        $site = $this->site();
        $rule = new Rule('RULE', RuleScope::One, '/travel/fares', '/travel/fares', RuleAnswer::MovedPermanently, Target::page('Travel'));
        $givesWay = Decisions::elseDefaults(Decision::giveWay(Address::set('/travel/fares', $site->rules)));
        $site->carryOut($site->planBatch(new Batch([new MakeRedirect($rule)], $givesWay)));
        $with = $site->apply(new SetAddressRules(suffix: '.html'));
        $without = $site->apply(new SetAddressRules(suffix: ''));
        $site->undoLater($without);
        $site->undoLater($with);
        self::assertSame('gone', $site->answer('/travel/fares.html'), 'Visitors knew it, and it is no spelling of another any more.');
        self::assertSame(ClaimKind::Rule, $site->claims['/travel/fares']->kind);
    }

    #[Test]
    public function rules_that_were_changed_again_stay_when_the_first_change_is_undone(): void
    {
        $site = $this->site();
        $first = $site->apply(new SetAddressRules(TrailingSlash::Always));
        $letters = $site->apply(new SetAddressRules(nativeLetters: true));
        self::assertSame(
            TrailingSlash::Never,
            $site->planUndoing($first)->addresses->rules?->after->trailingSlash,
            'Another rule is no matter of it.',
        );
        $site->apply(new SetAddressRules(TrailingSlash::Never));
        self::assertFalse($site->planUndoing($letters)->addresses->rules?->after->nativeLetters);
        $undone = $site->planUndoing($first);
        self::assertSame([NoteKind::AddressRulesStay], array_map(static fn ($note): NoteKind => $note->kind, $undone->toDecide->notes));
        self::assertNull($undone->addresses->rules);
    }

    #[Test]
    public function rules_that_contradict_each_other_and_rules_that_are_there_already_are_refused(): void
    {
        foreach (
            [new SetAddressRules(TrailingSlash::Always, '.html'), new SetAddressRules(suffix: 'html'), new SetAddressRules(TrailingSlash::Never)] as $change
        ) {
            try {
                $this->site()->plan($change);
                self::fail('It was taken.');
            } catch (InputRefused|InvalidAddress $refused) {
                self::assertStringStartsWith('changes.0.', $refused->field);
            }
        }
    }
}
