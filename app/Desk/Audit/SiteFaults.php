<?php

declare(strict_types=1);

namespace App\Desk\Audit;

use App\Desk\ReadMenus;
use App\Desk\RedirectFindings;
use App\Models\Site;
use Heronstem\Core\Audit\MenuFaults;
use Heronstem\Core\Audit\RedirectFaults;
use Heronstem\Core\Audit\SiteFault;
use Heronstem\Core\Redirect\RuleFindingKind;

/** What is noticed of a site besides its pages: in menus that are shown somewhere, and of redirects. Looked for as it is asked. */
final readonly class SiteFaults
{
    public function __construct(private ReadMenus $menus, private RedirectFindings $redirects)
    {
    }

    /** @return array<string, non-empty-list<SiteFault>> by code */
    public function of(Site $site): array
    {
        $faults = [];
        foreach ($this->menus->all($site) as $menu) {
            if ($menu->place !== null) {
                array_push($faults, ...MenuFaults::of($menu->id, $menu->name, $this->menus->findings($menu, $site, null)));
            }
        }
        foreach ($this->redirects->of($site) as $finding) {
            $faults[] = RedirectFaults::of(
                RuleFindingKind::from($finding['kind']),
                $finding['redirect'],
                $finding['source'],
                (string) ($finding['page']['name'] ?? $finding['other']['source'] ?? ''),
                (int) $finding['days'],
            );
        }
        $byCode = [];
        foreach ($faults as $fault) {
            $byCode[$fault->info->code][] = $fault;
        }

        return $byCode;
    }
}
