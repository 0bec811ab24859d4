<?php

declare(strict_types=1);

namespace Tests\Core\Planning;

use Eris\TestTrait;
use Heronstem\Core\Ripple\CanonicalChange;
use Heronstem\Core\Ripple\IndexChange;
use Heronstem\Core\Ripple\TitleChange;
use Heronstem\Core\Search\PageFacts;
use Heronstem\Core\Search\SearchTitle;
use Heronstem\Core\Search\SiteFacts;
use Heronstem\Core\Tree\CanonicalKind;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Visitors\Guest;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** The law of what a ripple says of search engines: it is what becomes of every page, no more and no less. */
final class SearchLawsTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function what_is_said_of_titles_index_and_canonical_addresses_is_what_becomes_of_them(): void
    {
        $this->limitTo(250);
        $this->forAll(RandomChanges::batches())->then(function (array $batches): void {
            $site = new MemorySite();
            // Identities as they are, so that pages may name each other as canonical.
            $travel = $site->live('01J000000000000000000TRAVE');
            $fares = $site->live('01J000000000000000000FARES', $travel, 'fares');
            $site->live('01J0000000000000000000CARS', $fares, 'cars');
            $site->live('01J0000000000000000000ASK0', null, 'help');
            foreach ($batches as $steps) {
                $ripple = RandomChanges::planned($site, $steps);
                if ($ripple === null) {
                    continue;
                }
                $before = self::appearances($site);
                $site->carryOut($ripple);
                $after = self::appearances($site);
                $expected = self::compared($before, $after);
                self::assertEqualsCanonicalizing(
                    $expected['titles'],
                    array_map(static fn (TitleChange $change): array => [$change->page, $change->before, $change->after], $ripple->search->titles),
                    'Titles.',
                );
                self::assertEqualsCanonicalizing(
                    $expected['index'],
                    array_map(static fn (IndexChange $change): array => [$change->page, $change->isIndexed], $ripple->search->indexing),
                    'Index.',
                );
                self::assertEqualsCanonicalizing(
                    $expected['canonicals'],
                    array_map(
                        static fn (CanonicalChange $change): array => [$change->page, $change->before, $change->after],
                        $ripple->search->canonicals,
                    ),
                    'Canonical addresses.',
                );
                self::assertSame($expected['sitemap'], $ripple->search->sitemapEntries, 'Entries of the sitemap.');
            }
        });
    }

    /** @return array<string, array{live: bool, title: string|null, index: bool, canonical: string|null, isItself: bool, sitemap: string|null}> by page */
    private static function appearances(MemorySite $site): array
    {
        return array_map(static function (Page $page) use ($site): array {
            $above = self::above($page, $site);
            $settings = $site->search->for($page, $above);
            $facts = new PageFacts(
                $page->name,
                $above === [] ? null : $above[count($above) - 1]->name,
                $above[0]->name ?? null,
                $page->texts,
                '',
                $page->address->path,
                $settings,
            );
            $canonical = $page->search->canonical;
            $named = $canonical->kind === CanonicalKind::Page ? $site->pages[$canonical->value] ?? null : null;
            $isOpen = $site->sees($page, Guest::anybody());
            $isOwn = in_array($page->kind, [PageKind::Page, PageKind::Download], true);

            return [
                'live' => $page->isLive(),
                'title' => $page->kind === PageKind::Page
                        ? SearchTitle::of($facts, new SiteFacts('Ferries', 'Boats.', 'en-GB', 'http://ferries.test'))->text
                        : null,
                'index' => $page->listed && $settings->index() && $isOpen,
                'canonical' => match ($canonical->kind) {
                    CanonicalKind::Itself => $page->address->path,
                    CanonicalKind::None => null,
                    CanonicalKind::Url => $canonical->value,
                    CanonicalKind::Page => $named?->isLive() === true ? $named->address->path : null,
                },
                'isItself' => $canonical->kind === CanonicalKind::Itself,
                'sitemap' => $isOwn &&
                    $canonical->kind === CanonicalKind::Itself &&
                    $page->isShown() &&
                    $isOpen &&
                    $settings->index() &&
                    $settings->inSitemap()
                        ? $page->address->path
                        : null,
            ];
        }, $site->pages);
    }

    /**
     * @param  array<string, array{live: bool, title: string|null, index: bool, canonical: string|null, isItself: bool, sitemap: string|null}>  $before
     * @param  array<string, array{live: bool, title: string|null, index: bool, canonical: string|null, isItself: bool, sitemap: string|null}>  $after
     * @return array{titles: list<array{string, string, string}>, index: list<array{string, bool}>, canonicals: list<array{string, string|null, string|null}>, sitemap: int}
     */
    private static function compared(array $before, array $after): array
    {
        $found = ['titles' => [], 'index' => [], 'canonicals' => [], 'sitemap' => 0];
        foreach ($before + $after as $id => $_) {
            $was = $before[$id] ?? null;
            $is = $after[$id] ?? null;
            $found['sitemap'] += ($was['sitemap'] ?? null) === ($is['sitemap'] ?? null) ? 0 : 1;
            if ($was === null || $is === null || ! $was['live'] || ! $is['live']) {
                continue;
            }
            if ($was['title'] !== null && $is['title'] !== null && $was['title'] !== $is['title']) {
                $found['titles'][] = [(string) $id, $was['title'], $is['title']];
            }
            if ($was['index'] !== $is['index']) {
                $found['index'][] = [(string) $id, $is['index']];
            }
            if (! ($was['isItself'] && $is['isItself']) && $was['canonical'] !== $is['canonical']) {
                $found['canonicals'][] = [(string) $id, $was['canonical'], $is['canonical']];
            }
        }

        return $found;
    }

    /** @return list<Page> nearest first */
    private static function above(Page $page, MemorySite $site): array
    {
        $line = [];
        while ($page->parent !== null && isset($site->pages[$page->parent])) {
            $line[] = $page = $site->pages[$page->parent];
        }

        return $line;
    }
}
