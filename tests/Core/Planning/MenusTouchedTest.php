<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\ArrangeMenu;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Change\MakeMenu;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Change\RenameMenu;
use Heronstem\Core\Change\Schedule;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Change\SetStartPage;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Menu\MenuResolver;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Moment;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** Which menus have to be worked out anew after a batch, and which need not. */
final class MenusTouchedTest extends TestCase
{
    use TestTrait;

    private const FOOT = '01J000000000000000000FOOT1';

    private const DEEP = '01J000000000000000000DEEP1';

    private static function site(): MemorySite
    {
        $site = new MemorySite();
        foreach (['Home' => null, 'Travel' => null, 'Times' => 'Travel', 'Summer' => 'Times', 'Help' => null, 'Lost' => 'Help'] as $name => $parent) {
            $site->live($name, $parent);
        }
        $site->apply(
            new SetStartPage('Home'),
            new MakeMenu(self::FOOT, PageName::of('Footer'), MenuKind::Menu),
            new ArrangeMenu(self::FOOT, [new Entry('foot', null, 0, EntryKind::Page, Target::page('Help'))]),
            new MakeMenu(self::DEEP, PageName::of('Deep'), MenuKind::Menu),
            new ArrangeMenu(self::DEEP, [new Entry('deep', null, 0, EntryKind::Branch, Target::page('Times'), contents: new BranchContents(1))]),
        );

        return $site;
    }

    /** @return iterable<string, array{Change, list<string>}> */
    public static function changes(): iterable
    {
        yield 'a page that no menu shows' => [new SetSlug('Lost', Slug::of('lost-and-found')), [MemorySite::MAIN]];
        yield 'a page on the bar' => [new Rename('Travel', PageName::of('Sailing')), [MemorySite::MAIN]];
        yield 'a page on the bar and in the footer' => [new Rename('Help', PageName::of('Questions')), [MemorySite::MAIN, self::FOOT]];
        yield 'an address that others inherit' => [new SetSlug('Travel', Slug::of('sailing')), [MemorySite::MAIN, self::DEEP]];
        yield 'a page in a branch further down' => [new Rename('Summer', PageName::of('Season')), [self::DEEP]];
        yield 'a page that comes into a branch' => [new Move('Lost', Place::lastIn('Times')), [MemorySite::MAIN, self::DEEP]];
        yield 'a menu' => [new RenameMenu(self::FOOT, PageName::of('Foot')), [self::FOOT]];
        yield 'a new page where no menu looks' => [new Make('New', PageName::of('New'), Place::lastIn('Summer')), []];
        yield 'a page put into the bin' => [new PutInBin('Summer'), [self::DEEP]];
        yield 'a moment, which any menu may have to wait for' => [
            new Schedule('Lost', null, Moment::at(1_900_000_000)),
            [MemorySite::MAIN, self::FOOT, self::DEEP],
        ];
        yield 'another start page' => [new SetStartPage('Travel'), [MemorySite::MAIN, self::DEEP]];
    }

    /** @param  list<string>  $menus */
    #[Test]
    #[DataProvider('changes')]
    public function a_change_touches_the_menus_that_can_show_it(Change $change, array $menus): void
    {
        self::assertEqualsCanonicalizing($menus, self::site()->plan($change)->menusAndLinks->touched);
    }

    #[Test]
    public function a_menu_that_is_not_touched_looks_the_same_whatever_happened(): void
    {
        $this->shrinkingTimeLimit(20);
        $this->limitTo(300)
            ->forAll(RandomChanges::batches(), Generators::choose(0, 5))
            ->then(static function (array $batches): void {
                $site = self::site();
                foreach ($batches as $steps) {
                    $before = self::looks($site);
                    $ripple = RandomChanges::planned($site, $steps);
                    if ($ripple === null) {
                        continue;
                    }
                    $site->carryOut($ripple);
                    $after = self::looks($site);
                    foreach ($before as $menu => $look) {
                        if (! in_array((string) $menu, $ripple->menusAndLinks->touched, true)) {
                            self::assertEquals($look, $after[$menu] ?? null);
                        }
                    }
                }
            });
    }

    /** @return array<string, mixed> */
    private static function looks(MemorySite $site): array
    {
        $resolver = new MenuResolver($site, Moment::at($site->now), Viewer::anybody());

        return array_map($resolver->shown(...), $site->menus);
    }
}
