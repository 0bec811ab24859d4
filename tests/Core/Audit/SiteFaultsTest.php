<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Heronstem\Core\Audit\FaultInfo;
use Heronstem\Core\Audit\MenuFaults;
use Heronstem\Core\Audit\RedirectFaults;
use Heronstem\Core\Menu\MenuFinding;
use Heronstem\Core\Menu\MenuFindingKind;
use Heronstem\Core\Redirect\RuleFindingKind;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What is noticed in menus and of redirects, as the audit lists it. */
final class SiteFaultsTest extends TestCase
{
    #[Test]
    public function every_kind_has_a_code_of_its_own_and_is_said_in_a_sentence(): void
    {
        $infos = $said = [];
        foreach (MenuFindingKind::cases() as $kind) {
            foreach (MenuFaults::of('M', 'Footer', [new MenuFinding($kind, 'E', 'Fares', count: 9, most: 7)]) as $fault) {
                [$infos[], $said[]] = [$fault->info, $fault->says];
                self::assertSame(['M', 'Footer'], [$fault->of, $fault->name]);
            }
        }
        foreach (RuleFindingKind::cases() as $kind) {
            $fault = RedirectFaults::of($kind, 'R', '/old', 'Fares', 200);
            [$infos[], $said[]] = [$fault->info, $fault->says];
            self::assertStringContainsString('/old', $fault->says);
        }
        $codes = array_map(static fn (FaultInfo $info): string => $info->code, $infos);
        self::assertCount(count(MenuFindingKind::cases()) - 1 + count(RuleFindingKind::cases()), array_unique($codes));
        self::assertCount(count($said), array_unique($said));
        foreach ($infos as $info) {
            self::assertMatchesRegularExpression('/^(menu|redirect)-[a-z-]+$/', $info->code);
            self::assertTrue($info->weight >= 1 && $info->weight <= 10);
            self::assertStringEndsWith('.', $info->why);
        }
        foreach ($said as $sentence) {
            self::assertStringEndsWith('.', $sentence);
        }
    }

    #[Test]
    public function a_noindex_page_in_a_menu_is_said_of_the_page_alone(): void
    {
        self::assertSame([], MenuFaults::of('M', 'Footer', [new MenuFinding(MenuFindingKind::Noindex, 'E', 'Crew')]));
        self::assertNull(MenuFaults::info(MenuFindingKind::Noindex));
    }

    #[Test]
    public function numbers_and_names_stand_where_they_help(): void
    {
        self::assertSame('It has 9 entries on its first level; 7 are easily taken in.', MenuFaults::of('M', 'Main', [new MenuFinding(MenuFindingKind::Crowded, null, '', count: 9, most: 7)])[0]->says);
        self::assertSame('Nobody has used /old for 200 days.', RedirectFaults::of(RuleFindingKind::Idle, 'R', '/old', '', 200)->says);
        self::assertSame('/old answers before “Fares”, which is live.', RedirectFaults::of(RuleFindingKind::HidesPage, 'R', '/old', 'Fares')->says);
        self::assertSame('/old never applies.', RedirectFaults::of(RuleFindingKind::NeverFires, 'R', '/old')->says);
    }
}
