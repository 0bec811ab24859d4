<?php

declare(strict_types=1);

namespace Tests\Core\Workspace;

use Eris\Generators;
use Eris\TestTrait;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\Tree\Code;
use Heronstem\Core\Tree\PackedDifferences;
use Heronstem\Core\Tree\PackedPages;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageDifference;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\Showing;
use Heronstem\Core\Tree\Tags;
use Heronstem\Core\Visitors\PageAccess;
use Heronstem\Core\Workspace\ClaimOverlay;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Tests\Core\Memory\MemorySite;
use Tests\Core\Memory\RandomChanges;

/** What a batch concerns is held in short texts, and is the same when it is taken out again. */
final class PackedTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function pages_claims_and_differences_are_what_they_were(): void
    {
        $this->limitTo(300)
            ->forAll(RandomChanges::batches())
            ->then(function (array $batches): void {
                $site = new MemorySite();
                $site->live('01J0000000AAAAAAAAAAAAAAAA', slug: 'fares');
                foreach ($batches as $steps) {
                    $ripple = RandomChanges::planned($site, $steps);
                    foreach ($ripple->pages->differences ?? [] as $difference) {
                        self::assertEquals($difference, PageDifference::unpacked($difference->page, $difference->packed()));
                    }
                    if ($ripple?->canBeApplied() === true) {
                        $site->carryOut($ripple);
                    }
                }
                foreach ($site->pages as $id => $page) {
                    self::assertEquals($page, PackedPages::unpacked((string) $id, PackedPages::packed($page)));
                }
                foreach ($site->claims as $key => $claim) {
                    self::assertEquals($claim, Claim::unpacked((string) $key, $claim->packed()));
                }
            });
    }

    #[Test]
    public function a_page_that_says_something_in_every_field_is_what_it_was(): void
    {
        $rules = new AddressRules(nativeLetters: true);
        $texts = new PageTexts('Times & “fares”', 'Summary', 'Search title', 'It\'s a description', 'Social', 'ø');
        $page = new Page(
            'A',
            'Parent',
            -65536,
            "Fares\tand times",
            Slug::of('fahrpläne'),
            true,
            Address::set('/Pinned', $rules),
            PageState::Binned,
            true,
            false,
            Address::set('/Fares/', $rules),
            PageKind::Pointer,
            Target::stored('page B'),
            true,
            true,
            'Bin',
            PageState::Live,
            Moment::stored('2026-11-30T10:00:00Z'),
            Moment::stored('2027-01-01T00:00:00Z'),
            "Two\nlines",
            $texts,
            new PageTexts('Prepared'),
            'article',
            contentSaved: 7,
            contentLive: 0,
            wantedAs: 'ferry times',
            tags: (new Tags())->changed(['boats', '0'], []),
            showing: new Showing('picture', 30),
            code: new Code('b { color: red }', '<meta>'),
            access: PageAccess::stored('{"to":"nobody"}'),
        );
        self::assertEquals($page, PackedPages::unpacked('A', PackedPages::packed($page)));
    }

    #[Test]
    #[TestWith([null, null, null, null, '/a'])]
    #[TestWith(['A', null, '2026-11-30T10:00:00Z', null, '/a'])]
    #[TestWith([null, 'B', null, 'C', '/A'])]
    public function a_claim_is_what_it_was_with_what_it_leaves_out(?string $page, ?string $heldFor, ?string $since, ?string $by, string $path): void
    {
        foreach (ClaimKind::cases() as $kind) {
            foreach ([true, false] as $everLive) {
                $claim = Claim::stored(Address::kept($path, '/a'), $kind, $page, $everLive, $heldFor, $since, $by);
                self::assertEquals($claim, Claim::unpacked('/a', $claim->packed()));
            }
        }
    }

    #[Test]
    public function more_pages_than_are_held_as_they_are_are_found_as_in_a_plain_list(): void
    {
        $site = new MemorySite();
        $page = $site->pages[$site->live('Fares')];
        $steps = Generators::seq(Generators::tuple(Generators::choose(0, 9), Generators::choose(0, 4)));
        $this->limitTo(300)
            ->forAll($steps)
            ->then(function (array $steps) use ($page): void {
                $pages = new PackedPages(3, 6);
                $plain = [];
                foreach ($steps as $n => [$which, $what]) {
                    $id = "P$which";
                    if ($what > 1) {
                        $plain[$id] = $what === 4 ? null : $page->named("Page $n");
                        $pages->put($id, $plain[$id]);
                    }
                    self::assertSame([array_key_exists($id, $plain), ($plain[$id] ?? null)?->name], [$pages->has($id), $pages->find($id)?->name]);
                }
                self::assertSame(array_keys($plain), $pages->ids());
                self::assertSame(array_diff_key(['P1' => 1, 'other' => 2], $plain), $pages->others(['P1' => 1, 'other' => 2]));
            });
    }

    #[Test]
    public function what_changed_of_pages_is_the_same_whether_it_is_held_once_for_many_or_with_its_page(): void
    {
        $site = new MemorySite();
        $page = $site->pages[$site->live('Fares')];
        $this->limitTo(100)
            ->forAll(Generators::seq(Generators::tuple(Generators::choose(0, 9), Generators::choose(0, 6))))
            ->then(function (array $steps) use ($page): void {
                $differences = new PackedDifferences(3);
                $plain = [];
                foreach ($steps as $n => [$which, $what]) {
                    $was = $page->with(['id' => "P$which"])->at(Address::kept("/a$n", "/a$n"));
                    $binned = $was->with(['state' => PageState::Binned, 'was' => PageState::Live, 'bin' => 'P0']);
                    $difference = match ($what) {
                        0 => PageDifference::between($was, $was->named("Page $n")),
                        1 => PageDifference::between($was, $binned),
                        2 => PageDifference::between($binned, $was),
                        3 => PageDifference::between($binned, $binned->at(Address::kept('/b', '/b'))),
                        4 => PageDifference::between($was, null),
                        5 => PageDifference::between(null, $was),
                        default => null,
                    };
                    $difference === null ? $differences->putAside("P$which") : $differences->put($difference);
                    $plain["P$which"] = $difference;
                }
                self::assertSame(array_keys($plain), $differences->ids());
                self::assertCount(count($plain), $differences);
                foreach ($plain as $id => $difference) {
                    self::assertSame($difference?->toArray(), $differences->find($id)?->toArray());
                }
            });
    }

    #[Test]
    public function claims_that_are_held_in_texts_are_the_same_as_those_at_hand(): void
    {
        $steps = Generators::seq(Generators::tuple(Generators::choose(0, 9), Generators::choose(0, 4)));
        $this->limitTo(300)
            ->forAll($steps)
            ->then(function (array $steps): void {
                [$few, $all] = [new ClaimOverlay(2), new ClaimOverlay()];
                foreach ($steps as $n => [$which, $what]) {
                    $address = Address::kept("/A$which", "/a$which");
                    foreach ([$few, $all] as $overlay) {
                        match ($what) {
                            0 => $overlay->know(Claim::stored($address, ClaimKind::Redirect, "P$n", true, null, '2026-11-30T10:00:00Z', 'E')),
                            1 => $overlay->set("/a$which", null),
                            2 => $overlay->set("/a$which", Claim::gone($address)),
                            3 => $overlay->set("/a$which", Claim::ofPage(Address::kept("/a$which", "/A$which"), "P$n", false)),
                            default => null,
                        };
                    }
                    self::assertEquals(self::told($all, "/a$which"), self::told($few, "/a$which"));
                }
                self::assertEquals(iterator_to_array($all->after()), iterator_to_array($few->after()));
                self::assertEquals(iterator_to_array($all->all()), iterator_to_array($few->all()));
                self::assertEquals($all->differences()->toList(), $few->differences()->toList());
            });
    }

    /** @return list<mixed> */
    private static function told(ClaimOverlay $overlay, string $key): array
    {
        return [
            $overlay->isAsked($key),
            $overlay->isPlanned($key),
            $overlay->isMadeFree($key),
            $overlay->now($key),
            $overlay->planned($key),
            $overlay->difference($key),
        ];
    }
}
