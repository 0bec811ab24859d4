<?php

declare(strict_types=1);

namespace Tests\Core\Memory;

use Heronstem\Core\Access\AccessDifference;
use Heronstem\Core\Access\AccessSource;
use Heronstem\Core\Access\SiteAccess;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\AddressRulesDifference;
use Heronstem\Core\Address\AddressShift;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\GoLive;
use Heronstem\Core\Change\Make;
use Heronstem\Core\Change\Undo;
use Heronstem\Core\Content\Layout\Layouts;
use Heronstem\Core\Decision\Decision;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimDifference;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Ledger\Ledger;
use Heronstem\Core\Linking\LinksInto;
use Heronstem\Core\Linking\RawLink;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Menu\BranchContents;
use Heronstem\Core\Menu\Entry;
use Heronstem\Core\Menu\EntryKind;
use Heronstem\Core\Menu\Menu;
use Heronstem\Core\Menu\MenuDifference;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Menu\MenuPage;
use Heronstem\Core\Menu\MenuPages;
use Heronstem\Core\Menu\MenuPlace;
use Heronstem\Core\Menu\Menus;
use Heronstem\Core\Moment;
use Heronstem\Core\Planning\Planner;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleDifference;
use Heronstem\Core\Redirect\Rules;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Search\SiteFacts;
use Heronstem\Core\Search\SiteSearch;
use Heronstem\Core\Series;
use Heronstem\Core\Tree\CarriedPage;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\Pages;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\PersonAtPage;
use Heronstem\Core\Visitors\Guest;
use Heronstem\Core\Workspace\Authority;
use Heronstem\Core\Workspace\Place;
use Heronstem\Core\Workspace\SiteContext;

/** A whole site in memory: the core's ports, and applying as plainly as can be. */
final class MemorySite implements AccessSource, Ledger, LinksInto, MenuPages, Menus, Pages, Rules
{
    public const MAIN = '01J0000000000000000000MAJN';

    public const BAR = '01J00000000000000000000BAR';

    /** @var array<string, Page> */
    public array $pages = [];

    /** @var array<string, Claim> */
    public array $claims = [];

    public ?string $startPage = null;

    public ?string $startPageSignedIn = null;

    public SiteSearch $search;

    public SiteAccess $access;

    public Layouts $layouts;

    /** @var array<string, list<Page>> starting points */
    public array $kept = [];

    public int $links = 0;

    /** @var list<RawLink> */
    public array $rawLinks = [];

    /** @var list<PersonAtPage> */
    public array $people = [];

    /** Seconds since 1970. */
    public int $now = 1_800_000_000;

    public Authority $authority = Authority::Manager;

    /** Whether copies keep code. */
    public bool $writesCode = false;

    /** Whether pages that move along are told in few words. */
    public bool $carriesPlainly = true;

    /** Whoever looks at menus. */
    public Guest $guest;

    /** @var array<string, Rule> */
    public array $redirects = [];

    /** @var array<string, Menu> */
    public array $menus;

    /** Begins with a main menu of two levels, filled from the tree. */
    public function __construct(public AddressRules $rules = new AddressRules())
    {
        $bar = new Entry(self::BAR, null, 0, EntryKind::Branch, contents: new BranchContents(2));
        $this->search = new SiteSearch();
        $this->guest = Guest::anybody();
        $this->access = SiteAccess::begun();
        $this->layouts = new Layouts();
        $this->menus = [self::MAIN => new Menu(self::MAIN, 'Main', MenuKind::Menu, 'main', [$bar->id => $bar])];
    }

    /** Makes a live page and returns its identity; `$name` is unique enough in a test to be one. */
    public function live(string $name, ?string $parent = null, ?string $slug = null): string
    {
        $id = $this->draft($name, $parent, $slug);
        $this->apply(new GoLive($id));

        return $id;
    }

    public function draft(string $name, ?string $parent = null, ?string $slug = null): string
    {
        $this->apply(new Make($name, PageName::of($name), Place::lastIn($parent), $slug === null ? null : Slug::of($slug)));

        return $name;
    }

    public function access(): SiteAccess
    {
        return $this->access;
    }

    public function nameOf(string $person): ?string
    {
        return ($this->access->people[$person] ?? null)?->name;
    }

    public function plan(Change ...$changes): Ripple
    {
        return $this->planBatch(Batch::of(...$changes));
    }

    public function planBatch(Batch $batch): Ripple
    {
        return (new Planner($this->context(), $this, $this, $this, $this, $this))->plan($batch);
    }

    public function context(): SiteContext
    {
        return new SiteContext(
            $this->rules,
            $this->startPage,
            Moment::at($this->now),
            'UTC',
            $this->authority,
            $this->places(),
            $this->startPageSignedIn,
            layouts: $this->layouts,
            search: $this->search,
            facts: new SiteFacts('Ferries', 'Boats.', 'en-GB', 'http://ferries.test'),
            startingPoints: new KeptBranches($this->kept),
            access: $this,
            writesCode: $this->writesCode,
        );
    }

    public function apply(Change ...$changes): Ripple
    {
        return $this->carryOut($this->plan(...$changes));
    }

    public function carryOut(Ripple $ripple): Ripple
    {
        if (! $ripple->canBeApplied()) {
            throw new \LogicException(
                'A decision is open: '.($ripple->toDecide->conflicts[0]->address->path ?? $ripple->toDecide->open()[0]->kind->value),
            );
        }
        $this->rules = $ripple->addresses->rules === null ? $this->rules : $ripple->addresses->rules->after;
        $this->startPage = $ripple->pages->startPage === null ? $this->startPage : $ripple->pages->startPage->after;
        $this->startPageSignedIn = $ripple->pages->startPageSignedIn === null ? $this->startPageSignedIn : $ripple->pages->startPageSignedIn->after;
        $this->search = $ripple->search->settings === null ? $this->search : SiteSearch::stored($ripple->search->settings->after);
        $this->access = $ripple->access->after ?? $this->access;
        foreach ($ripple->pages->outcome as $id => $page) {
            if ($page === null) {
                unset($this->pages[$id]);
            } else {
                $this->pages[$id] = $page;
            }
        }
        // As a store reads them: by the rules there are.
        foreach ($ripple->addresses->rules === null ? [] : $this->pages as $id => $page) {
            $this->pages[$id] = $page->at(Address::stored($page->address->path, $this->rules));
        }
        foreach ($ripple->menusAndLinks->menus as $difference) {
            $menu = $difference->doneTo($this->menus[$difference->menu] ?? null);
            if ($menu === null) {
                unset($this->menus[$difference->menu]);
            } else {
                $this->menus[$menu->id] = $menu;
            }
        }
        foreach ($ripple->redirects->rules as $difference) {
            if ($difference->after === null) {
                unset($this->redirects[$difference->rule]);
            } else {
                $this->redirects[$difference->rule] = $difference->after;
            }
        }
        foreach ($ripple->addresses->claims as $difference) {
            unset($this->claims[$difference->key]);
        }
        foreach ($ripple->addresses->claims as $difference) {
            if ($difference->after !== null) {
                $this->claims[$difference->key] = $difference->after;
            }
        }

        return $ripple;
    }

    public function undo(Ripple $applied): Ripple
    {
        return $this->carryOut($this->planUndoing($applied));
    }

    /** Undoes what was applied so long ago that visitors know what it showed. */
    public function undoLater(Ripple $applied, Decision ...$decisions): Ripple
    {
        $this->now += 3600;

        return $this->carryOut(
            $this->planBatch(new Batch([$this->kept($applied, Moment::at($this->now - 3600))], Decisions::elseDefaults(...$decisions))),
        );
    }

    /** Somebody saves words for the page, or prepares texts of a live one. */
    public function write(string $page, ?PageTexts $prepared = null): void
    {
        $was = $this->pages[$page];
        $this->pages[$page] = $was->with([
            'contentSaved' => $was->contentSaved + 1,
            'prepared' => $was->isLive() ? $prepared ?? $was->prepared : null,
        ]);
    }

    /** @param  Ripple  ...$applied  newest first */
    public function planUndoing(Ripple ...$applied): Ripple
    {
        $entries = array_map(fn (Ripple $ripple): Undo => $this->kept($ripple), array_values($applied));

        return $this->planBatch(new Batch($entries === [] ? throw new \LogicException('Nothing to undo.') : $entries, Decisions::elseDefaults()));
    }

    /** What takes back what was applied, as the history keeps it and reads it again. */
    public function kept(Ripple $ripple, ?Moment $at = null): Undo
    {
        $pages = $ripple->pages->differences->each(
            static fn (PageDifference $difference): PageDifference => PageDifference::fromArray(self::throughJson($difference->toArray())),
        );
        $claims = $ripple->addresses->claims->each(
            fn (ClaimDifference $difference): array => $ripple->addresses->rules === null
                ? ClaimDifference::fromArray(self::throughJson($difference->toArray()), $this->rules)
                : [ClaimDifference::asKept(self::throughJson($difference->toArray()), $ripple->addresses->rules)],
        );

        $menus = array_map(
            static fn (MenuDifference $difference): MenuDifference => MenuDifference::fromArray(self::throughJson($difference->toArray())),
            $ripple->menusAndLinks->menus,
        );

        return new Undo(
            'entry',
            Series::of($pages),
            Series::of(array_merge(...$claims)),
            $ripple->pages->startPage,
            $menus,
            $ripple->pages->startPageSignedIn,
            array_map(
                fn (RuleDifference $difference): RuleDifference => $ripple->addresses->rules === null
                    ? RuleDifference::fromArray(self::throughJson($difference->toArray()))->respelled($this->rules)
                    : RuleDifference::fromArray(self::throughJson($difference->toArray())),
                $ripple->redirects->rules,
            ),
            $at,
            $ripple->search->settings,
            access: AccessDifference::fromArray($ripple->access->settings === null ? null : self::throughJson($ripple->access->settings->toArray())),
            addressRules: AddressRulesDifference::fromArray(
                $ripple->addresses->rules === null ? null : self::throughJson($ripple->addresses->rules->toArray()),
            ),
        );
    }

    /**
     * @template T of array<mixed>
     *
     * @param  T  $kept
     * @return T
     */
    private static function throughJson(array $kept): array
    {
        return json_decode(json_encode($kept, JSON_THROW_ON_ERROR), true);
    }

    /** How a path is answered: `page NAME`, `redirect ADDRESS`, `hidden NAME` or `missed`. */
    public function answer(string $path): string
    {
        $claim = $this->claims[Address::asked($path, $this->rules)->key] ?? null;
        $page = $claim?->page === null ? null : $this->pages[$claim->page];
        if ($claim?->kind === ClaimKind::Gone) {
            return 'gone';
        }
        if ($claim === null || $page === null) {
            return 'missed';
        }
        if (! $page->isLive()) {
            return 'hidden '.$page->name;
        }

        return $claim->kind === ClaimKind::Redirect ? 'redirect '.$page->address->path : 'page '.$page->name;
    }

    /** @return array<string, mixed> everything that must come back exactly */
    public function snapshot(): array
    {
        $pages = array_map(static fn (Page $page): array => [PageDifference::between(null, $page)?->toArray(), $page->address->path], $this->pages);
        $claims = array_map(static fn (Claim $c): array => [$c->address->path, $c->kind->value, $c->page, $c->everLive, $c->heldFor], $this->claims);
        ksort($pages);
        ksort($claims);
        $menus = array_map(static fn (Menu $menu): array => $menu->toArray(), $this->menus);
        ksort($menus);

        $redirects = array_map(static fn (Rule $rule): array => $rule->toArray(), $this->redirects);
        ksort($redirects);

        return [
            'rules' => $this->rules->toArray(),
            'start' => $this->startPage,
            'signed in' => $this->startPageSignedIn,
            'search' => $this->search->toText(),
            'redirects' => $redirects,
            'menus' => $menus,
            'pages' => $pages,
            'claims' => $claims,
        ];
    }

    public function named(array $ids): array
    {
        return array_intersect_key($this->redirects, array_flip($ids));
    }

    public function claiming(array $keys): array
    {
        $found = array_filter($this->redirects, static fn (Rule $rule): bool => $rule->claims() && in_array($rule->key, $keys, true));

        return array_column($found, null, 'key');
    }

    public function withoutClaim(): array
    {
        return array_values(array_filter($this->redirects, static fn (Rule $rule): bool => ! $rule->claims()));
    }

    public function leadingTo(array $pages): iterable
    {
        return array_values(
            array_filter(
                $this->redirects,
                static fn (Rule $rule): bool => $rule->target?->kind === TargetKind::Page && in_array($rule->target->value, $pages, true),
            ),
        );
    }

    public function leadingToAddresses(array $addresses): iterable
    {
        return array_values(
            array_filter(
                $this->redirects,
                static fn (Rule $rule): bool => $rule->target?->kind === TargetKind::Address && in_array($rule->target->value, $addresses, true),
            ),
        );
    }

    public function page(string $id): ?Page
    {
        return isset($this->pages[$id]) ? $this->read($this->pages[$id]) : null;
    }

    public function withAncestors(array $ids): iterable
    {
        foreach ($ids as $id) {
            for ($page = $this->page($id); $page !== null; $page = $page->parent === null ? null : $this->page($page->parent)) {
                yield $page;
            }
        }
    }

    public function branch(string $id): iterable
    {
        $root = $this->page($id);
        if ($root !== null) {
            yield $root;
            foreach ($this->childrenOf($id) as $child) {
                if ($child->bin === $root->bin) {
                    yield from $this->branch($child->id);
                }
            }
        }
    }

    public function carried(string $id, AddressShift $shift): iterable
    {
        $level = $this->carriesPlainly ? [$id] : [];
        foreach ($this->carriesPlainly ? [] : $this->branch($id) as $page) {
            // Nothing is carried in few words: what is told then must be the same.
            yield from $page->id === $id
                ? []
                : [new CarriedPage($page->id, $page->parent, '', '', $page->address, false, false, false, false, false)];
        }
        while ($level !== []) {
            $children = array_filter(array_merge(...array_map($this->childrenOf(...), $level)), static fn (Page $page): bool => ! $page->isBinned());
            foreach ($children as $page) {
                yield self::carriedPage($page, $this->claims, $shift);
            }
            $level = array_values(array_column($children, 'id'));
        }
    }

    /** @param  array<string, Claim>  $claims  by key; those that matter here among them */
    public static function carriedPage(Page $page, array $claims, AddressShift $shift): CarriedPage
    {
        $next = $shift->of($page->address);
        $own = $claims[$page->address->key] ?? null;
        $there = $next === null ? null : $claims[$next->key] ?? null;

        return CarriedPage::of(
            $page,
            $shift,
            $own?->isPageOf($page->id) === true && $own->address->path === $page->address->path ? $own->everLive : null,
            $there === null,
            $there !== null && $next !== null && $there->says(Claim::redirectTo($next, $page->id, true)),
        );
    }

    public function childOrder(?string $parent): array
    {
        $order = [];
        foreach ($this->childrenOf($parent) as $page) {
            if (! $page->isBinned()) {
                $order[$page->id] = $page->position;
            }
        }
        asort($order);

        return $order;
    }

    public function childOrders(array $parents): array
    {
        return array_filter(array_combine($parents, array_map($this->childOrder(...), $parents)));
    }

    public function namingAsCanonical(array $pages): iterable
    {
        return array_values(array_filter($this->pages, static fn (Page $page): bool => in_array($page->search->canonical->value, $pages, true)));
    }

    public function settingBranches(): array
    {
        $setting = array_filter($this->pages, static fn (Page $page): bool => ! $page->isBinned() && ! $page->branchSearch->isSilent());

        return array_map(strval(...), array_keys($setting));
    }

    public function tagged(string $tag): iterable
    {
        return array_values(array_filter($this->pages, static fn (Page $page): bool => ! $page->isBinned() && $page->tags->has($tag)));
    }

    public function whole(): iterable
    {
        foreach ($this->childrenOf(null) as $top) {
            if (! $top->isBinned()) {
                yield from $this->branch($top->id);
            }
        }
    }

    public function binnedBelow(string $id): iterable
    {
        foreach ($this->childrenOf($id) as $child) {
            if ($child->bin === $child->id) {
                yield $child;
            }
            yield from $this->binnedBelow($child->id);
        }
    }

    public function peopleAt(array $pages): iterable
    {
        return array_filter($this->people, static fn (PersonAtPage $person): bool => in_array($person->page, $pages, true));
    }

    /** @return list<Page> */
    private function childrenOf(?string $parent): array
    {
        return array_map($this->read(...), array_values(array_filter($this->pages, static fn (Page $page): bool => $page->parent === $parent)));
    }

    /** A pinned address is kept as it was set, and read by the rules there are. */
    private function read(Page $page): Page
    {
        return $page->pinned === null ? $page : $page->with(['pinned' => Address::set($page->pinned->path, $this->rules)]);
    }

    public function everyClaim(): iterable
    {
        return $this->claims;
    }

    public function everyRule(): iterable
    {
        return $this->redirects;
    }

    public function claimsOn(array $addresses): array
    {
        return array_intersect_key($this->claims, array_flip(array_column($addresses, 'key')));
    }

    public function claimsAbout(array $pages): iterable
    {
        return array_filter(
            $this->claims,
            static fn (Claim $claim): bool => in_array($claim->page, $pages, true) || in_array($claim->heldFor, $pages, true),
        );
    }

    public function all(): array
    {
        return $this->menus;
    }

    public function pages(array $ids): array
    {
        return array_map($this->menuPage(...), array_intersect_key($this->pages, array_flip($ids)));
    }

    public function below(?string $root, int $depth): iterable
    {
        $children = $this->childrenOf($root);
        usort($children, static fn (Page $a, Page $b): int => $a->position <=> $b->position);
        foreach ($children as $child) {
            $page = $this->menuPage($child);
            if ($page->hidden === null && ($root !== null || $child->id !== $this->startPage)) {
                yield $page;
                if ($depth > 1) {
                    yield from $this->below($child->id, $depth - 1);
                }
            }
        }
    }

    /** By looking upwards, one page after the other. */
    public function sees(Page $page, Guest $guest): bool
    {
        for ($at = $page; $at !== null; $at = $at->parent === null ? null : $this->page($at->parent)) {
            if ($at->access?->holdsAt(Moment::at($this->now)) === true) {
                return $at->access->admits($guest);
            }
        }

        return true;
    }

    private function menuPage(Page $page): MenuPage
    {
        return MenuPage::of($page, Moment::at($this->now), isOpen: $this->sees($page, $this->guest));
    }

    /** @return array<string, MenuPlace> */
    private function places(): array
    {
        return [
            'main' => new MenuPlace('main', 'Main bar', MenuKind::Menu, 2),
            'footer' => new MenuPlace('footer', 'Footer', MenuKind::Menu, 2),
            'front' => new MenuPlace('front', 'Front page', MenuKind::Picks),
        ];
    }

    public function countInto(array $pages): int
    {
        return $this->links;
    }

    public function rawOn(?array $pages): iterable
    {
        return array_values(array_filter($this->rawLinks, static fn (RawLink $link): bool => $pages === null || in_array($link->page, $pages, true)));
    }

    public function rawTo(array $keys): iterable
    {
        return array_values(array_filter($this->rawLinks, static fn (RawLink $link): bool => in_array($link->address->key, $keys, true)));
    }
}
