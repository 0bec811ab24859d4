<?php

declare(strict_types=1);

namespace Tests\Core\Memory;

use Eris\Generator;
use Eris\Generators;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\AddAddress;
use Heronstem\Core\Change\AddToMenu;
use Heronstem\Core\Change\ArrangeMenu;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\BringBack;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\ChangeKind;
use Heronstem\Core\Change\ChangeRedirect;
use Heronstem\Core\Change\DeleteForGood;
use Heronstem\Core\Change\Describe;
use Heronstem\Core\Change\Duplicate;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\IncludeInAddresses;
use Heronstem\Core\Change\LeaveOutOfAddresses;
use Heronstem\Core\Change\ListPage;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Change\MakeMenu;
use Heronstem\Core\Change\MakeRedirect;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\Pin;
use Heronstem\Core\Change\PlaceMenu;
use Heronstem\Core\Change\Protect;
use Heronstem\Core\Change\Publish;
use Heronstem\Core\Change\PutInBin;
use Heronstem\Core\Change\RemoveAddress;
use Heronstem\Core\Change\RemoveFromMenu;
use Heronstem\Core\Change\RemoveMenu;
use Heronstem\Core\Change\RemoveRedirect;
use Heronstem\Core\Change\Rename;
use Heronstem\Core\Change\RenameMenu;
use Heronstem\Core\Change\RenameTag;
use Heronstem\Core\Change\RestoredState;
use Heronstem\Core\Change\ReturnToWriter;
use Heronstem\Core\Change\Schedule;
use Heronstem\Core\Change\Scope;
use Heronstem\Core\Change\SendForReview;
use Heronstem\Core\Change\SetAccess;
use Heronstem\Core\Change\SetBranchSearch;
use Heronstem\Core\Change\SetRobots;
use Heronstem\Core\Change\SetSearch;
use Heronstem\Core\Change\SetSiteSearch;
use Heronstem\Core\Change\SetSlug;
use Heronstem\Core\Change\SetStartPage;
use Heronstem\Core\Change\Tag;
use Heronstem\Core\Change\TakeOffline;
use Heronstem\Core\Change\UnlistPage;
use Heronstem\Core\Change\Unpin;
use Heronstem\Core\Change\Unprotect;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\Identity;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\BranchOrder;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Refusal;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\StartAudience;
use Heronstem\Core\Workspace\Place;

/** Changes of every kind from small numbers, so that a failing run shrinks to few and plain ones. */
final readonly class RandomChanges
{
    private const WORDS = ['summer', 'fares', 'Fares', 'help', 'new', 'travel'];

    /**
     * @param  list<string>  $ids  pages of the site, those in the bin included
     * @param  list<string>  $menus
     * @param  list<string>  $redirects
     */
    public function __construct(
        private array $ids,
        private AddressRules $rules,
        private int $now,
        private string $salt = '',
        private array $menus = [],
        private array $redirects = [],
    ) {
    }

    /** Over the pages and menus that a site has at this moment. */
    public static function over(MemorySite $site): self
    {
        return new self(
            array_map(strval(...), array_keys($site->pages)),
            $site->rules,
            $site->now,
            menus: array_map(strval(...), array_keys($site->menus)),
            redirects: array_map(strval(...), array_keys($site->redirects)),
        );
    }

    /** @param  non-empty-list<array{int, int, int, int}>  $steps */
    public function batch(array $steps): Batch
    {
        return new Batch($this->changes($steps), $this->decisions($steps));
    }

    /**
     * What the steps do to a site; null where they are refused or leave a decision open.
     *
     * @param  non-empty-list<array{int, int, int, int}>  $steps
     */
    public static function planned(MemorySite $site, array $steps): ?Ripple
    {
        return self::plannedBatch($site, self::over($site)->batch($steps));
    }

    public static function plannedBatch(MemorySite $site, Batch $batch): ?Ripple
    {
        try {
            $ripple = $site->planBatch($batch);
        } catch (Refusal) {
            return null;
        }

        return $ripple->canBeApplied() ? $ripple : null;
    }

    /** One step: what, which page, which other, how. */
    public static function step(): Generator
    {
        return Generators::tuple(Generators::choose(0, 40), Generators::choose(0, 17), Generators::choose(0, 17), Generators::choose(0, 5));
    }

    /** Lists of batches, each of one to three steps. */
    public static function batches(): Generator
    {
        return Generators::bind(
            Generators::choose(1, 12),
            static fn (int $n): Generator => Generators::vector(
                $n,
                Generators::bind(Generators::choose(1, 3), static fn (int $m): Generator => Generators::vector($m, self::step())),
            ),
        );
    }

    /**
     * @param  list<array{int, int, int, int}>  $steps
     * @return list<Change>
     */
    public function changes(array $steps): array
    {
        return array_map(fn (array $step, int $n): Change => $this->change($step, $n), $steps, array_keys($steps));
    }

    /**
     * What is decided where a question may come up, sometimes one way, sometimes another.
     *
     * @param  list<array{int, int, int, int}>  $steps
     */
    public function decisions(array $steps): Decisions
    {
        $made = [];
        foreach ($steps as [, $which, $where, $how]) {
            $page = $this->id($which);
            $made[] = Decision::answer(QuestionKind::ChildrenOf, $page, $how % 2 === 0 ? Answer::Along : Answer::Up);
            $made[] = Decision::answer(QuestionKind::MenuEntries, $page, $how % 2 === 0 ? Answer::Leave : Answer::Remove);
            $made[] = Decision::answer(QuestionKind::DraftsBelow, $page, $how % 2 === 0 ? Answer::Leave : Answer::Live);
            if ($how > 2) {
                $made[] =
                    $how === 5
                        ? Decision::answer(QuestionKind::Retired, $page, Answer::Page, $this->id($where))
                        : Decision::answer(QuestionKind::Retired, $page, Answer::Gone);
            }
        }

        return Decisions::elseDefaults(...$made);
    }

    /** @param  array{int, int, int, int}  $step */
    private function change(array $step, int $n): Change
    {
        [$kind, $which, $where, $how] = $step;
        $menus = $this->menus === [] ? [MemorySite::MAIN] : $this->menus;
        $page = $this->id($which);
        $other = $this->id($where);
        $place = [
            Place::lastIn($other),
            Place::firstIn($other),
            Place::before($other),
            Place::after($other),
            Place::lastIn(null),
            Place::firstIn(null),
        ][$how];
        $word = self::WORDS[$how];
        $address = Address::set('/'.['deal', 'summer', 'Help/times', 'travel', 'x/y', 'deal'][$how], $this->rules);
        $new = Identity::derived('01J0000000', "{$this->salt}-".count($this->ids)."-$n-$how");

        return match ($kind) {
            0, 1 => new Make($new, PageName::of($word), $place),
            2 => new Rename($page, PageName::of($word)),
            3 => new SetSlug($page, Slug::of($word)),
            4, 5, 6 => new Move($page, $place),
            7, 8 => new GoLive($page, $how > 3 ? Scope::Branch : Scope::Page),
            9 => new TakeOffline($page, $how > 3 ? Scope::Branch : Scope::Page),
            10 => new Pin($page, $address),
            11 => new Unpin($page),
            12, 13 => new PutInBin($page),
            14, 15 => new BringBack($page, $how > 2 ? $place : null, $how % 2 === 0 ? RestoredState::AsItWas : RestoredState::Offline),
            16 => new DeleteForGood($page),
            17 => new Duplicate($page, $new, $how > 2 ? Scope::Branch : Scope::Page, $how % 2 === 0 ? null : $place),
            18 => [
                new ChangeKind($page, PageKind::Page),
                new ChangeKind($page, PageKind::Section),
                new ChangeKind($page, PageKind::Pointer, Target::page($other)),
                new ChangeKind($page, PageKind::Pointer, Target::url('https://skerrivane.example/')),
                new ChangeKind($page, PageKind::Section),
                new ChangeKind($page, PageKind::Download, Target::file($other)),
            ][$how],
            19 => $how < 4 ? new LeaveOutOfAddresses($page) : new IncludeInAddresses($page),
            20 => $how < 3 ? new UnlistPage($page) : new ListPage($page),
            21 => new Schedule($page, $how < 4 ? Moment::at($this->now + 1000 * ($how + 1)) : null, $how > 2 ? Moment::at($this->now + 9000) : null),
            22 => $how < 3 ? new SendForReview($page, $word) : new ReturnToWriter($page, $word),
            23 => new SetStartPage($page, $how < 4 ? StartAudience::Visitors : StartAudience::SignedIn),
            24, 25 => $how < 3 ? AddAddress::serving($page, $address) : AddAddress::sendingOn($page, $address),
            26 => new RemoveAddress($page, $address),
            27 => $how < 3 ? new Protect($page) : new Unprotect($page),
            28 => new AddToMenu($page, $menus[$where % count($menus)]),
            29 => new RemoveFromMenu($page, $menus[$where % count($menus)]),
            30 => $this->aboutMenu($menus, $where, $how, $new),
            31 => new ArrangeMenu($menus[$where % count($menus)], $this->entries($new, $page, $other, $how)),
            32, 33 => new MakeRedirect($this->redirect($new, $page, $which, $how)),
            34 => new ChangeRedirect(
                $this->anyRedirect($where),
                [
                    ['isOn' => false],
                    ['isOn' => true],
                    ['inFront' => true],
                    ['inFront' => false],
                    ['source' => $address->path],
                    ['leadsTo' => ['address' => '/x/y']],
                ][$how],
            ),
            36 => [
                new Publish($page),
                new Tag($page, [$word], ['b']),
                new Tag($page, [], [$word]),
                new RenameTag($word, 'b'),
                new RenameTag($word, null),
                new Describe($page, showing: ['reload' => 5, 'picture' => null]),
            ][$how],
            37 => new Describe(
                $page,
                $how < 3 ? ['heading' => $word, 'summary' => "About $word"] : ['searchTitle' => $word],
                $how === 4 ? 'section' : null,
            ),
            38 => new SetSearch(
                $page,
                [
                    ['index' => false],
                    ['index' => null],
                    ['canonical' => $other],
                    ['canonical' => 'none'],
                    ['priority' => 0.7],
                    ['inSitemap' => false],
                ][$how],
            ),
            39 => [
                new SetBranchSearch($page, ['titlePattern' => '{name} · {parent}']),
                new SetBranchSearch($page, ['index' => false]),
                new SetBranchSearch($page, ['index' => null, 'titlePattern' => null]),
                new SetSiteSearch(['titlePattern' => '{name} | {site}']),
                new SetSiteSearch(['inSitemap' => false], 'section'),
                new SetRobots("User-agent: *\nDisallow: /$word"),
            ][$how],
            40 => new SetAccess(
                $page,
                [
                    null,
                    ['to' => 'nobody'],
                    ['to' => 'some', 'signedIn' => true],
                    ['to' => 'everyone'],
                    ['to' => 'some', 'networks' => ['192.0.2.0/24'], 'from' => Moment::at($this->now + 500)->iso()],
                    ['to' => 'nobody', 'until' => Moment::at($this->now + 500)->iso()],
                ][$how],
                'UTC',
            ),
            default => $how < 3 ? RemoveRedirect::leavingFree($this->anyRedirect($where)) : RemoveRedirect::leavingGone($this->anyRedirect($where)),
        };
    }

    private function redirect(string $id, string $page, int $which, int $how): Rule
    {
        $source = ['/deal', '/summer', '/Help/times', '/travel', '/x/y', '/old/:x'][($which + $how) % 6];
        $target = ['address' => ['/nowhere', '/deal', '/nowhere', '/deal', '/x/y', '/nowhere'][$how]];
        $given = [
            'id' => $id,
            'source' => $source,
            'scope' => str_contains($source, ':') ? 'pattern' : ($how === 1 ? 'branch' : 'one'),
            'leadsTo' => $target,
            'inFront' => $how === 2,
        ];

        $rule = (new RuleReader($this->rules, 'UTC'))->read(
            $source === $target['address'] ? ['leadsTo' => ['address' => '/nowhere']] + $given : $given,
        );

        return $how < 3 ? $rule->with(['target' => Target::page($page)]) : $rule;
    }

    private function anyRedirect(int $n): string
    {
        return $this->redirects === [] ? Identity::derived('01J0000000', 'none') : $this->redirects[$n % count($this->redirects)];
    }

    /** @param  list<string>  $menus */
    private function aboutMenu(array $menus, int $which, int $how, string $new): Change
    {
        $menu = $menus[$which % count($menus)];

        return match ($how) {
            0 => new MakeMenu($new, PageName::of("Menu $which"), MenuKind::Menu),
            1 => new MakeMenu($new, PageName::of("Picks $which"), MenuKind::Picks),
            2 => new RenameMenu($menu, PageName::of("Menu $which")),
            3 => new PlaceMenu($menu, 'main'),
            4 => new PlaceMenu($menu, 'footer'),
            default => new RemoveMenu($menu),
        };
    }

    /** @return list<Entry> */
    private function entries(string $seed, string $page, string $other, int $how): array
    {
        $id = static fn (int $n): string => Identity::derived($seed, "entry $n");

        return array_slice(
            [
                new Entry($id(0), null, 0, $how === 5 ? EntryKind::Page : EntryKind::Heading, $how === 5 ? Target::page($page) : null, 'Above'),
                new Entry($id(1), $id(0), 0, EntryKind::Page, Target::page($page), $how % 2 === 0 ? '' : 'Own label'),
                new Entry(
                    $id(2),
                    null,
                    1,
                    EntryKind::Branch,
                    $how < 3 ? Target::page($other) : null,
                    contents: new BranchContents(1 + ($how % 3), BranchOrder::Tree, $how === 1 ? [$page] : [], $how === 2 ? [$page] : []),
                ),
                new Entry($id(3), null, 2, EntryKind::Page, Target::page($other)),
                new Entry($id(4), $id(3), 0, EntryKind::Url, Target::url('https://skerrivane.example/'), 'Elsewhere'),
            ],
            0,
            2 + ($how % 4),
        );
    }

    private function id(int $n): string
    {
        return $this->ids === [] ? MemorySite::MAIN : $this->ids[$n % count($this->ids)];
    }
}
