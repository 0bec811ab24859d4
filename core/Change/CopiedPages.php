<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Code;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Workspace\AddressComposer;
use Heronstem\Core\Workspace\Place;
use Heronstem\Core\Workspace\Workspace;

/**
 * Makes drafts like pages that are there or were kept: with everything that is said of them, without what came to them in their
 * lives. Each gets a slug that is free; which is a copy of which is told to whoever copies the content.
 */
final class CopiedPages
{
    /** How many numbered slugs are tried. */
    private const MAX_TRIES = 200;

    /** Copies whose addresses are held together. */
    private const PIECE = 4000;

    /**
     * @param  non-empty-list<string>  $sources  identities, parents before their children, all below the first
     * @param  \Closure(string): Page  $source  gives the page of an identity: so many may be copied that they are not held together
     * @param  string  $copy  identity of the first copy; those of the pages below follow from it
     * @param  string  $field  by which a refusal names the identity
     * @param  \Closure(Page): Page  $named  gives the first copy its name and slug
     *
     * @throws InputRefused where the identity is taken
     */
    public static function make(
        array $sources,
        \Closure $source,
        string $copy,
        string $field,
        Place $place,
        \Closure $named,
        Workspace $workspace,
    ): void {
        if ($workspace->pages->find($copy) !== null) {
            throw new InputRefused($field, 'There is a page with this identity already.');
        }
        $copies = [$sources[0] => $copy];
        foreach (array_slice($sources, 1) as $id) {
            $copies[$id] = Identity::derived($copy, $id);
        }
        $workspace->pages->expect(array_values($copies));
        $parent = $place->parentIn($workspace);
        $position = $place->positionIn($workspace, $copy);
        foreach ($sources as $id) {
            $page = $source($id);
            $made = self::copyOf($page, $copies[$page->id], $workspace);
            $workspace->pages->put(
                $id === $sources[0] ? $named($made)->placed($parent, $position) : $made->placed($copies[(string) $page->parent], $page->position),
            );
            $workspace->addCopy($made->id, $page->id);
        }
        self::freeSlugs(array_values($copies), $workspace);
    }

    private static function copyOf(Page $page, string $id, Workspace $workspace): Page
    {
        return $page->with([
            'id' => $id,
            'parent' => null,
            'position' => 0,
            'slugByHand' => $page->slugByHand || $page->everLive,
            'pinned' => null,
            'state' => PageState::Draft,
            'everLive' => false,
            'isProtected' => false,
            'bin' => null,
            'was' => null,
            'from' => null,
            'until' => null,
            'reviewNote' => '',
            'texts' => $page->working(),
            'prepared' => null,
            'contentSaved' => 0,
            'contentLive' => null,
            'wantedAs' => null,
            // Code is put on a page only by whoever may write it, by copying too.
            ...$workspace->site->writesCode ? [] : ['code' => new Code()],
        ]);
    }

    /**
     * Numbers a slug only once the address above it is settled, so that nothing is numbered without need.
     *
     * @param  list<string>  $copies  parents before their children
     */
    private static function freeSlugs(array $copies, Workspace $workspace): void
    {
        $tries = [];
        do {
            $seen = $workspace->addressesOfCopies();
            $unsettled = [];
            foreach (array_chunk($copies, self::PIECE) as $piece) {
                $composer = AddressComposer::anew($workspace);
                $addresses = array_map(static fn (string $copy): Address => $composer->address($workspace->pages->page($copy)), $piece);
                $held = $workspace->ledger->claimsOn($addresses);
                foreach ($piece as $i => $copy) {
                    $page = $workspace->pages->page($copy);
                    $key = $addresses[$i]->key;
                    if (isset($unsettled[(string) $page->parent])) {
                        $unsettled[$copy] = true;
                    } elseif (isset($held[$key]) || isset($seen[$key])) {
                        $unsettled[$copy] = true;
                        $tries[$copy] ??= [$page->slug->text, 1];
                        $number = ++$tries[$copy][1];
                        $workspace->pages->put(
                            $page->withSlug(Slug::stored(mb_substr($tries[$copy][0], 0, Slug::MAX_LENGTH - 4).'-'.$number), $page->slugByHand),
                        );
                    }
                    $seen[$key] = true;
                }
            }
        } while ($unsettled !== [] && max([0, ...array_column($tries, 1)]) < self::MAX_TRIES);
        $workspace->takeForCopies($seen);
    }
}
