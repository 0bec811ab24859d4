<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Address\SlugMaker;
use Heronstem\Core\Content\WantedName;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Workspace\Place;
use Heronstem\Core\Workspace\Workspace;

/** Makes a page, as a draft. Without a slug of its own it takes the one its name gives. Links that wanted it lead to it from then on. */
final readonly class Make implements RequestedChange
{
    use HasShape;

    /**
     * @param  string  $page  the new page's identity, chosen by whoever makes it (a ULID)
     * @param  string|null  $wanted  the name by which links want it
     */
    public function __construct(
        public string $page,
        public PageName $name,
        public Place $place,
        public ?Slug $slug = null,
        public ?string $wanted = null,
    ) {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'make',
            Subject::Page,
            Field::text('name'),
            Field::place(),
            Field::text('slug')->optional(),
            Field::text('wanted')->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->name(), $input->place(), $input->has('slug') ? $input->slug() : null, self::wanted($input));
    }

    public function on(Workspace $workspace): void
    {
        if ($workspace->pages->find($this->page) !== null) {
            throw new InputRefused('page', 'There is a page with this identity already.');
        }
        $workspace->pages->put(
            new Page(
                id: $this->page,
                parent: $this->place->parentIn($workspace),
                position: $this->place->positionIn($workspace, $this->page),
                name: $this->name->text,
                slug: $this->slug ?? (new SlugMaker($workspace->rules()))->make($this->name->text),
                slugByHand: $this->slug !== null,
                pinned: null,
                state: PageState::Draft,
                everLive: false,
                listed: true,
                address: Address::stored('/', $workspace->rules()),
                wantedAs: $this->wanted === null ? null : WantedName::key($this->wanted),
            ),
        );
    }

    public function pagesNamed(): array
    {
        return array_values(array_filter([$this->page, $this->place->page]));
    }

    public function sentence(Outcome $outcome): string
    {
        $parent = $outcome->parentOf($this->page);

        return "Made {$outcome->page($this->page)}".($parent === null ? '' : " under $parent");
    }

    public function toArray(): array
    {
        return ['kind' => 'make', 'page' => $this->page, 'name' => $this->name->text, 'place' => $this->place->toArray()] +
            ($this->slug === null ? [] : ['slug' => $this->slug->text]) +
            ($this->wanted === null ? [] : ['wanted' => $this->wanted]);
    }

    private static function wanted(ChangeInput $input): ?string
    {
        $wanted = $input->textOrNull('wanted');

        return match (true) {
            $wanted === null => null,
            WantedName::key($wanted) === '' => throw new InputRefused('wanted', 'Say by which name links want the page, or leave this out.'),
            mb_strlen($wanted) > WantedName::MOST => throw new InputRefused('wanted', sprintf('At most %d characters fit here.', WantedName::MOST)),
            default => $wanted,
        };
    }
}
