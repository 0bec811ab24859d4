<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Address\AddressRulesDifference;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;

/** Where addresses are written otherwise from now on, each claim but those of pages' own goes to where a request for it is looked up. */
final class RespelledClaims
{
    /** @throws InputRefused where two addresses would become one, and they answer differently */
    public static function move(ClaimsInQuestion $question, RestoredClaims $restored): void
    {
        $difference = $question->workspace->rulesDifference();
        if ($difference === null || ! $difference->respells()) {
            return;
        }
        $moved = [];
        foreach ($question->claims->all() as $key => $claim) {
            if (in_array($claim->kind, [ClaimKind::Page, ClaimKind::Reserved], true) || $restored->includes($key)) {
                continue;
            }
            $to = $claim->at($difference->asked($claim->address));
            if ($to->address->key !== $key) {
                $question->claims->set($key, null);
            }
            if ($to->address->path !== $claim->address->path || $to->address->key !== $key) {
                $moved[] = [$claim, $to];
            }
        }
        foreach ($moved as [$from, $to]) {
            self::settle($from, $to, $difference, $question);
        }
    }

    private static function settle(Claim $from, Claim $to, AddressRulesDifference $difference, ClaimsInQuestion $question): void
    {
        $there = $question->claims->planned($to->address->key);
        $goes = $there?->kind === ClaimKind::Page && $difference->own($there->address)->key !== $to->address->key;
        if ($there === null || $goes || $there->address->path === $from->address->path) {
            $question->claims->set($to->address->key, $to);
        } elseif ($there->page === null || $there->page !== $to->page) {
            throw new InputRefused(
                self::field($difference),
                "“{$from->address->readable()}” and “{$there->address->readable()}” would become one address and answer differently. Remove one of them first.",
            );
        }
    }

    /** The rule that brings it about, in a batch of its own. */
    private static function field(AddressRulesDifference $difference): string
    {
        return 'changes.0.'.
            match (true) {
                $difference->before->suffix !== $difference->after->suffix => 'suffix',
                $difference->before->trailingSlash !== $difference->after->trailingSlash => 'trailingSlash',
                default => 'caseSensitive',
            };
    }
}
