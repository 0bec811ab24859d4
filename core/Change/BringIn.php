<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\AddressWish;
use Heronstem\Core\Workspace\PageOverlay;
use Heronstem\Core\Workspace\Workspace;

/**
 * Brings in pages, menus and redirects that were given as files, all at once. What was given is too much to be named in a change:
 * whoever keeps it works out what comes of it, and tells it by `with()` before the change is made.
 */
final readonly class BringIn implements RequestedChange
{
    use HasShape;

    /** Most pages brought in at once. */
    public const MAX_PAGES = 20_000;

    /**
     * @param  string  $import  identity of what was given
     * @param  list<BroughtPage>|null  $pages  parents before their children; null until it has been worked out
     * @param  list<Change>  $then  what is changed once the pages are there: menus, redirects, what else is said of pages
     * @param  string|null  $startPage  the page that becomes the start page
     * @param  (\Closure(string): ?string)|null  $pageAt  the page that an address of the source means, for links in contents
     */
    private function __construct(
        public string $import,
        public ?array $pages = null,
        public array $then = [],
        public ?string $startPage = null,
        public ?\Closure $pageAt = null,
    ) {
    }

    public static function shape(): Shape
    {
        return Shape::of('bring-in', Subject::Whole, Field::identity('import', 'what was given, as it was looked over'));
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->identity('import'));
    }

    /**
     * @param  list<BroughtPage>  $pages  parents before their children
     * @param  list<Change>  $then  what is changed once they are there
     * @param  (\Closure(string): ?string)|null  $pageAt  the page that an address of the source means
     */
    public function with(array $pages, array $then = [], ?string $startPage = null, ?\Closure $pageAt = null): self
    {
        return new self($this->import, $pages, $then, $startPage, $pageAt);
    }

    public function on(Workspace $workspace): void
    {
        $pages = $this->pages ?? throw new \LogicException('What is imported has not been worked out.');
        if (count($pages) > self::MAX_PAGES) {
            throw new InputRefused(
                'import',
                sprintf(
                    'At most %s pages are imported at once; these are %s. Give them in parts, one branch after the other.',
                    number_format(self::MAX_PAGES),
                    number_format(count($pages)),
                ),
            );
        }
        if ($pages === [] && $this->then === []) {
            throw new NothingToChange('import', 'Nothing here is new: every page already exists exactly like this.');
        }
        $last = [];
        foreach ($pages as $brought) {
            $workspace->pages->put($this->placed($brought, $last, $workspace));
        }
        foreach ($pages as $brought) {
            foreach ($brought->former as $address) {
                $workspace->wish(new AddressWish($brought->page->id, $address, ClaimKind::Redirect));
            }
        }
        if ($this->startPage !== null && $workspace->startPage() === null) {
            $workspace->setStartPage($this->startPage);
        }
        $this->goOn($workspace);
    }

    /** @throws InputRefused naming what cannot be */
    private function goOn(Workspace $workspace): void
    {
        foreach ($this->then as $change) {
            try {
                $change->on($workspace);
            } catch (NothingToChange) {
                // It is like this already.
            }
        }
    }

    /**
     * One that is new, or comes under another page, goes after those that are there.
     *
     * @param  array<string, int>  $last  positions given out, by parent
     */
    private function placed(BroughtPage $brought, array &$last, Workspace $workspace): Page
    {
        $page = $brought->page;
        $now = $workspace->pages->find($page->id);
        if ($brought->isNew && $now !== null) {
            throw new InputRefused('import', 'This was imported already. Upload it again to see what is new in it.');
        }
        if ($now !== null && $now->parent === $page->parent) {
            return $page->placed($now->parent, $now->position);
        }
        if ($page->parent !== null) {
            $workspace->pages->page($page->parent, 'import');
        }
        $key = $page->parent ?? '';
        if (! isset($last[$key])) {
            $order = $workspace->pages->childOrder($page->parent);
            $last[$key] = $order === [] ? -1 : max($order);
        }
        $last[$key] = $last[$key] < 0 ? 0 : $last[$key] + PageOverlay::GAP;

        return $page->placed($page->parent, $last[$key]);
    }

    public function pagesNamed(): array
    {
        $named = [];
        foreach ($this->pages ?? [] as $brought) {
            $named[$brought->page->id] = true;
            $named[(string) $brought->page->parent] = true;
        }
        foreach ($this->then as $change) {
            $named += array_fill_keys($change->pagesNamed(), true);
        }
        unset($named['']);

        return array_map(strval(...), array_keys($named));
    }

    public function sentence(Outcome $outcome): string
    {
        $new = count(array_filter($this->pages ?? [], static fn (BroughtPage $page): bool => $page->isNew));
        $changed = count($this->pages ?? []) - $new;
        $counted = static fn (int $n, string $one, string $many): string => $n === 1 ? "one $one" : number_format($n)." $many";
        $said = array_filter([
            $new === 0 ? '' : 'Brought in '.$counted($new, 'page', 'pages'),
            $changed === 0 ? '' : ($new === 0 ? 'Changed ' : 'changed ').$counted($changed, 'page', 'pages').($new === 0 ? ' by a file' : ''),
            $this->has(ArrangeMenu::class) === 0 ? '' : $counted($this->has(ArrangeMenu::class), 'menu', 'menus'),
            $this->has(MakeRedirect::class) === 0 ? '' : $counted($this->has(MakeRedirect::class), 'redirect', 'redirects'),
        ]);
        $last = array_pop($said) ?? 'what was given';
        $sentence = $said === [] ? $last : implode(', ', $said)." and $last";

        return $new + $changed === 0 ? "Brought in $sentence" : $sentence;
    }

    /** @param  class-string<Change>  $kind */
    private function has(string $kind): int
    {
        return count(array_filter($this->then, static fn (Change $change): bool => $change instanceof $kind));
    }

    public function toArray(): array
    {
        return ['kind' => 'bring-in', 'import' => $this->import];
    }
}
