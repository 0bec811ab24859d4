<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\Slug;
use Heronstem\Core\Address\SlugMaker;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Search\Placeholders;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use Heronstem\Core\Workspace\Workspace;

/** Makes a page, or a branch, from a starting point: drafts with its content, fields and settings. */
final readonly class MakeFrom implements RequestedChange
{
    use HasShape;

    /**
     * @param  string  $page  the new page's identity, chosen by whoever makes it (a ULID); those of the pages below follow from it
     * @param  string  $from  identity of the starting point
     * @param  Slug|null  $slug  null to make it from the name
     * @param  array<string, string>  $words  what is filled in, by placeholder
     */
    public function __construct(
        public string $page,
        public string $from,
        public PageName $name,
        public Place $place,
        public ?Slug $slug = null,
        public array $words = [],
    ) {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'make-from',
            Subject::Page,
            Field::identity('from', 'a starting point'),
            Field::text('name'),
            Field::place(),
            Field::text('slug')->optional(),
            Field::map('words', 'what is filled in where the starting point has {words in braces}, by what is in the braces')->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        $words = $input->has('words') ? $input->map('words') : [];
        foreach ($words as $name => $word) {
            if (! is_string($word) || mb_strlen($word) > Placeholders::MAX_LENGTH) {
                throw new InputRefused(
                    'words',
                    sprintf('For “%s” a text of at most %d characters can be filled in.', mb_substr((string) $name, 0, 40), Placeholders::MAX_LENGTH),
                );
            }
        }

        return new self(
            $input->page(),
            $input->identity('from'),
            $input->name(),
            $input->place(),
            $input->has('slug') ? $input->slug() : null,
            $words,
        );
    }

    public function on(Workspace $workspace): void
    {
        $kept = $workspace->site->startingPoints?->pages($this->from) ?? [];
        if ($kept === []) {
            throw new InputRefused('from', 'There is no such starting point. It may have been removed; choose another one.');
        }
        $maker = new SlugMaker($workspace->rules());
        $slug = $this->slug ?? $maker->make($this->name->text);
        $filled = Placeholders::with($this->words);
        if ($this->words !== []) {
            $kept = array_map(static function (Page $page) use ($filled, $maker): Page {
                $made = $filled->page($page);

                return $made->name === $page->name ? $made : $made->withSlug($maker->make($made->name), $page->slugByHand);
            }, $kept);
        }
        $byId = array_column($kept, null, 'id');
        CopiedPages::make(
            array_column($kept, 'id'),
            static fn (string $id): Page => $byId[$id],
            $this->page,
            'page',
            $this->place,
            fn (Page $copy): Page => $copy->named($this->name->text)->withSlug($slug, $this->slug !== null),
            $workspace,
        );
    }

    public function pagesNamed(): array
    {
        return array_values(array_filter([$this->page, $this->place->page]));
    }

    public function sentence(Outcome $outcome): string
    {
        $parent = $outcome->parentOf($this->page);

        return "Made {$outcome->page($this->page)} from a starting point".($parent === null ? '' : " under $parent");
    }

    public function toArray(): array
    {
        return [
            'kind' => 'make-from',
            'page' => $this->page,
            'from' => $this->from,
            'name' => $this->name->text,
            'place' => $this->place->toArray(),
        ] +
            ($this->slug === null ? [] : ['slug' => $this->slug->text]) +
            ($this->words === [] ? [] : ['words' => $this->words]);
    }
}
