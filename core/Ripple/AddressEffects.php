<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Address\AddressRulesDifference;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Series;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\CarriedPages;

/** What a batch does to addresses: where pages move, and what each address answers from now on. */
final readonly class AddressEffects
{
    /** @var Series<Claim> former addresses that lead to their page from now on */
    public Series $redirectsWritten;

    /** @var Series<Claim> redirects that go, because a page takes the address back or it leads nowhere any more */
    public Series $redirectsDropped;

    /** @var Series<Claim> addresses recorded as gone */
    public Series $gone;

    /**
     * @param  list<string>  $moved  pages whose address is another from now on, those included that only inherit it
     * @param  Series<AddressMove>  $moves  the same, each with its addresses
     * @param  Series<ClaimDifference>  $claims  ordered by address
     * @param  array<string, Page>  $heirs  pages that stay as they are, and to which redirects lead from now on
     * @param  AddressRulesDifference|null  $rules  how addresses are written from now on; null where that stays
     * @param  Series<ClaimDifference>  $single  those of the claims that do not just follow from pages being carried along
     * @param  CarriedPages  $carried  these pages
     */
    public function __construct(
        public array $moved,
        public Series $moves,
        public Series $claims,
        public array $heirs,
        public ?AddressRulesDifference $rules,
        Series $single,
        CarriedPages $carried,
    ) {
        $written = self::counted(
            $claims,
            $single,
            $carried->countLeadingHere(),
            static fn (ClaimDifference $each): ?Claim => $each->redirectWritten(),
        );
        $dropped = self::counted($claims, $single, $carried->countComingBack(), static fn (ClaimDifference $each): ?Claim => $each->redirectDropped());
        [$this->redirectsWritten, $this->redirectsDropped] =
            $rules === null ? [$written, $dropped] : array_map(Series::of(...), self::butRespelled($written->toList(), $dropped->toList(), $rules));
        $wereGone = [];
        foreach ($rules === null ? [] : $claims as $each) {
            if ($rules !== null && $each->before?->kind === ClaimKind::Gone) {
                $wereGone[$rules->asked($each->before->address)->key] = true;
            }
        }
        $this->gone = self::claims($single, static fn (ClaimDifference $each): ?Claim => isset($wereGone[$each->key]) ? null : $each->recordedGone());
    }

    /**
     * Of pages that are carried along it is known how many there are, so that nobody has to look through them all.
     *
     * @param  Series<ClaimDifference>  $all
     * @param  Series<ClaimDifference>  $single
     * @param  int<0, max>  $carried
     * @param  \Closure(ClaimDifference): ?Claim  $claim
     * @return Series<Claim>
     */
    private static function counted(Series $all, Series $single, int $carried, \Closure $claim): Series
    {
        $those = self::claims($single, $claim);

        return $carried === 0 ? $those : self::claims($all, $claim, count($those) + $carried);
    }

    /**
     * @param  Series<ClaimDifference>  $differences
     * @param  \Closure(ClaimDifference): ?Claim  $claim
     * @param  int<0, max>|null  $count
     * @return Series<Claim>
     */
    private static function claims(Series $differences, \Closure $claim, ?int $count = null): Series
    {
        return Series::from(static function () use ($differences, $claim): \Generator {
            foreach ($differences as $difference) {
                $found = $claim($difference);
                if ($found !== null) {
                    yield $found;
                }
            }
        }, $count);
    }

    /**
     * A redirect whose address is only written otherwise is neither written nor dropped.
     *
     * @param  list<Claim>  $written
     * @param  list<Claim>  $dropped
     * @return array{list<Claim>, list<Claim>}
     */
    private static function butRespelled(array $written, array $dropped, AddressRulesDifference $rules): array
    {
        $now = array_column(array_map(static fn (Claim $claim): array => [$claim->address->key, $claim->page], $written), 1, 0);
        $same = [];
        foreach ($dropped as $n => $claim) {
            $asked = $rules->asked($claim->address)->key;
            if ($claim->page !== null && ($now[$asked] ?? null) === $claim->page) {
                $same[$asked] = true;
                unset($dropped[$n]);
            }
        }

        return [array_values(array_filter($written, static fn (Claim $claim): bool => ! isset($same[$claim->address->key]))), array_values($dropped)];
    }
}
