<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

use Heronstem\Core\Redirect\Resolver;

/** Looks a menu over: what leads nowhere, takes a detour, is doubled, crowded, too deep or blank. */
final class MenuChecks
{
    /** @var list<MenuFinding> */
    private array $findings = [];

    /** @var array<string, true> where entries lead that have been looked at, on whatever level */
    private array $targets = [];

    private function __construct(private readonly ?MenuPlace $place, private readonly Resolver $resolver)
    {
    }

    /**
     * @param  list<ResolvedEntry>  $whole  every entry, the hidden ones with their reason, for whoever looks
     * @param  MenuPlace|null  $place  where it is shown
     * @return list<MenuFinding>
     */
    public static function of(array $whole, ?MenuPlace $place, Resolver $resolver): array
    {
        $checks = new self($place, $resolver);
        $checks->level($whole, 1);

        return $checks->findings;
    }

    /** @param  list<ResolvedEntry>  $entries */
    private function level(array $entries, int $level): void
    {
        $shown = array_values(
            array_filter($entries, static fn (ResolvedEntry $entry): bool => $entry->hidden === null && $entry->kind !== EntryKind::Separator),
        );
        if ($level === 1 && $this->place !== null && count($shown) > $this->place->most) {
            $this->findings[] = new MenuFinding(MenuFindingKind::Crowded, null, '', count: count($shown), most: $this->place->most);
        }
        $this->doubled($shown);
        foreach ($entries as $entry) {
            $this->entry($entry);
            if ($this->place !== null && $level === $this->place->levels + 1 && $entry->hidden === null) {
                $this->findings[] = new MenuFinding(MenuFindingKind::TooDeep, $entry->entry, $entry->label, most: $this->place->levels);
            }
            $this->level($entry->under, $level + 1);
        }
    }

    private function entry(ResolvedEntry $entry): void
    {
        $finding = match ($entry->hidden) {
            null, Hidden::Audience, Hidden::LeftOut, Hidden::Above, Hidden::NotYet, Hidden::Over => $entry->hidden === null &&
            $entry->kind === EntryKind::Address
                ? $this->address($entry)
                : null,
            Hidden::Gone => new MenuFinding(MenuFindingKind::LeadsNowhere, $entry->entry, $entry->label, $entry->hidden),
            Hidden::Blank => new MenuFinding(MenuFindingKind::Blank, $entry->entry, $entry->label),
            default => new MenuFinding(MenuFindingKind::PageHidden, $entry->entry, $entry->label, $entry->hidden, $entry->page),
        };
        // An end that has passed is one more thing that nobody sees any more.
        if ($entry->hidden === Hidden::Over) {
            $finding = new MenuFinding(MenuFindingKind::PageHidden, $entry->entry, $entry->label, $entry->hidden, $entry->page);
        }
        if ($entry->hidden === null && ! $entry->indexed) {
            $finding = new MenuFinding(MenuFindingKind::Noindex, $entry->entry, $entry->label, page: $entry->page);
        }
        if ($finding !== null) {
            $this->findings[] = $finding;
        }
    }

    private function address(ResolvedEntry $entry): ?MenuFinding
    {
        $resolution = $this->resolver->resolve((string) $entry->href);

        return match (true) {
            $resolution->hops !== [] => new MenuFinding(MenuFindingKind::Redirect, $entry->entry, $entry->label, page: $resolution->page),
            $resolution->status !== 200 => new MenuFinding(MenuFindingKind::LeadsNowhere, $entry->entry, $entry->label),
            default => null,
        };
    }

    /** @param  list<ResolvedEntry>  $shown */
    private function doubled(array $shown): void
    {
        $labels = [];
        foreach ($shown as $entry) {
            $label = mb_strtolower($entry->label);
            if ($entry->href !== null && isset($this->targets[$entry->href])) {
                $this->findings[] = new MenuFinding(MenuFindingKind::TargetDoubled, $entry->entry, $entry->label, page: $entry->page);
            } elseif (isset($labels[$label])) {
                $this->findings[] = new MenuFinding(MenuFindingKind::LabelDoubled, $entry->entry, $entry->label);
            }
            $labels[$label] = true;
            $this->targets[(string) $entry->href] = true;
        }
    }
}
