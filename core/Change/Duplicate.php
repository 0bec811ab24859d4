<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Address\SlugMaker;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Workspace\AddressComposer;
use Heronstem\Core\Workspace\Place;
use Heronstem\Core\Workspace\Workspace;

/**
 * Copies a page, or its branch, beside it or to a place that is chosen. Copies are drafts; the first is named
 * “… copy”; each gets a slug that is free. Which page is a copy of which is told to whoever copies the content.
 */
final readonly class Duplicate implements RequestedChange
{
    use HasShape;

    /** How many numbered slugs are tried. */
    private const MAX_TRIES = 200;

    /** @param  string  $copy the copy's identity, chosen by whoever makes it (a ULID); those of the pages below follow from it */
    public function __construct(public string $page, public string $copy, public Scope $scope = Scope::Page, public ?Place $place = null)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'duplicate',
            Subject::Branches,
            Field::identity('copy', 'a new ULID for the copy'),
            Field::choice('scope', Scope::class)->optional(),
            Field::place()->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->newIdentity('copy'), $input->scope(), $input->placeOrNull());
    }

    public function on(Workspace $workspace): void
    {
        $source = $workspace->pages->page($this->page);
        if ($workspace->pages->find($this->copy) !== null) {
            throw new InputRefused('copy', 'There is a page with this identity already.');
        }
        $place = $this->place ?? Place::after($source->id);
        $sources = $this->scope === Scope::Branch ? $workspace->pages->branch($source->id) : [$source->id];
        $copies = [];
        foreach ($sources as $id) {
            $copies[$id] = $id === $source->id ? $this->copy : Identity::derived($this->copy, $id);
        }
        $workspace->pages->expect(array_values($copies));
        $parent = $place->parentIn($workspace);
        $position = $place->positionIn($workspace, $this->copy);
        foreach ($copies as $id => $copy) {
            $page = $workspace->pages->page((string) $id);
            $made = $this->copyOf($page, $copy);
            $workspace->pages->put(
                $page->id === $source->id
                    ? $this->named($made, $parent, $position, $workspace)
                    : $made->placed($copies[(string) $page->parent], $page->position),
            );
            $workspace->addCopy($copy, $page->id);
        }
        $this->freeSlugs(array_values($copies), $workspace);
    }

    public function pagesNamed(): array
    {
        return array_values(array_filter([$this->page, $this->copy, $this->place?->page]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Duplicated {$outcome->page($this->page)}{$this->scope->inWords()}";
    }

    public function toArray(): array
    {
        return ['kind' => 'duplicate', 'page' => $this->page, 'copy' => $this->copy] +
            $this->scope->toArray() +
            ($this->place === null ? [] : ['place' => $this->place->toArray()]);
    }

    /** Everything that is said of the page goes along; what came to it in its life does not. */
    private function copyOf(Page $page, string $id): Page
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
        ]);
    }

    private function named(Page $copy, ?string $parent, int $position, Workspace $workspace): Page
    {
        $name = PageName::of(mb_substr($copy->name, 0, PageName::MAX_LENGTH - 5).' copy')->text;

        return $copy
            ->named($name)
            ->placed($parent, $position)
            ->withSlug((new SlugMaker($workspace->rules()))->make($name), false);
    }

    /**
     * Numbers a slug only once the address above it is settled, so that nothing is numbered without need.
     *
     * @param  list<string>  $copies  parents before their children
     */
    private function freeSlugs(array $copies, Workspace $workspace): void
    {
        $tries = [];
        do {
            $composer = AddressComposer::anew($workspace);
            $addresses = array_map(static fn (string $copy): Address => $composer->address($workspace->pages->page($copy)), $copies);
            $held = $workspace->ledger->claimsOn($addresses);
            $seen = $workspace->addressesOfCopies();
            $unsettled = [];
            foreach ($copies as $i => $copy) {
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
        } while ($unsettled !== [] && max([0, ...array_column($tries, 1)]) < self::MAX_TRIES);
        $workspace->takeForCopies($seen);
    }
}
