<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Workspace\ClaimOverlay;
use Heronstem\Core\Workspace\Workspace;

/** What redirect rules do to the ledger, and it to them: an address has one holder, and a rule without its address is none. */
final readonly class RuleClaims
{
    public function __construct(private Workspace $workspace, private ClaimOverlay $sheet, private Batch $batch)
    {
    }

    /** @return list<Address> that rules let go or want, or lead to */
    public static function addresses(Workspace $workspace): array
    {
        $addresses = [];
        foreach ($workspace->redirects->touched() as $sides) {
            foreach ($sides as $rule) {
                if ($rule?->claims() === true) {
                    $addresses[] = self::addressOf($rule, $workspace->rules());
                }
                if ($rule?->target?->kind === TargetKind::Address) {
                    $addresses[] = Address::asked($rule->target->value, $workspace->rules());
                }
            }
        }

        return $addresses;
    }

    /** Addresses of rules that go, or go elsewhere, are free, or say that they are gone. */
    public function letGo(): void
    {
        foreach ($this->workspace->redirects->touched() as $id => [$before, $after]) {
            $claim = $before?->claims() === true && ! ($after?->claims() === true && $after->key === $before->key) ? $this->sheet->planned($before->key) : null;
            if ($claim?->kind === ClaimKind::Rule) {
                $this->sheet->set($claim->address->key, $claim->everLive || $this->workspace->redirects->leavesGone((string) $id) ? Claim::gone($claim->address) : null);
            }
        }
    }

    /** @return list<array{Rule, Address, Claim}> rules that want an address which somebody else holds */
    public function settle(): array
    {
        $refused = [];
        foreach ($this->workspace->redirects->touched() as [, $after]) {
            $inWay = $after?->claims() === true ? $this->take($after) : null;
            if ($inWay !== null && $after !== null) {
                $refused[] = [$after, self::addressOf($after, $this->workspace->rules()), $inWay];
            }
        }
        $this->dropUnheld();

        return $refused;
    }

    /** @return Claim|null what is in its way */
    private function take(Rule $rule): ?Claim
    {
        $address = self::addressOf($rule, $this->workspace->rules());
        $planned = $this->sheet->planned($rule->key);
        $others = $planned?->kind === ClaimKind::Rule ? $this->workspace->redirects->others($rule) : [];
        $isOwn = $planned?->kind === ClaimKind::Rule && $others === [];
        $isMadeFree = $this->sheet->isMadeFree($rule->key);
        $givesWay = $planned !== null && $planned->kind !== ClaimKind::Page && $this->batch->decisions->givesWay($rule->key);
        if ($planned !== null && ! $isOwn && ! $isMadeFree && ! $givesWay) {
            if ($this->batch->undoes() === []) {
                return $planned;
            }
            // The rule was to come back, and its address has another holder by now.
            $this->workspace->redirects->remove($rule->id);
            $this->workspace->notes[] = new Note(NoteKind::RedirectStays, $rule->id, $rule->source);

            return null;
        }
        foreach ($givesWay ? $others : [] as $other) {
            $this->workspace->redirects->remove($other->id);
        }
        $this->sheet->set($rule->key, Claim::ofRule($address, $planned->everLive ?? false));

        return null;
    }

    /** Rules whose address somebody else has taken go. */
    private function dropUnheld(): void
    {
        foreach ($this->sheet->after() as $key => $claim) {
            if ($this->sheet->now((string) $key)?->kind === ClaimKind::Rule && $claim?->kind !== ClaimKind::Rule) {
                $rule = $this->workspace->redirects->claimingAt((string) $key);
                if ($rule !== null) {
                    $this->workspace->redirects->remove($rule->id);
                }
            }
        }
    }

    private static function addressOf(Rule $rule, AddressRules $rules): Address
    {
        return Address::stored($rule->source, $rules);
    }
}
