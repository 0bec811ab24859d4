<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

use Heronstem\Core\Menu\MenuFinding;
use Heronstem\Core\Menu\MenuFindingKind;

/** Faults of menus as the audit lists them. A noindex page in a menu is a finding of the page (Check\NoindexInMenu). */
final class MenuFaults
{
    /**
     * @param  string  $menu  identity
     * @param  list<MenuFinding>  $findings  of this menu
     * @return list<SiteFault>
     */
    public static function of(string $menu, string $name, array $findings): array
    {
        $faults = [];
        foreach ($findings as $finding) {
            $info = self::info($finding->kind);
            if ($info !== null) {
                $faults[] = new SiteFault($info, $menu, $name, self::says($finding));
            }
        }

        return $faults;
    }

    /** Null for what is no fault of the menu. */
    public static function info(MenuFindingKind $kind): ?FaultInfo
    {
        return match ($kind) {
            MenuFindingKind::LeadsNowhere => new FaultInfo('menu-leads-nowhere', 'Menu entries that lead nowhere', 'Visitors get “page not found”.', Severity::Error, 7),
            MenuFindingKind::PageHidden => new FaultInfo('menu-page-hidden', 'Menu entries whose page nobody sees', 'The entry stands in the menu, and visitors do not get it.', Severity::Warning, 4),
            MenuFindingKind::Redirect => new FaultInfo('menu-redirect', 'Menu entries that go through a redirect', 'Visitors take a detour that a direct entry would avoid.', Severity::Warning, 3),
            MenuFindingKind::Blank => new FaultInfo('menu-blank', 'Menu headings with nothing below', 'A heading that leads nowhere and holds nothing is left out.', Severity::Warning, 3),
            MenuFindingKind::TooDeep => new FaultInfo('menu-too-deep', 'Menu entries deeper than their place shows', 'Visitors never see what stands below the last level.', Severity::Warning, 3),
            MenuFindingKind::Crowded => new FaultInfo('menu-crowded', 'Menus with too many entries', 'Nobody reads a bar that is full; what matters is lost among the rest.', Severity::Notice, 2),
            MenuFindingKind::LabelDoubled => new FaultInfo('menu-label-doubled', 'Menu entries with the same label', 'Visitors cannot tell which of them to choose.', Severity::Notice, 2),
            MenuFindingKind::TargetDoubled => new FaultInfo('menu-target-doubled', 'Menu entries with the same target', 'One of them takes space for nothing.', Severity::Notice, 1),
            MenuFindingKind::Noindex => null,
        };
    }

    private static function says(MenuFinding $finding): string
    {
        return match ($finding->kind) {
            MenuFindingKind::LeadsNowhere => "“{$finding->label}” leads nowhere.",
            MenuFindingKind::PageHidden => "Visitors do not see “{$finding->label}”, since they do not see its page.",
            MenuFindingKind::Redirect => "“{$finding->label}” goes through a redirect.",
            MenuFindingKind::Blank => "“{$finding->label}” has nothing below it that visitors see.",
            MenuFindingKind::TooDeep => "“{$finding->label}” stands deeper than the {$finding->most} levels of its place.",
            MenuFindingKind::Crowded => "It has {$finding->count} entries on its first level; {$finding->most} are easily taken in.",
            MenuFindingKind::LabelDoubled => "Another entry of its level is called “{$finding->label}” as well.",
            MenuFindingKind::TargetDoubled => "“{$finding->label}” leads where another entry leads as well.",
            MenuFindingKind::Noindex => "Search engines are asked not to list the page of “{$finding->label}”.",
        };
    }
}
