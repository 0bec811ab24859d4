<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Workspace\Workspace;

/** What redirect rules do to the ledger, and it to them: an address has one holder, and a rule without its address is none. */
final class RuleClaims
{
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
    public static function letGo(ClaimsInQuestion $question): void
    {
        $respelled = $question->workspace->rulesDifference();
        foreach ($question->workspace->redirects->touched() as $id => [$before, $after]) {
            $now = $before === null || $respelled === null ? $before?->key : $respelled->asked(self::addressOf($before, $respelled->before))->key;
            $claim =
                $before?->claims() === true && ! ($after?->claims() === true && $after->key === $now)
                    ? $question->claims->planned($before->key)
                    : null;
            if ($claim?->kind === ClaimKind::Rule) {
                $question->claims->set(
                    $claim->address->key,
                    $claim->everLive || $question->workspace->redirects->leavesGone((string) $id) ? Claim::gone($claim->address) : null,
                );
            }
        }
    }

    /** @return list<AddressClash> rules that want an address which somebody else holds */
    public static function settle(ClaimsInQuestion $question): array
    {
        $clashes = [];
        foreach ($question->workspace->redirects->touched() as [, $after]) {
            $inWay = $after?->claims() === true ? self::take($after, $question) : null;
            if ($inWay !== null && $after !== null) {
                $clashes[] = AddressClash::ofRule($after, self::addressOf($after, $question->workspace->rules()), $inWay);
            }
        }
        self::dropUnheld($question);

        return $clashes;
    }

    /** @return Claim|null what is in its way */
    private static function take(Rule $rule, ClaimsInQuestion $question): ?Claim
    {
        $address = self::addressOf($rule, $question->workspace->rules());
        $planned = $question->claims->planned($rule->key);
        $others = $planned?->kind === ClaimKind::Rule ? $question->workspace->redirects->others($rule) : [];
        $isOwn = $planned?->kind === ClaimKind::Rule && $others === [];
        $isMadeFree = $question->claims->isMadeFree($rule->key);
        $givesWay = $planned !== null && $planned->kind !== ClaimKind::Page && $question->batch->decisions->givesWay($rule->key);
        if ($planned !== null && ! $isOwn && ! $isMadeFree && ! $givesWay) {
            if ($question->batch->undoes() === []) {
                return $planned;
            }
            // The rule was to come back, and its address has another holder by now.
            $question->workspace->redirects->remove($rule->id);
            $question->workspace->note(new Note(NoteKind::RedirectStays, $rule->id, $rule->source));

            return null;
        }
        foreach ($givesWay ? $others : [] as $other) {
            $question->workspace->redirects->remove($other->id);
        }
        $question->claims->set($rule->key, Claim::ofRule($address, $planned->everLive ?? false));

        return null;
    }

    /** Rules whose address somebody else has taken go. */
    private static function dropUnheld(ClaimsInQuestion $question): void
    {
        foreach ($question->claims->after() as $key => $claim) {
            if ($question->claims->now($key)?->kind === ClaimKind::Rule && $claim?->kind !== ClaimKind::Rule) {
                $rule = $question->workspace->redirects->claimingAt($key);
                if ($rule !== null) {
                    $question->workspace->redirects->remove($rule->id);
                }
            }
        }
    }

    private static function addressOf(Rule $rule, AddressRules $rules): Address
    {
        return Address::stored($rule->source, $rules);
    }
}
