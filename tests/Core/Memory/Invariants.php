<?php

declare(strict_types=1);

namespace Tests\Core\Memory;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\ClaimKind;
use Heronstem\Core\Address\Composition;
use PHPUnit\Framework\Assert;

/** The laws of rules.md that must hold after any batch, checked the slow and obvious way. */
final class Invariants
{
    /** @param  array<string, true>  $everLive keys at which visitors ever got a page */
    public static function hold(MemorySite $site, array $everLive): void
    {
        $places = [];
        foreach ($site->pages as $page) {
            $seen = [];
            for ($above = $page; $above->parent !== null; $above = $site->pages[$above->parent]) {
                Assert::assertArrayNotHasKey($above->id, $seen, 'The tree has a cycle.');
                $seen[$above->id] = true;
                Assert::assertArrayHasKey($above->parent, $site->pages, 'A page has lost its parent.');
            }
            $place = ($page->parent ?? 'top').'#'.$page->position;
            Assert::assertArrayNotHasKey($place, $places, 'Two siblings share a position.');
            $places[$place] = true;

            $parent = $page->parent === null ? null : $site->pages[$page->parent]->address;
            $expected = $page->id === $site->startPage ? Address::stored('/', $site->rules) : Composition::compose($parent, $page->slug, $site->rules);
            Assert::assertSame($expected->path, $page->address->path, 'An address is not the composition.');
            Assert::assertTrue(isset($site->claims[$page->address->key]) && $site->claims[$page->address->key]->isPageOf($page->id), 'A page does not hold its own address.');
        }
        foreach ($site->claims as $key => $claim) {
            Assert::assertSame($claim->address->key, (string) $key);
            Assert::assertArrayHasKey((string) $claim->page, $site->pages, 'A claim leads to a page that is gone.');
            if ($claim->kind === ClaimKind::Page) {
                Assert::assertSame($claim->address->key, $site->pages[(string) $claim->page]->address->key, 'A page claims an address that is not its own.');
            }
        }
        foreach (array_keys($everLive) as $key) {
            Assert::assertArrayHasKey($key, $site->claims, "The address $key was live and is lost.");
        }
    }
}
