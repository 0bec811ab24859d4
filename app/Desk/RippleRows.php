<?php

declare(strict_types=1);

namespace App\Desk;

use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Menu\Closed;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Planning\NetEffects;
use Heronstem\Core\Redirect\RuleDifference;
use Heronstem\Core\Ripple\AccessEffect;
use Heronstem\Core\Ripple\AddressMove;
use Heronstem\Core\Ripple\CanonicalChange;
use Heronstem\Core\Ripple\IndexChange;
use Heronstem\Core\Ripple\MenuEffect;
use Heronstem\Core\Ripple\MenuEffectKind;
use Heronstem\Core\Ripple\RawLinkEffect;
use Heronstem\Core\Ripple\RawLinkFate;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Ripple\TitleChange;
use Heronstem\Core\Ripple\VisitorChange;
use Heronstem\Core\Series;
use Heronstem\Core\Visitors\PageAccess;

/**
 * The consequences of a batch, row by row: whom it is about, from which address to which, and a word on it.
 *
 * @phpstan-type Row array{page: string|null, name: string, from: string|null, to: string|null, note: string}
 */
final class RippleRows
{
    /** @return Series<Row> */
    public static function of(Ripple $ripple, RippleGroup $group): Series
    {
        return match ($group) {
            RippleGroup::Addresses => $ripple->addresses->moves->made(
                static fn (AddressMove $move): array => self::row(
                    $move->page,
                    $move->name,
                    $move->from->readable(),
                    $move->to->readable(),
                    self::moveNote($move->seen),
                ),
            ),
            RippleGroup::RedirectsWritten => self::claims($ripple->addresses->redirectsWritten, $ripple),
            RippleGroup::RedirectsDropped => self::claims($ripple->addresses->redirectsDropped, $ripple),
            RippleGroup::Gone => self::claims($ripple->addresses->gone, $ripple),
            RippleGroup::Live => self::pages($ripple->pages->goLive, $ripple),
            RippleGroup::Offline => self::pages($ripple->pages->goOfflineInTree(), $ripple),
            RippleGroup::Bin => self::pages($ripple->pages->binned, $ripple),
            RippleGroup::Menu => Series::of([
                ...array_map(self::menu(...), NetEffects::of($ripple->menusAndLinks->entries)),
                ...array_map(self::lock(...), $ripple->visitors->menus),
            ]),
            RippleGroup::Redirects => Series::of($ripple->redirects->rules)->made(
                static fn (RuleDifference $each): array => self::redirect($each, $ripple),
            ),
            RippleGroup::RawLinks => Series::of($ripple->menusAndLinks->rawLinks)->made(self::rawLink(...)),
            RippleGroup::Copies => self::pages(array_map(strval(...), array_keys($ripple->pages->copies)), $ripple),
            RippleGroup::Titles => Series::of($ripple->search->titles)->made(
                static fn (TitleChange $change): array => self::row($change->page, $change->name, $change->before, $change->after, ''),
            ),
            RippleGroup::Indexing => Series::of($ripple->search->indexing)->made(
                static fn (IndexChange $change): array => self::row(
                    $change->page,
                    $change->name,
                    null,
                    null,
                    $change->isIndexed ? 'may be listed by search engines' : 'search engines are asked not to list it',
                ),
            ),
            RippleGroup::Canonicals => Series::of($ripple->search->canonicals)->made(
                static fn (CanonicalChange $change): array => self::row(
                    $change->page,
                    $change->name,
                    $change->before ?? 'none',
                    $change->after ?? 'none',
                    $change->after === null ? 'names no address that counts' : '',
                ),
            ),
            RippleGroup::Visitors => Series::of($ripple->visitors->changes)->made(self::visitors(...)),
            RippleGroup::Access => Series::of($ripple->access->effects)->made(self::access(...)),
        };
    }

    public static function count(Ripple $ripple, RippleGroup $group): int
    {
        return match ($group) {
            RippleGroup::Addresses => count($ripple->addresses->moved),
            RippleGroup::RedirectsWritten => count($ripple->addresses->redirectsWritten),
            RippleGroup::RedirectsDropped => count($ripple->addresses->redirectsDropped),
            RippleGroup::Gone => count($ripple->addresses->gone),
            RippleGroup::Live => count($ripple->pages->goLive),
            RippleGroup::Offline => count($ripple->pages->goOfflineInTree()),
            RippleGroup::Bin => count($ripple->pages->binned),
            RippleGroup::Menu => count(NetEffects::of($ripple->menusAndLinks->entries)) + count($ripple->visitors->menus),
            RippleGroup::Redirects => count($ripple->redirects->rules),
            RippleGroup::RawLinks => count($ripple->menusAndLinks->rawLinks),
            RippleGroup::Copies => count($ripple->pages->copies),
            RippleGroup::Titles => count($ripple->search->titles),
            RippleGroup::Indexing => count($ripple->search->indexing),
            RippleGroup::Canonicals => count($ripple->search->canonicals),
            RippleGroup::Visitors => count($ripple->visitors->changes),
            RippleGroup::Access => count($ripple->access->effects),
        };
    }

    /**
     * @param  Series<Claim>  $claims
     * @return Series<Row>
     */
    private static function claims(Series $claims, Ripple $ripple): Series
    {
        return $claims->made(static function (Claim $claim) use ($ripple): array {
            $heir = $ripple->addresses->heirs[$claim->page ?? ''] ?? null;
            $name = $ripple->pages->outcome->name($claim->page) ?? $heir?->name;
            $leadsTo = $ripple->pages->outcome->address($claim->page) ?? $heir?->address;

            return self::row($claim->page, $name ?? '', $claim->address->readable(), $leadsTo?->readable(), '');
        });
    }

    /**
     * @param  list<string>  $ids
     * @return Series<Row>
     */
    private static function pages(array $ids, Ripple $ripple): Series
    {
        return Series::of($ids)->made(static function (string $id) use ($ripple): array {
            $page = $ripple->pages->outcome->find($id);

            return self::row($id, $page->name ?? '', null, $page?->address->readable(), '');
        });
    }

    /** @return Row */
    private static function visitors(VisitorChange $change): array
    {
        $whom = static fn (?PageAccess $access): string => $access?->inWords() ?? PageAccess::EVERYONE;
        $note = match (true) {
            $change->closes() => $change->after?->to === PageAccess::NOBODY
                ? 'is closed to all visitors'
                : "is closed to all but {$whom($change->after)}",
            $change->opens() => "is open to {$whom($change->after)}",
            $whom($change->before) === $whom($change->after) => 'is opened or closed at a moment to come, or tells others something else',
            default => "is open to {$whom($change->after)} instead of {$whom($change->before)}",
        };

        return self::row($change->page, $change->name, null, NormalForm::readable($change->address), $note);
    }

    /**
     * @param  array{menu: Menu, page: string, label: string, how: Closed, closes: bool}  $entry
     * @return Row
     */
    private static function lock(array $entry): array
    {
        $note = match (true) {
            ! $entry['closes'] => "is in {$entry['menu']->name} for everyone",
            $entry['how'] === Closed::LeftOut => "is left out of {$entry['menu']->name} for those who may not see it",
            default => "has a lock in {$entry['menu']->name} for those who may not see it",
        };

        return self::row($entry['page'], $entry['label'], null, null, $note);
    }

    /** @return Row */
    private static function access(AccessEffect $effect): array
    {
        $where = $effect->branch === null ? '' : " in {$effect->branchName}";

        return self::row(
            $effect->branch,
            $effect->name,
            null,
            null,
            ($effect->isGained ? 'gets' : 'loses')." the right “{$effect->right->label()}”$where",
        );
    }

    /** @return Row */
    private static function menu(MenuEffect $effect): array
    {
        $where = $effect->menu->name.($effect->under === null ? '' : ", under $effect->under");

        return self::row(
            $effect->page,
            $effect->label,
            null,
            null,
            match ($effect->kind) {
                MenuEffectKind::Appears => "appears in $where",
                MenuEffectKind::Vanishes => "vanishes from {$effect->menu->name}",
                MenuEffectKind::Moves => "moves in $where",
                MenuEffectKind::Relabels => "gets this label in $where",
            },
        );
    }

    /** @return Row */
    private static function redirect(RuleDifference $difference, Ripple $ripple): array
    {
        $rule = $difference->after ?? $difference->before;
        $target = $rule?->target;
        $page = $target?->kind === TargetKind::Page ? $ripple->pages->outcome->find($target->value) : null;
        $to =
            $target === null
                ? null
                : ($target->kind === TargetKind::Page
                    ? $page?->address->readable()
                    : ($target->kind === TargetKind::File
                        ? null
                        : $target->value));
        $note = match (true) {
            $difference->before === null => 'is made',
            $difference->after === null => 'is removed',
            $difference->before->isOn !== $difference->after->isOn => $difference->after->isOn ? 'is switched on' : 'is switched off',
            default => 'changes',
        };

        return self::row(
            $target?->kind === TargetKind::Page ? $target->value : null,
            $page->name ?? '',
            NormalForm::readable($rule->source ?? '').($rule === null || $rule->matched === '' ? '' : "?{$rule->matched}"),
            $to,
            $note,
        );
    }

    /** @return Row */
    private static function rawLink(RawLinkEffect $effect): array
    {
        $note = match ($effect->fate) {
            RawLinkFate::Redirected => 'goes through a redirect',
            RawLinkFate::Diverted => 'leads to another page',
            RawLinkFate::Breaks => 'breaks',
            RawLinkFate::Mended => 'becomes a link to the page',
        };

        return self::row(
            $effect->link->page,
            $effect->link->name,
            $effect->link->href,
            $effect->lands?->address->readable(),
            $note.($effect->link->live ? '' : ', in content not yet published'),
        );
    }

    public static function moveNote(bool $seen): string
    {
        return $seen ? '' : 'never live, so no redirect';
    }

    /** @return Row */
    public static function row(?string $page, string $name, ?string $from, ?string $to, string $note): array
    {
        return ['page' => $page, 'name' => $name, 'from' => $from, 'to' => $to, 'note' => $note];
    }
}
