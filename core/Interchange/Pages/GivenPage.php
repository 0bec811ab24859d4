<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Values;

/**
 * A page as some source tells of it, before anything is made of it. What the source does not say is null, and stays as it is
 * where the page is there already.
 */
final readonly class GivenPage
{
    /**
     * @param  string  $at  where it stands in the source, for people: `line 4`, `about/team.html`
     * @param  string|null  $id  identity it had where it comes from
     * @param  string|null  $address  as it is written there: a path, or with scheme and host
     * @param  string|null  $key  by which other pages of the source name it as the page above them
     * @param  string|null  $parent  key, identity or address of the page above; null where its address says, or it stands at the top
     * @param  bool  $hasPlace  whether the source says by `parent` where it stands, rather than by its address
     * @param  bool|null  $slugByHand  whether the slug no longer follows the name; null where the source does not know
     * @param  string|null  $pinned  an address that follows neither name nor parent
     * @param  bool|null  $isStart  whether it is the start page; null where its address says
     * @param  bool|null  $leftOut  whether it is a section that the addresses of its children leave out
     * @param  array<string, string>  $texts  by the names of PageTexts
     * @param  array<string, mixed>  $settings  by the names of SearchSettings
     * @param  array<string, mixed>  $fields  of its layout, by key, as FieldInput reads them
     * @param  string|null  $state  draft, live or offline
     * @param  bool  $wasLive  whether visitors could see it once, though they do not now
     * @param  list<string>|null  $tags
     * @param  list<string>  $former  addresses that lead to it
     * @param  int  $requests  how often it was asked for, where that is known
     * @param  list<Remark>  $remarks
     * @param  bool  $hasContent  whether it has content, also where that is not held here
     * @param  bool  $takesId  whether a page that is made gets the identity given, which then is known to be free
     * @param  array<string, mixed>|null  $prepared  texts and fields that wait to be published, where they differ
     * @param  GivenContent|null  $liveContent  what visitors get, where that is another content
     * @param  bool  $hasLiveContent  likewise
     * @param  list<array<string, mixed>>  $then  what else is said of it, as changes that are made to it, without naming it
     */
    public function __construct(
        public string $at,
        public ?string $id = null,
        public ?string $address = null,
        public ?string $key = null,
        public ?string $parent = null,
        public bool $hasPlace = false,
        public ?string $name = null,
        public ?string $slug = null,
        public ?bool $slugByHand = null,
        public ?string $pinned = null,
        public ?bool $isStart = null,
        public ?bool $leftOut = null,
        public ?string $kind = null,
        public ?string $leadsTo = null,
        public ?string $layout = null,
        public array $texts = [],
        public array $settings = [],
        public array $fields = [],
        public ?string $state = null,
        public bool $wasLive = false,
        public ?bool $listed = null,
        public ?string $from = null,
        public ?string $until = null,
        public ?array $tags = null,
        public ?GivenContent $content = null,
        public array $former = [],
        public int $requests = 0,
        public array $remarks = [],
        public bool $hasContent = false,
        public bool $takesId = false,
        public ?array $prepared = null,
        public ?GivenContent $liveContent = null,
        public bool $hasLiveContent = false,
        public array $then = [],
    ) {
    }

    /** @param  array<string, mixed>  $fields  under their constructor names */
    public function with(array $fields): self
    {
        return new self(...[...Values::of($this), ...$fields]);
    }

    public function remarked(Remark $remark): self
    {
        return $this->with(['remarks' => [...$this->remarks, $remark]]);
    }

    /** @return array<string, mixed> what it says, read again by fromArray() */
    public function toArray(): array
    {
        $said = Values::of($this);
        $said['content'] = $this->content === null ? null : ['form' => $this->content->form->value, 'text' => $this->content->text];
        $said['liveContent'] = $this->liveContent === null ? null : ['form' => $this->liveContent->form->value, 'text' => $this->liveContent->text];
        $said['remarks'] = array_map(static fn (Remark $remark): array => $remark->toArray(), $this->remarks);

        // No tags is something else than nothing said of tags.
        $mayBeEmpty = ['tags' => true, 'prepared' => true];

        return array_filter(
            $said,
            static fn (mixed $value, string $field): bool => $value !== null && ($value !== [] || isset($mayBeEmpty[$field])),
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @param  array<string, mixed>  $said  as toArray() gave it */
    public static function fromArray(array $said): self
    {
        foreach (['content', 'liveContent'] as $field) {
            if (isset($said[$field])) {
                $said[$field] = new GivenContent(ContentForm::from($said[$field]['form']), $said[$field]['text']);
            }
        }
        $said['remarks'] = array_map(Remark::fromArray(...), $said['remarks'] ?? []);

        return new self(...$said);
    }

    /** The same without its content, of which only is kept that it has one: a whole site of contents is too much to hold. */
    public function light(): self
    {
        return $this->content === null && $this->liveContent === null
            ? $this
            : $this->with(['content' => null, 'liveContent' => null, 'hasContent' => true, 'hasLiveContent' => $this->liveContent !== null]);
    }

    public function isRefused(): bool
    {
        return array_filter($this->remarks, static fn (Remark $remark): bool => $remark->refuses) !== [];
    }
}
