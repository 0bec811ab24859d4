<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Address\AddressRulesDifference;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Tree\Page;

/** What a batch does to addresses: where pages move, and what each address answers from now on. */
final readonly class AddressEffects
{
    /** @var list<Claim> former addresses that lead to their page from now on */
    public array $redirectsWritten;

    /** @var list<Claim> redirects that go, because a page takes the address back or it leads nowhere any more */
    public array $redirectsDropped;

    /** @var list<Claim> addresses recorded as gone */
    public array $gone;

    /**
     * @param  list<AddressMove>  $moves  pages that only inherit included
     * @param  list<ClaimDifference>  $claims  ordered by address
     * @param  array<string, Page>  $heirs  pages that stay as they are, and to which redirects lead from now on
     * @param  AddressRulesDifference|null  $rules  how addresses are written from now on; null where that stays
     */
    public function __construct(public array $moves, public array $claims, public array $heirs, public ?AddressRulesDifference $rules = null)
    {
        $of = static fn (\Closure $claim): array => array_values(array_filter(array_map($claim, $claims)));
        $written = $of(static fn (ClaimDifference $each): ?Claim => $each->redirectWritten());
        $dropped = $of(static fn (ClaimDifference $each): ?Claim => $each->redirectDropped());
        [$this->redirectsWritten, $this->redirectsDropped] = $rules === null ? [$written, $dropped] : self::butRespelled($written, $dropped, $rules);
        $wereGone = [];
        foreach ($claims as $each) {
            if ($rules !== null && $each->before?->kind === ClaimKind::Gone) {
                $wereGone[$rules->asked($each->before->address)->key] = true;
            }
        }
        $this->gone = $of(static fn (ClaimDifference $each): ?Claim => isset($wereGone[$each->key]) ? null : $each->recordedGone());
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
