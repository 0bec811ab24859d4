<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\MakeRedirect;
use Heronstem\Core\Change\MendLinks;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Linking\RawLink;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleAnswer;
use Heronstem\Core\Redirect\RuleScope;
use Heronstem\Core\Ripple\RawLinkEffect;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** Links in content that are written as addresses: what a change does to them, and the offer to mend them. */
final class RawLinksTest extends TestCase
{
    use TestTrait;

    private MemorySite $site;

    protected function setUp(): void
    {
        $this->shrinkingTimeLimit(30);
        $this->site = new MemorySite();
        $this->site->live('Help');
        $this->site->live('Times', 'Help');
        $this->site->live('Travel');
        $this->write('/help/times', '/help/times?from=home#may', '/travel', '/nowhere');
    }

    #[Test]
    public function links_are_mended_without_anything_else_being_changed(): void
    {
        $this->write('/help/times', '/help/times?from=home#may', '/older', '/for-now', '/nowhere');
        $this->site->apply(new SetSlug('Times', Slug::of('timetables')));
        $this->site->apply(
            new MakeRedirect(new Rule('RULE', RuleScope::One, '/old-travel', '/old-travel', RuleAnswer::MovedPermanently, Target::page('Travel'))),
        );
        $this->site->apply(
            new MakeRedirect(
                new Rule(
                    'FIRST',
                    RuleScope::One,
                    '/older',
                    '/older',
                    RuleAnswer::MovedPermanently,
                    Target::read('address', '/old-travel', $this->site->rules),
                ),
            ),
        );
        $this->site->apply(new MakeRedirect(new Rule('NOW', RuleScope::One, '/for-now', '/for-now', RuleAnswer::Found, Target::page('Travel'))));
        $ripple = $this->site->plan(new MendLinks());
        $this->write('/help/times', '/help/times?from=home#may', '/old-travel', '/nowhere');
        self::assertSame(
            [
                ['/help/times', 'mended', 'Times', 'Times'],
                ['/help/times?from=home#may', 'mended', 'Times', 'Times'],
                ['/older', 'mended', 'Travel', 'Travel'],
            ],
            $this->said($ripple),
        );
        self::assertCount(3, $ripple->rewrites());
        self::assertTrue($ripple->matters() && ! $ripple->changesNothing());
        self::assertSame([], $ripple->toDecide->questions);
        self::assertSame([], $this->said($this->site->plan(new MendLinks(['Times']))));
        self::assertTrue($this->site->plan(new MendLinks(['Times']))->changesNothing());
    }

    #[Test]
    public function links_that_the_same_batch_breaks_are_asked_about_rather_than_mended(): void
    {
        $ripple = $this->site->plan(new MendLinks(), new TakeOffline('Travel'));
        self::assertSame(
            ['/help/times', '/help/times?from=home#may'],
            array_map(static fn (RawLinkEffect $effect): string => $effect->link->href, $ripple->rewrites()),
        );
    }

    #[Test]
    public function a_link_to_a_moved_page_goes_through_the_redirect_and_can_be_turned(): void
    {
        $ripple = $this->site->plan(new Move('Times', Place::lastIn('Travel')));
        self::assertSame(
            [['/help/times', 'redirected', 'Times', 'Times'], ['/help/times?from=home#may', 'redirected', 'Times', 'Times']],
            $this->said($ripple),
        );
        self::assertSame(
            [QuestionKind::RawLinks, 2, Answer::Leave, false],
            [
                $ripple->toDecide->questions[0]->kind,
                $ripple->toDecide->questions[0]->count,
                $ripple->toDecide->questions[0]->default,
                $ripple->toDecide->questions[0]->isOpen(),
            ],
        );
        self::assertTrue($ripple->canBeApplied(), 'The offer holds nothing up.');
        self::assertSame([], $ripple->rewrites());

        $taken = $this->site->planBatch(
            new Batch(
                [new Move('Times', Place::lastIn('Travel'))],
                Decisions::of(Decision::answer(QuestionKind::RawLinks, 'Times', Answer::Rewrite)),
            ),
        );
        self::assertCount(2, $taken->rewrites());
        self::assertNotSame($ripple->digest(), $taken->digest(), 'What would be written is not the same.');
    }

    #[Test]
    public function a_link_to_an_address_that_another_page_takes_leads_astray(): void
    {
        $this->site->live('Boats');
        $ripple = $this->site->planBatch(
            new Batch(
                [new SetSlug('Travel', Slug::of('voyage')), new SetSlug('Boats', Slug::of('travel'))],
                Decisions::elseDefaults(Decision::giveWay(Address::set('/travel', $this->site->rules))),
            ),
        );
        self::assertSame([['/travel', 'diverted', 'Boats', 'Travel']], $this->said($ripple));
    }

    #[Test]
    public function a_link_to_a_page_that_goes_breaks_or_ends_at_its_heir_and_neither_can_be_turned(): void
    {
        $offline = $this->site->plan(new TakeOffline('Times'));
        self::assertSame([['/help/times', 'breaks', null, null], ['/help/times?from=home#may', 'breaks', null, null]], $this->said($offline));
        self::assertSame([], $offline->toDecide->questions);
        $binned = $this->site->planBatch(new Batch([new PutInBin('Times')], Decisions::elseDefaults()));
        self::assertSame(
            [['/help/times', 'redirected', 'Help', null], ['/help/times?from=home#may', 'redirected', 'Help', null]],
            $this->said($binned),
        );
        $gone = $this->site->planBatch(
            new Batch([new PutInBin('Times')], Decisions::of(Decision::answer(QuestionKind::Retired, 'Times', Answer::Gone))),
        );
        self::assertSame('breaks', $this->said($gone)[0][1]);
    }

    #[Test]
    public function what_never_worked_is_not_said_to_break(): void
    {
        $this->site->draft('Plans');
        $this->write('/plans', '/nowhere');
        self::assertSame([], $this->said($this->site->plan(new SetSlug('Plans', Slug::of('ideas')))));
        self::assertSame([], $this->said($this->site->plan(new GoLive('Plans'))));
    }

    #[Test]
    public function exactly_the_links_that_no_longer_reach_their_page_at_once_are_said(): void
    {
        $this->limitTo(300)
            ->forAll(RandomChanges::batches(), Generators::choose(0, 3))
            ->then(function (array $batches, int $more): void {
                $site = new MemorySite();
                foreach (['Help', 'Times', 'Summer', 'Travel'] as $n => $name) {
                    $site->live($name, $n === 0 || $n === 3 ? null : ['Help', 'Times'][$n - 1]);
                }
                for ($n = 0; $n < $more; $n++) {
                    $site->draft("Draft $n", 'Travel');
                }
                foreach ($batches as $steps) {
                    $site->rawLinks = [];
                    foreach ($site->claims as $claim) {
                        $site->rawLinks[] = new RawLink('Help', 'Help', $claim->address->path, $claim->address, true);
                    }
                    $before = $this->answers($site);
                    $ripple = RandomChanges::planned($site, $steps);
                    if ($ripple === null) {
                        continue;
                    }
                    $site->carryOut($ripple);
                    $expected = [];
                    foreach ($before as $key => $page) {
                        if ($page !== null && ($this->answers($site)[$key] ?? null) !== $page) {
                            $expected[] = $key;
                        }
                    }
                    $said = array_values(
                        array_filter(
                            array_map(static fn (RawLinkEffect $effect): string => $effect->link->address->key, $ripple->menusAndLinks->rawLinks),
                            static fn (string $key): bool => $before[$key] !== null,
                        ),
                    );
                    sort($expected);
                    sort($said);
                    self::assertSame($expected, $said);
                }
            });
    }

    /** @return array<string, string|null> by key, the page that a visitor gets at once at each address, its spelling aside */
    private function answers(MemorySite $site): array
    {
        $answers = [];
        foreach ($site->claims as $claim) {
            $page = $claim->page === null ? null : $site->pages[$claim->page];
            $answers[$claim->address->key] =
                $page?->isLive() === true && str_starts_with($site->answer($claim->address->path), 'page ') ? $page->id : null;
        }

        return $answers;
    }

    private function write(string ...$hrefs): void
    {
        $this->site->rawLinks = array_map(
            fn (string $href): RawLink => new RawLink('Help', 'Help', $href, Address::asked($href, $this->site->rules), true),
            array_values($hrefs),
        );
    }

    /** @return list<array{string, string, string|null, string|null}> href, fate, where it lands, whom it meant */
    private function said(Ripple $ripple): array
    {
        return array_map(
            static fn (RawLinkEffect $effect): array => [$effect->link->href, $effect->fate->value, $effect->lands?->name, $effect->meant?->name],
            $ripple->menusAndLinks->rawLinks,
        );
    }
}
