<?php

declare(strict_types=1);

namespace Tests\Core\Memory;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Composition;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Tree\Page;
use PHPUnit\Framework\Assert;

/** The laws that hold after any batch, checked the slow and obvious way. */
final class Invariants
{
    /** @param  array<string, true>  $everLive keys at which visitors ever got a page */
    public static function hold(MemorySite $site, array $everLive): void
    {
        self::tree($site);
        self::addresses($site);
        self::ledger($site, $everLive);
        self::menus($site);
        self::redirects($site);
    }

    private static function tree(MemorySite $site): void
    {
        $places = [];
        foreach ($site->pages as $page) {
            $seen = [];
            for ($above = $page; $above->parent !== null; $above = $site->pages[$above->parent]) {
                Assert::assertArrayNotHasKey($above->id, $seen, 'The tree has a cycle.');
                $seen[$above->id] = true;
                Assert::assertArrayHasKey($above->parent, $site->pages, 'A page has lost its parent.');
                Assert::assertFalse(! $page->isBinned() && $site->pages[$above->parent]->isBinned(), 'A page of the tree hangs below one in the bin.');
            }
            Assert::assertSame($page->isBinned(), $page->bin !== null && $page->was !== null, 'A page is half in the bin.');
            if ($page->bin !== null) {
                Assert::assertSame($page->bin, $site->pages[$page->bin]->bin ?? null, 'A page lies in the bin with one that does not.');
                $above = $page->parent === null ? null : $site->pages[$page->parent]->bin;
                Assert::assertTrue($page->bin === $page->id || $page->bin === $above, 'A page lies in the bin with one that it is not below.');

                continue;
            }
            $place = ($page->parent ?? 'top').'#'.$page->position;
            Assert::assertArrayNotHasKey($place, $places, 'Two siblings share a position.');
            $places[$place] = true;
        }
        if ($site->startPageSignedIn !== null) {
            Assert::assertFalse($site->pages[$site->startPageSignedIn]->isBinned(), 'The start page of signed-in people lies in the bin.');
            Assert::assertNotSame($site->startPage, $site->startPageSignedIn);
        }
        if ($site->startPage !== null) {
            Assert::assertFalse($site->pages[$site->startPage]->isBinned(), 'The start page lies in the bin.');
        }
    }

    private static function menus(MemorySite $site): void
    {
        $names = $places = $entries = [];
        foreach ($site->menus as $id => $menu) {
            Assert::assertSame($id, $menu->id);
            Assert::assertArrayNotHasKey(mb_strtolower($menu->name), $names, 'Two menus have one name.');
            $names[mb_strtolower($menu->name)] = true;
            Assert::assertArrayNotHasKey((string) $menu->place, $menu->place === null ? [] : $places, 'Two menus stand at one place.');
            $places[(string) $menu->place] = true;
            $stands = [];
            foreach ($menu->entries as $entry) {
                Assert::assertArrayNotHasKey($entry->id, $entries, 'Two entries have one identity.');
                $entries[$entry->id] = true;
                Assert::assertArrayNotHasKey("$entry->parent#$entry->position", $stands, 'Two entries stand at one place.');
                $stands["$entry->parent#$entry->position"] = true;
                foreach (array_filter([$entry->page(), ...$entry->contents->out ?? [], ...$entry->contents->in ?? []]) as $page) {
                    Assert::assertArrayHasKey($page, $site->pages, 'An entry leads to a page that is gone.');
                }
            }
            Assert::assertCount(count($menu->entries), $menu->inOrder(), 'An entry hangs below one that is not there.');
        }
    }

    private static function redirects(MemorySite $site): void
    {
        $known = [];
        foreach ($site->redirects as $id => $rule) {
            Assert::assertSame((string) $id, $rule->id);
            Assert::assertArrayNotHasKey($rule->identity(), $known, 'Two redirects answer for the same.');
            $known[$rule->identity()] = true;
            Assert::assertTrue(
                ! $rule->claims() || ($site->claims[$rule->key] ?? null)?->kind === ClaimKind::Rule,
                'A redirect does not hold its address.',
            );
        }
        foreach ($site->claims as $key => $claim) {
            Assert::assertTrue(
                $claim->kind !== ClaimKind::Rule || $site->claiming([(string) $key]) !== [],
                'An address is held by a redirect that is not there.',
            );
        }
    }

    private static function addresses(MemorySite $site): void
    {
        foreach ($site->pages as $page) {
            $own = $site->claims[$page->address->key] ?? null;
            if (! $page->isBinned()) {
                Assert::assertSame(self::composed($page, $site)->path, $page->address->path, 'An address is not the composition.');
                Assert::assertTrue($own?->isPageOf($page->id), 'A page does not hold its own address.');
            }
        }
    }

    private static function composed(Page $page, MemorySite $site): Address
    {
        if ($page->id === $site->startPage) {
            return Address::stored('/', $site->rules);
        }
        if ($page->pinned !== null) {
            return $page->pinned;
        }
        $above = $page->parent === null ? null : $site->pages[$page->parent];
        while ($above !== null && $above->leftOut) {
            $above = $above->parent === null ? null : $site->pages[$above->parent];
        }

        return Composition::compose($above?->address, $page->slug, $site->rules);
    }

    /** @param  array<string, true>  $everLive */
    private static function ledger(MemorySite $site, array $everLive): void
    {
        foreach ($site->claims as $key => $claim) {
            Assert::assertSame($claim->address->key, (string) $key);
            $page = $claim->page === null ? null : $site->pages[$claim->page] ?? null;
            Assert::assertSame($claim->page, $page?->id, 'A claim leads to a page that is gone.');
            Assert::assertFalse($page?->isBinned() ?? false, 'A claim leads to a page in the bin.');
            Assert::assertSame(in_array($claim->kind, [ClaimKind::Gone, ClaimKind::Bin, ClaimKind::Rule], true), $page === null);
            if ($claim->kind === ClaimKind::Page) {
                Assert::assertSame($claim->address->key, $page?->address->key, 'A page claims an address that is not its own.');
            }
            if ($claim->heldFor !== null) {
                Assert::assertTrue(($site->pages[$claim->heldFor] ?? null)?->isBinned(), 'An address waits for a page that is not in the bin.');
            }
            Assert::assertTrue($claim->everLive || $page === null || ! $page->isLive(), 'Visitors know an address that the ledger thinks unknown.');
        }
        foreach (array_keys($everLive) as $key) {
            Assert::assertArrayHasKey($key, $site->claims, "The address $key was live and is lost.");
        }
    }
}
