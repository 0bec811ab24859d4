<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\TrailingSlash;
use Heronstem\Core\Change\SetAddressRules;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Ripple;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\Invariants;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** Laws of writing the addresses of a site otherwise, over random sites, histories and rules. */
final class AddressRulesLawsTest extends TestCase
{
    use TestTrait;

    protected function setUp(): void
    {
        $this->shrinkingTimeLimit(30);
    }

    #[Test]
    public function whatever_the_rules_become_every_address_that_answered_leads_to_the_same_and_undoing_is_exact(): void
    {
        $this->limitTo(600)
            ->forAll(RandomChanges::batches(), Generators::seq(Generators::choose(0, 5)))
            ->then(function (array $batches, array $choices): void {
                $site = $this->site($batches);
                foreach (array_slice($choices, 0, 4) as $choice) {
                    $before = $site->snapshot();
                    $answers = $this->answers($site);
                    $ripple = $this->changed($site, $choice);
                    if ($ripple === null) {
                        continue;
                    }
                    self::assertSame($answers, $this->answers($site, array_keys($answers)));
                    Invariants::hold($site, []);
                    $after = $site->snapshot();
                    $back = $site->undo($ripple);
                    self::assertSame($before, $site->snapshot());
                    $site->undo($back);
                    self::assertSame($after, $site->snapshot());
                }
            });
    }

    #[Test]
    public function what_was_applied_before_the_rules_changed_can_still_be_undone_and_no_address_is_lost(): void
    {
        $this->limitTo(400)
            ->forAll(RandomChanges::batches(), Generators::choose(0, 5))
            ->then(function (array $batches, int $choice): void {
                $site = $this->site([]);
                $applied = [];
                foreach ($batches as $steps) {
                    $ripple = RandomChanges::planned($site, $steps);
                    if ($ripple !== null) {
                        $applied[] = $site->carryOut($ripple);
                    }
                }
                if ($applied === [] || $this->changed($site, $choice) === null) {
                    return;
                }
                foreach (array_reverse($applied) as $ripple) {
                    $plan = $this->planned(fn (): Ripple => $site->planUndoing($ripple));
                    if ($plan === null || ! $plan->canBeApplied()) {
                        break;
                    }
                    $site->now += 3600;
                    $site->carryOut($plan);
                    Invariants::hold($site, []);
                    foreach ($site->claims as $claim) {
                        self::assertSame(
                            $claim->address->path,
                            Address::asked($claim->address->path, $site->rules)->path,
                            'An address is not in normal form.',
                        );
                    }
                }
            });
    }

    #[Test]
    public function rules_changed_twice_are_undone_in_any_order_and_no_address_is_lost(): void
    {
        $this->limitTo(300)
            ->forAll(RandomChanges::batches(), Generators::choose(0, 5), Generators::choose(0, 5), Generators::bool())
            ->then(function (array $batches, int $one, int $other, bool $newestFirst): void {
                $site = $this->site($batches);
                $applied = array_values(array_filter([$this->changed($site, $one), $this->changed($site, $other)]));
                foreach ($newestFirst ? array_reverse($applied) : $applied as $ripple) {
                    $known = $this->answers($site);
                    try {
                        $site->undoLater($ripple);
                    } catch (Refusal|\LogicException) {
                        return; // something stands in its way, and it is said what
                    }
                    Invariants::hold($site, []);
                    foreach ($this->answers($site, array_keys($known)) as $address => $answer) {
                        // A record of being gone that was only written otherwise for a while is written back.
                        self::assertTrue($answer !== 'missed' || $known[$address] === 'gone', "$address was known and is lost.");
                    }
                }
            });
    }

    private function changed(MemorySite $site, int $choice): ?Ripple
    {
        $change = [
            new SetAddressRules(TrailingSlash::Always, ''),
            new SetAddressRules(TrailingSlash::Never, ''),
            new SetAddressRules(TrailingSlash::Never, '.html'),
            new SetAddressRules(caseSensitive: true),
            new SetAddressRules(caseSensitive: false),
            new SetAddressRules(TrailingSlash::Never, '.php', true),
        ][$choice];
        $ripple = $this->planned(fn (): Ripple => $site->plan($change));

        return $ripple?->canBeApplied() === true ? $site->carryOut($ripple) : null;
    }

    /** @param  \Closure(): Ripple  $plan */
    private function planned(\Closure $plan): ?Ripple
    {
        try {
            return $plan();
        } catch (Refusal) {
            return null;
        }
    }

    /** @param  list<list<mixed>>  $batches */
    private function site(array $batches): MemorySite
    {
        $site = new MemorySite();
        $site->live('Home', null, 'home');
        $site->live('Travel');
        $site->live('Fares', 'Travel');
        $site->live('Cars', 'Fares');
        $site->draft('News');
        foreach ($batches as $steps) {
            $ripple = RandomChanges::planned($site, $steps);
            if ($ripple !== null) {
                $site->carryOut($ripple);
            }
        }

        return $site;
    }

    /**
     * To whom each address leads that visitors know.
     *
     * @param  list<string>|null  $paths  null for all that are known now
     * @return array<string, string>
     */
    private function answers(MemorySite $site, ?array $paths = null): array
    {
        $known = array_filter($site->claims, static fn (Claim $claim): bool => $claim->everLive && $claim->kind !== ClaimKind::Reserved);
        $answers = [];
        foreach ($paths ?? array_map(static fn (Claim $claim): string => $claim->address->path, array_values($known)) as $path) {
            $claim = $site->claims[Address::asked($path, $site->rules)->key] ?? null;
            $rule = $claim?->kind === ClaimKind::Rule ? array_values($site->claiming([$claim->address->key]))[0]->id ?? 'nobody' : '';
            $answers[$path] = $claim === null ? 'missed' : ($claim->kind === ClaimKind::Gone ? 'gone' : "$claim->page$rule");
        }
        ksort($answers);

        return $answers;
    }
}
