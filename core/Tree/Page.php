<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\Values;
use Heronstem\Core\Visitors\PageAccess;

/** A page as the tree knows it: its place, its name and address, its state. */
final readonly class Page
{
    /**
     * @param  string|null  $parent  null at the top of the tree; in the bin, where it was
     * @param  int  $position  orders siblings, with gaps; unique among them
     * @param  bool  $slugByHand  somebody chose the slug, so it no longer follows the name
     * @param  Address|null  $pinned  an address set by hand, which follows neither name nor parent
     * @param  bool  $everLive  visitors could see it at some time
     * @param  bool  $listed  in menus, lists and sitemap while live
     * @param  Address  $address  its own address, equal to the composition of parent and slug; in the bin, the one it had
     * @param  Target|null  $leadsTo  of a pointer and a download only
     * @param  bool  $leftOut  a section that its children's addresses leave out
     * @param  bool  $isProtected  protected: only the owner of the site retires it
     * @param  string|null  $bin  the page that was put in the bin and took this one along; itself for the first
     * @param  PageState|null  $was  its state before the bin
     * @param  Moment|null  $from  goes live then
     * @param  Moment|null  $until  goes offline then; in the past, when it did
     * @param  string  $reviewNote  what was said when it was last sent for review or returned
     * @param  PageTexts  $texts  those that visitors and search engines get
     * @param  PageTexts|null  $prepared  those that wait to be published; null where none differ
     * @param  SearchSettings  $search  what it tells search engines besides its texts
     * @param  SearchDefaults  $branchSearch  what pages below it tell them where they say nothing themselves
     * @param  string|null  $wantedAs  the key of the name under which links wanted it before it was there
     * @param  Showing  $showing  its small picture, and how often it is loaded anew
     * @param  Code  $code  what the owner of the site wrote for it by hand
     * @param  PageAccess|null  $access  which visitors see it and what is below it; null where it says nothing itself
     * @param  int  $contentSaved  number of the version of the content that was saved last; 0 for none
     * @param  int|null  $contentLive  number of the version that visitors get; null while they get none
     */
    public function __construct(
        public string $id,
        public ?string $parent,
        public int $position,
        public string $name,
        public Slug $slug,
        public bool $slugByHand,
        public ?Address $pinned,
        public PageState $state,
        public bool $everLive,
        public bool $listed,
        public Address $address,
        public PageKind $kind = PageKind::Page,
        public ?Target $leadsTo = null,
        public bool $leftOut = false,
        public bool $isProtected = false,
        public ?string $bin = null,
        public ?PageState $was = null,
        public ?Moment $from = null,
        public ?Moment $until = null,
        public string $reviewNote = '',
        public PageTexts $texts = new PageTexts(),
        public ?PageTexts $prepared = null,
        public string $layout = 'page',
        public SearchSettings $search = new SearchSettings(),
        public SearchDefaults $branchSearch = new SearchDefaults(),
        public int $contentSaved = 0,
        public ?int $contentLive = null,
        public ?string $wantedAs = null,
        public Tags $tags = new Tags(),
        public Showing $showing = new Showing(),
        public Code $code = new Code(),
        public ?PageAccess $access = null,
    ) {
    }

    public function isLive(): bool
    {
        return $this->state === PageState::Live;
    }

    public function isBinned(): bool
    {
        return $this->state === PageState::Binned;
    }

    /** Whether visitors find it in menus, lists and the sitemap. */
    public function isShown(): bool
    {
        return $this->state === PageState::Live && $this->listed;
    }

    /**
     * @param  array<string, self>  $known  by identity
     * @return list<self> its ancestors, nearest first, as far as they are known
     */
    public function ancestorsIn(array $known): array
    {
        $line = [];
        for ($at = $this; $at->parent !== null && isset($known[$at->parent]);) {
            $line[] = $at = $known[$at->parent];
        }

        return $line;
    }

    /** The texts that were saved last, whether visitors get them already or not. */
    public function working(): PageTexts
    {
        return $this->prepared ?? $this->texts;
    }

    /** Whether something was saved that visitors do not get yet. */
    public function hasEdits(): bool
    {
        return $this->prepared !== null || $this->contentLive !== ($this->contentSaved === 0 ? null : $this->contentSaved);
    }

    /** With all that was saved before visitors: content and texts. */
    public function published(): self
    {
        return $this->with([
            'texts' => $this->working(),
            'prepared' => null,
            'contentLive' => $this->contentSaved === 0 ? null : $this->contentSaved,
        ]);
    }

    public function named(string $name): self
    {
        return $this->with(['name' => $name]);
    }

    public function withSlug(Slug $slug, bool $byHand): self
    {
        return $this->with(['slug' => $slug, 'slugByHand' => $byHand]);
    }

    public function placed(?string $parent, int $position): self
    {
        return $this->with(['parent' => $parent, 'position' => $position]);
    }

    public function inState(PageState $state): self
    {
        return $this->with(['state' => $state, 'everLive' => $this->everLive || $state === PageState::Live]);
    }

    public function at(Address $address): self
    {
        // Written out, since a change of many pages asks it of each, several times.
        return new self(
            $this->id,
            $this->parent,
            $this->position,
            $this->name,
            $this->slug,
            $this->slugByHand,
            $this->pinned,
            $this->state,
            $this->everLive,
            $this->listed,
            $address,
            $this->kind,
            $this->leadsTo,
            $this->leftOut,
            $this->isProtected,
            $this->bin,
            $this->was,
            $this->from,
            $this->until,
            $this->reviewNote,
            $this->texts,
            $this->prepared,
            $this->layout,
            $this->search,
            $this->branchSearch,
            $this->contentSaved,
            $this->contentLive,
            $this->wantedAs,
            $this->tags,
            $this->showing,
            $this->code,
            $this->access,
        );
    }

    /** @param  array<string, mixed>  $fields fields under their constructor names */
    public function with(array $fields): self
    {
        return new self(...[...Values::of($this), ...$fields]);
    }

    /**
     * The page's own fields as plain values: what a difference compares, the history keeps and the store writes.
     * Its identity is left out, and so is the version saved last: a difference tells of it by itself.
     *
     * @param  self|null  $than  a page; what both share of it is left out: pages that a batch changes share most of what it leaves alone
     * @return array<string, scalar|null>
     */
    public function toFields(?self $than = null): array
    {
        $fields = $this->plainFields();
        if ($this->texts !== $than?->texts) {
            $fields += $this->texts->toArray();
        }
        $values = [
            'search' => [$this->search, $than?->search],
            'branchSearch' => [$this->branchSearch, $than?->branchSearch],
            'tags' => [$this->tags, $than?->tags],
            'showing' => [$this->showing, $than?->showing],
            'code' => [$this->code, $than?->code],
            'access' => [$this->access, $than?->access],
        ];
        foreach ($values as $field => [$value, $other]) {
            if ($than === null || $value !== $other) {
                $fields[$field] = $value?->toText();
            }
        }

        return $fields;
    }

    /** @return array<string, scalar|null> those that stand by themselves */
    private function plainFields(): array
    {
        return [
            'parent' => $this->parent,
            'position' => $this->position,
            'name' => $this->name,
            'slug' => $this->slug->text,
            'slugByHand' => $this->slugByHand,
            'pinned' => $this->pinned?->path,
            'state' => $this->state->value,
            'everLive' => $this->everLive,
            'listed' => $this->listed,
            'kind' => $this->kind->value,
            'leadsTo' => $this->leadsTo?->toText(),
            'leftOut' => $this->leftOut,
            'isProtected' => $this->isProtected,
            'bin' => $this->bin,
            'was' => $this->was?->value,
            'from' => $this->from?->iso(),
            'until' => $this->until?->iso(),
            'reviewNote' => $this->reviewNote,
            'prepared' => $this->prepared?->toText(),
            'layout' => $this->layout,
            'content' => $this->contentLive,
            'wantedAs' => $this->wantedAs,
            // Only in the bin is the address nobody's to compose.
            ...$this->isBinned() ? ['address' => $this->address->path] : ['address' => null],
        ];
    }

    /**
     * @param  array<string, mixed>  $fields  as toFields() gave them; those that came later may be missing
     * @param  Address  $address  its own address, where the fields tell of none
     */
    public static function fromFields(array $fields, string $id, Address $address, AddressRules $rules): self
    {
        $text = static fn (string $field): ?string => isset($fields[$field]) ? (string) $fields[$field] : null;

        return new self(
            id: $id,
            parent: $text('parent'),
            position: (int) $fields['position'],
            name: (string) $fields['name'],
            slug: Slug::stored((string) $fields['slug']),
            slugByHand: (bool) $fields['slugByHand'],
            pinned: isset($fields['pinned']) ? Address::stored(NormalForm::of((string) $fields['pinned'], $rules), $rules) : null,
            state: PageState::from((string) $fields['state']),
            everLive: (bool) $fields['everLive'],
            listed: (bool) $fields['listed'],
            address: isset($fields['address']) ? Address::stored((string) $fields['address'], $rules) : $address,
            kind: PageKind::from($text('kind') ?? PageKind::Page->value),
            leadsTo: isset($fields['leadsTo']) ? Target::stored((string) $fields['leadsTo']) : null,
            leftOut: (bool) ($fields['leftOut'] ?? false),
            isProtected: (bool) ($fields['isProtected'] ?? false),
            bin: $text('bin'),
            was: isset($fields['was']) ? PageState::from((string) $fields['was']) : null,
            from: isset($fields['from']) ? Moment::stored((string) $fields['from']) : null,
            until: isset($fields['until']) ? Moment::stored((string) $fields['until']) : null,
            reviewNote: $text('reviewNote') ?? '',
            texts: PageTexts::fromArray($fields),
            prepared: isset($fields['prepared']) ? PageTexts::stored((string) $fields['prepared']) : null,
            layout: $text('layout') ?? 'page',
            search: SearchSettings::stored($text('search')),
            branchSearch: SearchDefaults::stored($text('branchSearch')),
            contentSaved: (int) ($fields['contentSaved'] ?? 0),
            contentLive: isset($fields['content']) ? (int) $fields['content'] : null,
            wantedAs: $text('wantedAs'),
            tags: Tags::stored($text('tags')),
            showing: Showing::stored($text('showing')),
            code: Code::stored($text('code')),
            access: PageAccess::stored($text('access')),
        );
    }
}
