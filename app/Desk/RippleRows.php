<?php

declare(strict_types=1);

namespace App\Desk;

use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Planning\NetEffects;
use Heronstem\Core\Redirect\RuleDifference;
use Heronstem\Core\Ripple\AddressMove;
use Heronstem\Core\Ripple\MenuEffect;
use Heronstem\Core\Ripple\MenuEffectKind;
use Heronstem\Core\Ripple\RawLinkEffect;
use Heronstem\Core\Ripple\RawLinkFate;
use Heronstem\Core\Ripple\Ripple;

/**
 * The consequences of a batch, row by row: whom it is about, from which address to which, and a word on it.
 *
 * @phpstan-type Row array{page: string|null, name: string, from: string|null, to: string|null, note: string}
 */
final class RippleRows
{
    /** @return list<Row> */
    public static function of(Ripple $ripple, RippleGroup $group): array
    {
        return match ($group) {
            RippleGroup::Addresses => array_map(static fn (AddressMove $move): array => self::row($move->page, $move->name, $move->from->readable(), $move->to->readable(), $move->seen ? '' : 'never live, so no redirect'), $ripple->moves),
            RippleGroup::RedirectsWritten => self::claims($ripple->redirectsWritten, $ripple),
            RippleGroup::RedirectsDropped => self::claims($ripple->redirectsDropped, $ripple),
            RippleGroup::Gone => self::claims($ripple->gone, $ripple),
            RippleGroup::Live => self::pages($ripple->goLive, $ripple),
            RippleGroup::Offline => self::pages(self::notBinned($ripple), $ripple),
            RippleGroup::Bin => self::pages($ripple->binned, $ripple),
            RippleGroup::Menu => array_map(self::menu(...), NetEffects::of($ripple->menu)),
            RippleGroup::Redirects => array_map(static fn (RuleDifference $each): array => self::redirect($each, $ripple), $ripple->rules),
            RippleGroup::RawLinks => array_map(self::rawLink(...), $ripple->rawLinks),
            RippleGroup::Copies => self::pages(array_map(strval(...), array_keys($ripple->copies)), $ripple),
        };
    }

    public static function count(Ripple $ripple, RippleGroup $group): int
    {
        return match ($group) {
            RippleGroup::Addresses => count($ripple->moves),
            RippleGroup::RedirectsWritten => count($ripple->redirectsWritten),
            RippleGroup::RedirectsDropped => count($ripple->redirectsDropped),
            RippleGroup::Gone => count($ripple->gone),
            RippleGroup::Live => count($ripple->goLive),
            RippleGroup::Offline => count(self::notBinned($ripple)),
            RippleGroup::Bin => count($ripple->binned),
            RippleGroup::Menu => count(NetEffects::of($ripple->menu)),
            RippleGroup::Redirects => count($ripple->rules),
            RippleGroup::RawLinks => count($ripple->rawLinks),
            RippleGroup::Copies => count($ripple->copies),
        };
    }

    /** @return list<string> */
    private static function notBinned(Ripple $ripple): array
    {
        return array_values(array_filter($ripple->goOffline, static fn (string $id): bool => ($ripple->outcome[$id] ?? null)?->isBinned() === false));
    }

    /**
     * @param  list<Claim>  $claims
     * @return list<Row>
     */
    private static function claims(array $claims, Ripple $ripple): array
    {
        return array_map(static function (Claim $claim) use ($ripple): array {
            $page = $claim->page === null ? null : $ripple->outcome[$claim->page] ?? $ripple->heirs[$claim->page] ?? null;

            return self::row($claim->page, $page->name ?? '', $claim->address->readable(), $page?->address->readable(), '');
        }, $claims);
    }

    /**
     * @param  list<string>  $ids
     * @return list<Row>
     */
    private static function pages(array $ids, Ripple $ripple): array
    {
        return array_map(static function (string $id) use ($ripple): array {
            $page = $ripple->outcome[$id] ?? null;

            return self::row($id, $page->name ?? '', null, $page?->address->readable(), '');
        }, $ids);
    }

    /** @return Row */
    private static function menu(MenuEffect $effect): array
    {
        $where = $effect->menu->name.($effect->under === null ? '' : ", under $effect->under");

        return self::row($effect->page, $effect->label, null, null, match ($effect->kind) {
            MenuEffectKind::Appears => "appears in $where",
            MenuEffectKind::Vanishes => "vanishes from {$effect->menu->name}",
            MenuEffectKind::Moves => "moves in $where",
            MenuEffectKind::Relabels => "gets this label in $where",
        });
    }

    /** @return Row */
    private static function redirect(RuleDifference $difference, Ripple $ripple): array
    {
        $rule = $difference->after ?? $difference->before;
        $target = $rule?->target;
        $page = $target?->kind === TargetKind::Page ? $ripple->outcome[$target->value] ?? null : null;
        $to = $target === null ? null : ($target->kind === TargetKind::Page ? $page?->address->readable() : ($target->kind === TargetKind::File ? null : $target->value));
        $note = match (true) {
            $difference->before === null => 'is made',
            $difference->after === null => 'is removed',
            $difference->before->isOn !== $difference->after->isOn => $difference->after->isOn ? 'is switched on' : 'is switched off',
            default => 'changes',
        };

        return self::row($target?->kind === TargetKind::Page ? $target->value : null, $page->name ?? '', NormalForm::readable($rule->source ?? '').($rule === null || $rule->matched === '' ? '' : "?{$rule->matched}"), $to, $note);
    }

    /** @return Row */
    private static function rawLink(RawLinkEffect $effect): array
    {
        $note = match ($effect->fate) {
            RawLinkFate::Redirected => 'goes through a redirect',
            RawLinkFate::Diverted => 'leads to another page',
            RawLinkFate::Breaks => 'breaks',
        };

        return self::row($effect->link->page, $effect->link->name, $effect->link->href, $effect->lands?->address->readable(), $note.($effect->link->live ? '' : ', in content not yet published'));
    }

    /** @return Row */
    public static function row(?string $page, string $name, ?string $from, ?string $to, string $note): array
    {
        return ['page' => $page, 'name' => $name, 'from' => $from, 'to' => $to, 'note' => $note];
    }
}
