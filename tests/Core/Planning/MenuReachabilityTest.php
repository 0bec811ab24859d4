<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Change\AddToMenu;
use Heronstem\Core\Change\ArrangeMenu;
use Heronstem\Core\Change\MakeMenu;
use Heronstem\Core\Change\PlaceMenu;
use Heronstem\Core\Change\RemoveFromMenu;
use Heronstem\Core\Change\SetStartPage;
use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\NoteKind;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Menu\MenuResolver;
use Heronstem\Core\Menu\ResolvedEntry;
use Heronstem\Core\Menu\Viewer;
use Heronstem\Core\Moment;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageName;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** Pages that no menu leads to any more, and pages that one leads to again. */
final class MenuReachabilityTest extends TestCase
{
    use TestTrait;

    private const FOOT = '01J000000000000000000FOOT1';

    private const PICKS = '01J00000000000000000PICKS1';

    private static function site(): MemorySite
    {
        $site = new MemorySite();
        foreach (['Home' => null, 'Travel' => null, 'Times' => 'Travel', 'Help' => null, 'Lost' => 'Help'] as $name => $parent) {
            $site->live($name, $parent);
        }
        $site->apply(
            new SetStartPage('Home'),
            new ArrangeMenu(MemorySite::MAIN, [new Entry('main', null, 0, EntryKind::Branch, null, contents: new BranchContents(1))]),
            new MakeMenu(self::FOOT, PageName::of('Footer'), MenuKind::Menu),
            new PlaceMenu(self::FOOT, 'footer'),
            new ArrangeMenu(self::FOOT, [new Entry('foot', null, 0, EntryKind::Page, Target::page('Help'))]),
            new MakeMenu(self::PICKS, PageName::of('Picks'), MenuKind::Picks),
            new PlaceMenu(self::PICKS, 'front'),
            new ArrangeMenu(self::PICKS, [new Entry('pick', null, 0, EntryKind::Page, Target::page('Times'))]),
        );

        return $site;
    }

    #[Test]
    public function a_page_that_leaves_the_last_menu_is_said_and_one_that_leaves_the_first_of_two_is_not(): void
    {
        $site = self::site();
        self::assertSame([], self::said($site->plan(new RemoveFromMenu('Help', self::FOOT))));
        self::assertSame(['in-no-menu Travel'], self::said($site->plan(new RemoveFromMenu('Travel', MemorySite::MAIN))));
        self::assertSame([], self::said($site->plan(new RemoveFromMenu('Times', self::PICKS))), 'picks are no menu');
    }

    #[Test]
    public function a_page_that_comes_into_its_first_menu_is_said_with_the_menu(): void
    {
        $ripple = self::site()->plan(new AddToMenu('Times', self::FOOT));
        self::assertSame(['menu-reaches-again Times Footer'], self::said($ripple));
    }

    #[Test]
    public function a_menu_taken_out_of_its_place_leads_nowhere_any_more(): void
    {
        $site = self::site();
        $ripple = $site->apply(new PlaceMenu(MemorySite::MAIN, null));
        self::assertSame(['in-no-menu Travel'], self::said($ripple), 'Help stands in the footer still');
        self::assertSame(['menu-reaches-again Travel Main'], self::said($site->plan(new PlaceMenu(MemorySite::MAIN, 'main'))));
    }

    #[Test]
    public function whatever_happens_it_is_said_of_exactly_the_pages_that_visitors_can_tell(): void
    {
        $this->shrinkingTimeLimit(20);
        $this->limitTo(300)
            ->forAll(RandomChanges::batches(), Generators::choose(0, 5))
            ->then(static function (array $batches): void {
                $site = self::site();
                foreach ($batches as $steps) {
                    $shown = self::shown($site);
                    $before = self::inMenus($site);
                    $ripple = RandomChanges::planned($site, $steps);
                    if ($ripple === null) {
                        continue;
                    }
                    $site->carryOut($ripple);
                    $both = array_intersect_key($shown, self::shown($site));
                    $after = self::inMenus($site);
                    $expected = [
                        ...array_map(static fn (string $id): string => "in-no-menu $id", self::only($both, $before, $after)),
                        ...array_map(static fn (string $id): string => "menu-reaches-again $id", self::only($both, $after, $before)),
                    ];
                    $said = array_map(
                        static fn (Note $note): string => "{$note->kind->value} {$note->page}",
                        array_values(array_filter($ripple->toDecide->notes, self::isAboutMenus(...))),
                    );
                    self::assertEqualsCanonicalizing($expected, $said);
                }
            });
    }

    /**
     * @param  array<string, true>  $of
     * @param  array<string, true>  $in
     * @param  array<string, true>  $notIn
     * @return list<string>
     */
    private static function only(array $of, array $in, array $notIn): array
    {
        return array_map(strval(...), array_keys(array_diff_key(array_intersect_key($of, $in), $notIn)));
    }

    /** @return array<string, true> */
    private static function shown(MemorySite $site): array
    {
        return array_fill_keys(array_keys(array_filter($site->pages, static fn ($page): bool => $page->isShown())), true);
    }

    /** @return array<string, true> pages that the menus lead to which visitors see */
    private static function inMenus(MemorySite $site): array
    {
        $resolver = new MenuResolver($site, Moment::at($site->now), Viewer::anybody());
        $queue = array_merge(
            [],
            ...array_values(
                array_map(
                    $resolver->shown(...),
                    array_filter($site->menus, static fn (Menu $menu): bool => $menu->place !== null && $menu->kind === MenuKind::Menu),
                ),
            ),
        );
        $pages = [];
        while (($entry = array_pop($queue)) instanceof ResolvedEntry) {
            $pages += $entry->page === null ? [] : [$entry->page => true];
            array_push($queue, ...$entry->under);
        }

        return $pages;
    }

    private static function isAboutMenus(Note $note): bool
    {
        return in_array($note->kind, [NoteKind::InNoMenu, NoteKind::MenuReachesAgain], true);
    }

    /** @return list<string> */
    private static function said(Ripple $ripple): array
    {
        return array_map(
            static fn (Note $note): string => trim("{$note->kind->value} {$note->page} {$note->other}"),
            array_values(array_filter($ripple->toDecide->notes, self::isAboutMenus(...))),
        );
    }
}
