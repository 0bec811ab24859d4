<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Decision\DecisionReader;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\WhenUnanswered;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Linking\OwnAddress;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Menu\EntryReader;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Refusal;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\StartAudience;
use Heronstem\Core\Workspace\Place;
use Heronstem\Core\Workspace\PlaceKind;

/** Reads batches as the API and the history write them. */
final class ChangeReader
{
    /** Longest note of a review, in characters. */
    private const LONGEST_NOTE = 2000;

    /** Kinds that take along what is below the page. */
    private const BRANCHES = ['move', 'duplicate', 'put-in-bin'];

    /** Kinds that are made to a menu. */
    private const MENUS = ['make-menu', 'rename-menu', 'place-menu', 'remove-menu', 'arrange-menu'];

    /** Kinds that are made to a redirect rule. */
    private const REDIRECTS = ['make-redirect', 'change-redirect', 'remove-redirect', 'order-patterns'];

    /** Kinds that make sense of one page only. */
    private const ALONE = ['make', 'rename', 'set-slug', 'pin', 'set-start-page', 'add-address', 'remove-address'];

    /**
     * @param  string  $zone  the site's time zone, for times written without one
     * @param  OwnAddress|null  $own  where a whole URL of the site may stand for its address
     */
    public function __construct(private readonly AddressRules $rules, private readonly string $zone = 'UTC', private readonly ?OwnAddress $own = null)
    {
    }

    /**
     * @param  array<mixed>  $changes
     * @param  array<mixed>  $decisions
     *
     * @throws Refusal naming the change and its field
     */
    public function batch(array $changes, array $decisions = [], WhenUnanswered $undecided = WhenUnanswered::StaysOpen): Batch
    {
        if ($changes === []) {
            throw new InputRefused('changes', 'There is nothing to change in this batch.');
        }
        if (count($changes) > Batch::LONGEST) {
            throw new InputRefused('changes', sprintf('A batch holds at most %d changes; this one has %d.', Batch::LONGEST, count($changes)));
        }
        $named = array_sum(array_map(static fn (mixed $change): int => is_array($change) && is_array($change['pages'] ?? null) ? count($change['pages']) : 1, $changes));
        if ($named > Batch::LONGEST) {
            throw new InputRefused('changes', sprintf('The changes of a batch name at most %d pages; these name %d.', Batch::LONGEST, $named));
        }
        $read = [];
        foreach (array_values($changes) as $i => $change) {
            try {
                $read[] = $this->change(is_array($change) ? $change : []);
            } catch (Refusal $refusal) {
                throw $refusal->within("changes.$i");
            }
        }

        $made = (new DecisionReader($this->rules))->all($decisions);

        return new Batch($read, $undecided === WhenUnanswered::StaysOpen ? Decisions::of(...$made) : Decisions::elseDefaults(...$made));
    }

    /** @param  array<mixed>  $change */
    private function change(array $change): Change
    {
        $kind = $change['kind'] ?? null;
        if (! is_string($kind)) {
            throw new InputRefused('kind', 'A change says its kind, like {"kind": "move", …}.');
        }
        ChangeShape::guard($change);
        foreach (['source', 'address'] as $field) {
            if (isset($change[$field])) {
                $change[$field] = $this->behindHost((string) $change[$field], $field);
            }
        }
        if (in_array($kind, self::MENUS, true)) {
            return $this->menu($kind, $this->identity($change['menu'] ?? null, 'menu'), $change);
        }
        if (in_array($kind, self::REDIRECTS, true)) {
            return $this->redirect($kind, $change);
        }
        if (! isset($change['pages'])) {
            return $this->one($kind, $this->identity($change['page'] ?? null, 'page'), $change);
        }
        if (in_array($kind, self::ALONE, true)) {
            throw new InputRefused('pages', "The change $kind is made to one page: name it in `page`.");
        }

        return $this->several($kind, $this->pages($change['pages']), $change);
    }

    /** @throws InputRefused for a URL of another site */
    private function behindHost(string $typed, string $field): string
    {
        $behind = $this->own?->behindHost($typed) ?? $typed;
        if (preg_match('#^\s*https?://#i', $behind) === 1) {
            $path = parse_url(trim($behind), PHP_URL_PATH);
            throw new InputRefused($field, 'This is an address of another site. Only addresses of this site can be used here.', is_string($path) ? $path : '/');
        }

        return $behind;
    }

    /** @param  array<mixed>  $change */
    private function menu(string $kind, string $menu, array $change): Change
    {
        return match ($kind) {
            'make-menu' => new MakeMenu($menu, $this->name($change), isset($change['of']) ? $this->choice(MenuKind::class, $change['of'], 'of') : MenuKind::Menu),
            'rename-menu' => new RenameMenu($menu, $this->name($change)),
            'place-menu' => new PlaceMenu($menu, is_string($change['place'] ?? null) && $change['place'] !== '' ? $change['place'] : null),
            'remove-menu' => new RemoveMenu($menu),
            default => new ArrangeMenu($menu, (new EntryReader($this->rules, $this->zone, $menu))->read($change['entries'] ?? null), is_string($change['basedOn'] ?? null) ? $change['basedOn'] : null),
        };
    }

    /** @param  array<mixed>  $change */
    private function redirect(string $kind, array $change): Change
    {
        if ($kind === 'order-patterns') {
            $named = is_array($change['redirects'] ?? null) ? array_values($change['redirects']) : throw new InputRefused('redirects', 'Say the patterns in their order, as a list of identities.');

            return new OrderPatterns(array_map(fn (int $i): string => $this->identity($named[$i], "redirects.$i"), array_keys($named)));
        }
        $id = $this->identity($change['redirect'] ?? null, 'redirect');
        /** @var array<string, mixed> $fields */
        $fields = array_diff_key($change, ['kind' => true, 'redirect' => true, 'origin' => true, 'id' => true]);

        return match ($kind) {
            'make-redirect' => new MakeRedirect((new RuleReader($this->rules, $this->zone))->read(['id' => $id] + $fields)),
            'change-redirect' => new ChangeRedirect($id, $fields),
            default => ($change['gone'] ?? false) === true ? RemoveRedirect::leavingGone($id) : RemoveRedirect::leavingFree($id),
        };
    }

    /** @param  array<mixed>  $change */
    private function one(string $kind, string $page, array $change): Change
    {
        return match ($kind) {
            'make' => new Make($page, $this->name($change), $this->place($change), isset($change['slug']) ? $this->slug($change) : null),
            'rename' => new Rename($page, $this->name($change)),
            'set-slug' => new SetSlug($page, $this->slug($change)),
            'pin' => new Pin($page, $this->address($change)),
            'unpin' => new Unpin($page),
            'move' => new Move($page, $this->place($change)),
            'duplicate' => new Duplicate($page, $this->identity($change['copy'] ?? null, 'copy'), $this->reach($change), isset($change['place']) ? $this->place($change) : null),
            'change-kind' => new ChangeKind($page, $this->choice(PageKind::class, $change['to'] ?? null, 'to'), $this->leadsTo($change)),
            'leave-out' => LeaveOutOfAddresses::of($page),
            'take-in' => LeaveOutOfAddresses::undone($page),
            'go-live' => new GoLive($page, $this->reach($change)),
            'take-offline' => new TakeOffline($page, $this->reach($change)),
            'publish' => new Publish($page),
            'describe' => $this->describe($page, $change),
            'schedule' => new Schedule($page, $this->moment($change, 'from'), $this->moment($change, 'until')),
            'send-for-review' => new SendForReview($page, $this->note($change)),
            'return' => new ReturnToWriter($page, $this->note($change)),
            'list' => ListPage::listed($page),
            'unlist' => ListPage::unlisted($page),
            'keep' => Protect::of($page),
            'let-go' => Protect::undone($page),
            'put-in-bin' => new PutInBin($page),
            'bring-back' => new BringBack($page, isset($change['place']) ? $this->place($change) : null, isset($change['state']) ? $this->choice(RestoredState::class, $change['state'], 'state') : RestoredState::AsItWas),
            'empty-bin' => new DeleteForGood($page),
            'set-start-page' => new SetStartPage($page, isset($change['for']) ? $this->choice(StartAudience::class, $change['for'], 'for') : StartAudience::Visitors),
            'add-address' => $this->addAddress($page, $change),
            'add-to-menu' => new AddToMenu($page, $this->identity($change['menu'] ?? null, 'menu')),
            'take-out-of-menu' => new RemoveFromMenu($page, $this->identity($change['menu'] ?? null, 'menu')),
            'remove-address' => new RemoveAddress($page, $this->address($change)),
            default => throw new InputRefused('kind', "There is no change “{$kind}”. A change is one of ".implode(', ', self::kinds()).'.'),
        };
    }

    /** @return list<string> every kind of change that a batch may hold */
    public static function kinds(): array
    {
        return [
            'make', 'rename', 'set-slug', 'pin', 'unpin', 'move', 'duplicate', 'change-kind', 'leave-out', 'take-in', 'go-live', 'take-offline', 'publish', 'describe', 'schedule',
            'send-for-review', 'return', 'list', 'unlist', 'keep', 'let-go', 'put-in-bin', 'bring-back', 'empty-bin', 'set-start-page', 'add-address', 'remove-address',
            'add-to-menu', 'take-out-of-menu', ...self::MENUS, ...self::REDIRECTS,
        ];
    }

    /**
     * @param  non-empty-list<string>  $pages
     * @param  array<mixed>  $change
     */
    private function several(string $kind, array $pages, array $change): Change
    {
        $written = array_filter($change, static fn (mixed $value, string|int $field): bool => is_string($field) && $field !== 'pages', ARRAY_FILTER_USE_BOTH);
        $each = function (string $page, ?string $previous) use ($kind, $change): Change {
            $own = $change;
            if ($kind === 'move' && $previous !== null) {
                $own['place'] = ['after' => $previous];
            }
            if ($kind === 'duplicate') {
                $own['copy'] = Identity::derived($this->identity($change['copy'] ?? null, 'copy'), $page);
            }

            return $this->one($kind, $page, $own);
        };
        $each($pages[0], null);

        return in_array($kind, self::BRANCHES, true) ? SeveralPages::branches($pages, $each, $written) : SeveralPages::pages($pages, $each, $written);
    }

    /** @return non-empty-list<string> */
    private function pages(mixed $pages): array
    {
        if (! is_array($pages) || $pages === []) {
            throw new InputRefused('pages', 'Pages are a list of identities, at least one.');
        }
        if (count($pages) > Batch::LONGEST) {
            throw new InputRefused('pages', sprintf('One change takes at most %d pages; these are %d.', Batch::LONGEST, count($pages)));
        }
        $read = [];
        foreach (array_values($pages) as $i => $page) {
            $read[$this->identity($page, "pages.$i")] = true;
        }

        return array_map(strval(...), array_keys($read));
    }

    /** @param  array<mixed>  $change */
    private function addAddress(string $page, array $change): Change
    {
        return match ($change['answer'] ?? 'serve') {
            'serve' => AddAddress::serving($page, $this->address($change)),
            'send-on' => AddAddress::sendingOn($page, $this->address($change)),
            default => throw new InputRefused('answer', 'A further address serves the page (serve) or sends on to it (send-on).'),
        };
    }

    /** @param  array<mixed>  $change */
    private function describe(string $page, array $change): Change
    {
        $texts = [];
        foreach (array_intersect_key($change, PageTexts::LONGEST) as $field => $text) {
            $texts[$field] = is_string($text) || ($text === null && $field === 'heading') ? $text : throw new InputRefused((string) $field, 'This is a text.');
        }
        $layout = $change['layout'] ?? null;
        $indexed = $change['indexed'] ?? null;
        if ($layout !== null && ! is_string($layout)) {
            throw new InputRefused('layout', 'A layout is named by a text.');
        }
        if ($indexed !== null && ! is_bool($indexed)) {
            throw new InputRefused('indexed', 'Search engines may list the page, or not: true or false.');
        }
        if ($texts === [] && $layout === null && $indexed === null) {
            throw new InputRefused('page', 'Say what of the page is set: '.implode(', ', array_keys(PageTexts::LONGEST)).', layout or indexed.');
        }

        return new Describe($page, $texts, $layout, $indexed);
    }

    /** @param  array<mixed>  $change */
    private function reach(array $change): Scope
    {
        return isset($change['reach']) ? $this->choice(Scope::class, $change['reach'], 'reach') : Scope::Page;
    }

    /** @param  array<mixed>  $change */
    private function leadsTo(array $change): ?Target
    {
        $leads = $change['leadsTo'] ?? null;
        if ($leads === null) {
            return null;
        }

        return is_array($leads) && count($leads) === 1 ? Target::read(key($leads), current($leads), $this->rules) : Target::read(null, null, $this->rules);
    }

    /** @param  array<mixed>  $change */
    private function moment(array $change, string $field): ?Moment
    {
        $typed = $change[$field] ?? null;
        if ($typed === null || $typed === '') {
            return null;
        }

        return Moment::read(is_string($typed) ? $typed : '', $this->zone, $field);
    }

    /** @param  array<mixed>  $change */
    private function note(array $change): string
    {
        $note = $change['note'] ?? '';
        $note = is_string($note) ? trim($note) : throw new InputRefused('note', 'A note is a text.');
        if (mb_strlen($note) > self::LONGEST_NOTE) {
            throw new InputRefused('note', sprintf('A note has at most %d characters; this one has %d.', self::LONGEST_NOTE, mb_strlen($note)));
        }

        return $note;
    }

    /** @param  array<mixed>  $change */
    private function address(array $change): Address
    {
        return Address::set(is_string($change['address'] ?? null) ? $change['address'] : '', $this->rules);
    }

    /**
     * @template T of \BackedEnum
     *
     * @param  class-string<T>  $choices
     * @return T
     */
    private function choice(string $choices, mixed $given, string $field): \BackedEnum
    {
        $choice = is_string($given) ? $choices::tryFrom($given) : null;

        return $choice ?? throw new InputRefused($field, 'This is one of '.implode(', ', array_column($choices::cases(), 'value')).'.');
    }

    /** @param  array<mixed>  $change */
    private function name(array $change): PageName
    {
        return PageName::of(is_string($change['name'] ?? null) ? $change['name'] : '');
    }

    /** @param  array<mixed>  $change */
    private function slug(array $change): Slug
    {
        return Slug::of(is_string($change['slug'] ?? null) ? $change['slug'] : '');
    }

    /** @param  array<mixed>  $change */
    private function place(array $change): Place
    {
        $place = $change['place'] ?? null;
        if (! is_array($place) || count($place) !== 1) {
            throw new InputRefused('place', 'A place is one of {"last": parent}, {"first": parent}, {"before": sibling}, {"after": sibling}; a parent may be null for the top.');
        }
        $kind = PlaceKind::tryFrom((string) key($place));
        $page = current($place);

        return match ($kind) {
            PlaceKind::Last => Place::lastIn($page === null ? null : $this->identity($page, 'place')),
            PlaceKind::First => Place::firstIn($page === null ? null : $this->identity($page, 'place')),
            PlaceKind::Before => Place::before($this->identity($page, 'place')),
            PlaceKind::After => Place::after($this->identity($page, 'place')),
            null => throw new InputRefused('place', 'A place is last, first, before or after.'),
        };
    }

    private function identity(mixed $value, string $field): string
    {
        if (! Identity::names($value)) {
            throw new InputRefused($field, 'A page is named by its identity, 26 letters and digits.');
        }

        return $value;
    }
}
