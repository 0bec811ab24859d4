<?php

declare(strict_types=1);

namespace Heronstem\Core\Workspace;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressShift;
use Heronstem\Core\Tree\CarriedPage;

/**
 * Pages that a batch carries along plainly: another address, and nothing else. They are held in short texts, since there may be as
 * many as the site has, and are read only where somebody wants to know more of one of them.
 */
final class CarriedPages
{
    /** Pages that are read together once one of them is asked for: most often the next one is as well. */
    private const PIECE = 200;

    private const LIVE = 1;

    private const KNOWN = 2;

    private const COMES_BACK = 4;

    /** @var array<string, string> shift, flags, name, address and, where it is another, its key; by page */
    private array $pages = [];

    /** @var array<string, string> page by the key of the address it had */
    private array $former = [];

    /** @var array<string, string> page by the key of the address it gets */
    private array $next = [];

    /** @var list<AddressShift> */
    private array $shifts = [];

    /** @var list<string> pages that take others along, one for each shift */
    private array $tops = [];

    /** Pages whose former address leads to them from now on, and those whose next one did so far. */
    private int $leadingHere = 0;

    private int $comingBack = 0;

    /** @var array<string, true> pages whose former address is nobody's from now on, though visitors may know it */
    private array $letGo = [];

    /** @var array<string, array<string, bool>> live pages below one page in one layout, each with whether visitors find it in lists */
    private array $live = [];

    /** @var array<int, list<string>> pages by how many levels they are below the page that takes them along */
    private array $levels = [];

    /** @var list<string>|null */
    private ?array $order = null;

    /** @var array<string, int> */
    private array $places = [];

    /**
     * All that one page takes along comes in a row.
     *
     * @param  string  $top  the page that takes it along
     * @param  int  $level  below that
     * @return bool false where another page that is carried along would get the same address, or it would be too long
     */
    public function add(CarriedPage $page, AddressShift $shift, string $top, int $level): bool
    {
        $next = $shift->of($page->address);
        if ($next === null || isset($this->next[$next->key])) {
            return false;
        }
        $n = count($this->shifts) - 1;
        if ($n < 0 || $this->shifts[$n] !== $shift) {
            $n++;
            [$this->shifts[], $this->tops[]] = [$shift, $top];
        }
        $flags = ($page->isLive ? self::LIVE : 0) | ($page->isKnown ? self::KNOWN : 0) | ($page->comesBack ? self::COMES_BACK : 0);
        $key = $page->address->key === $page->address->path ? '' : "\0{$page->address->key}";
        $this->pages[$page->id] = "$n\0$flags\0$page->name\0{$page->address->path}$key";
        $this->former[$page->address->key] = $page->id;
        $this->next[$next->key] = $page->id;
        $this->levels[$level][] = $page->id;
        if ($page->isLive) {
            $this->live["$n $page->layout"][$page->id] = $page->isShown;
        }
        [$this->order, $this->places] = [null, []];
        $this->leadingHere += $page->isKnown ? 1 : 0;
        $this->comingBack += $page->comesBack ? 1 : 0;

        return true;
    }

    /** A page is looked at by itself after all. */
    public function drop(string $id): void
    {
        $this->leadingHere -= $this->isKnown($id) ? 1 : 0;
        $this->comingBack -= $this->comesBack($id) ? 1 : 0;
        unset($this->former[$this->before($id)->key], $this->next[$this->after($id)->key], $this->pages[$id]);
        foreach ($this->live as $group => $_) {
            unset($this->live[$group][$id]);
        }
        [$this->order, $this->places] = [null, []];
    }

    public function has(string $id): bool
    {
        return isset($this->pages[$id]);
    }

    /** @return int<0, max> */
    public function count(): int
    {
        return count($this->pages);
    }

    /** @return list<string> */
    public function ids(): array
    {
        return $this->order ??= array_map(strval(...), array_keys($this->pages));
    }

    /** The page that takes it along. */
    public function topOf(string $id): string
    {
        return $this->tops[(int) $this->pages[$id]];
    }

    /** The address that a page had is nobody's from now on. */
    public function letGo(string $id): void
    {
        $this->leadingHere -= $this->isKnown($id) && ! isset($this->letGo[$id]) ? 1 : 0;
        $this->letGo[$id] = true;
    }

    /** @return int<0, max> pages whose former address leads to them from now on */
    public function countLeadingHere(): int
    {
        return max(0, $this->leadingHere);
    }

    /** @return int<0, max> pages whose next address led to them so far */
    public function countComingBack(): int
    {
        return max(0, $this->comingBack);
    }

    public function isLetGo(string $id): bool
    {
        return isset($this->letGo[$id]);
    }

    /** The page that had an address, by its key. */
    public function formerlyAt(string $key): ?string
    {
        return $this->former[$key] ?? null;
    }

    /** The page that gets an address, by its key. */
    public function nextAt(string $key): ?string
    {
        return $this->next[$key] ?? null;
    }

    /** @return list<string> keys of all addresses that they had or get */
    public function keys(): array
    {
        return array_map(strval(...), [...array_keys($this->former), ...array_keys($this->next)]);
    }

    public function before(string $id): Address
    {
        $parts = explode("\0", $this->pages[$id]);

        return Address::kept($parts[3], $parts[4] ?? $parts[3]);
    }

    public function after(string $id): Address
    {
        $address = $this->shifts[(int) $this->pages[$id]]->of($this->before($id));

        return $address ?? throw new \LogicException('A page was carried along to an address that is none.');
    }

    /** Whether visitors ever got an answer at the address that the page had. */
    public function isKnown(string $id): bool
    {
        return ($this->flags($id) & self::KNOWN) !== 0;
    }

    /** Whether the address that the page gets led to it already. */
    public function comesBack(string $id): bool
    {
        return ($this->flags($id) & self::COMES_BACK) !== 0;
    }

    public function isLive(string $id): bool
    {
        return ($this->flags($id) & self::LIVE) !== 0;
    }

    public function name(string $id): string
    {
        return explode("\0", $this->pages[$id], 4)[2];
    }

    /** @return array<string, string> live pages, by the key of the address they had */
    public function liveByFormerKey(): array
    {
        return array_filter($this->former, $this->isLive(...));
    }

    /** @return list<non-empty-array<string, bool>> live pages for which the same holds where they say nothing themselves, each with whether it is in lists */
    public function liveAlike(): array
    {
        return array_values(array_filter($this->live));
    }

    /** @return list<string> pages at most so many levels below the one that takes them along */
    public function near(int $levels): array
    {
        $near = array_filter($this->levels, static fn (int $level): bool => $level <= $levels, ARRAY_FILTER_USE_KEY);

        return array_values(array_filter(array_merge(...$near), $this->has(...)));
    }

    /** @return list<string> the page, and those that are read with it */
    public function around(string $id): array
    {
        if ($this->places === []) {
            $this->places = array_flip($this->ids());
        }
        $at = $this->places[$id];

        return array_slice($this->ids(), $at - ($at % self::PIECE), self::PIECE);
    }

    private function flags(string $id): int
    {
        return (int) explode("\0", $this->pages[$id], 3)[1];
    }
}
