<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;

/**
 * What a batch changed of one page's own fields. The address is left out: it always follows
 * from the others. Small enough to keep in the history, exact enough to restore from.
 */
final readonly class PageDifference
{
    /** What belongs together and is undone together, as people call it. */
    private const ASPECTS = [
        'place' => ['parent', 'position'], 'name' => ['name'], 'slug' => ['slug', 'slugByHand'], 'pinned address' => ['pinned'],
        'state' => ['state', 'was', 'bin', 'everLive', 'from', 'until', 'reviewNote'], 'listing' => ['listed'],
        'kind' => ['kind', 'leadsTo', 'leftOut'], 'protection' => ['isProtected'],
        'heading' => ['heading'], 'summary' => ['summary'], 'search title' => ['searchTitle'], 'search description' => ['searchDescription'],
        'prepared texts' => ['prepared'], 'layout' => ['layout'], 'indexing' => ['indexed'], 'content' => ['content'],
    ];

    /**
     * @param  array<string, scalar|null>|null  $before  changed fields only; null for a page that was made
     * @param  array<string, scalar|null>|null  $after  changed fields only; null for a page that was removed
     */
    private function __construct(public string $page, public ?array $before, public ?array $after)
    {
    }

    /** Null when nothing of the page's own changed. */
    public static function between(?Page $before, ?Page $after): ?self
    {
        if ($before === $after) {
            return null;
        }
        $old = $before === null ? null : self::fields($before);
        $new = $after === null ? null : self::fields($after);
        if ($old === null || $new === null) {
            $id = ($before ?? $after)?->id;

            return $id === null ? null : new self($id, $old, $new);
        }
        $changed = [];
        foreach ($old as $field => $value) {
            if ($new[$field] !== $value) {
                $changed[$field] = true;
            }
        }
        if ($changed === []) {
            return null;
        }
        if (isset($changed['parent']) || isset($changed['position'])) {
            $changed += ['parent' => true, 'position' => true];
        }

        return new self($before->id, array_intersect_key($old, $changed), array_intersect_key($new, $changed));
    }

    public function wasMade(): bool
    {
        return $this->before === null;
    }

    public function wasRemoved(): bool
    {
        return $this->after === null;
    }

    /** Whether the page went under another one, or to the top. */
    public function changedParent(): bool
    {
        return $this->before !== null && $this->after !== null && ($this->before['parent'] ?? null) !== ($this->after['parent'] ?? null);
    }

    /** Whether visitors get the page from now on. */
    public function goesLive(): bool
    {
        return $this->stateAfter() === PageState::Live && $this->stateBefore() !== PageState::Live;
    }

    /** Whether visitors no longer get the page, because it was taken offline, retired or removed. */
    public function goesOffline(): bool
    {
        return $this->stateBefore() === PageState::Live && $this->stateAfter() !== PageState::Live;
    }

    /** Whether a page of the tree went into the bin. */
    public function goesIntoBin(): bool
    {
        return $this->stateAfter() === PageState::Binned && $this->stateBefore() !== null;
    }

    private function stateBefore(): ?PageState
    {
        return isset($this->before['state']) ? PageState::from((string) $this->before['state']) : null;
    }

    private function stateAfter(): ?PageState
    {
        return isset($this->after['state']) ? PageState::from((string) $this->after['state']) : null;
    }

    /** @return list<string> what it changed, as people call it */
    public function aspects(): array
    {
        return array_values(array_filter(array_keys(self::ASPECTS), fn (string $aspect): bool => $this->changedIn($aspect) !== []));
    }

    /** @return list<string> what of the page is no longer as this difference left it */
    public function strayedIn(Page $now): array
    {
        $fields = self::fields($now);

        return array_values(array_filter($this->aspects(), function (string $aspect) use ($fields): bool {
            foreach ($this->changedIn($aspect) as $field) {
                // A page that went elsewhere may have been given room among its new siblings: that is no straying.
                $roomOnly = $field === 'position' && $this->changedParent();
                if (! $roomOnly && $fields[$field] !== ($this->after[$field] ?? null)) {
                    return true;
                }
            }

            return false;
        }));
    }

    /** @param  list<string>  $except  aspects that stay as they are */
    public function undoneIn(Page $now, AddressRules $rules, array $except = []): Page
    {
        $back = $this->before ?? [];
        foreach ($except as $aspect) {
            $back = array_diff_key($back, array_flip(self::ASPECTS[$aspect]));
        }
        if (in_array('state', $except, true)) {
            unset($back['address']); // the one it had in the bin, where it does not go
        }

        return $back === [] ? $now : self::page([...self::fields($now), ...$back], $now->id, $now->address, $rules)->with(['contentSaved' => $now->contentSaved]);
    }

    /** The page that this difference removed. */
    public function restored(AddressRules $rules): Page
    {
        return self::page($this->before ?? [], $this->page, Address::stored('/', $rules), $rules);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['page' => $this->page, 'before' => $this->before, 'after' => $this->after];
    }

    /** @param  array{page: string, before: array<string, scalar|null>|null, after: array<string, scalar|null>|null}  $kept as toArray gave it */
    public static function fromArray(array $kept): self
    {
        return new self($kept['page'], $kept['before'], $kept['after']);
    }

    /** @return list<string> */
    private function changedIn(string $aspect): array
    {
        return array_values(array_intersect(self::ASPECTS[$aspect], array_keys($this->before ?? $this->after ?? [])));
    }

    /** @return array<string, scalar|null> */
    private static function fields(Page $page): array
    {
        return [
            'parent' => $page->parent, 'position' => $page->position, 'name' => $page->name, 'slug' => $page->slug->text,
            'slugByHand' => $page->slugByHand, 'pinned' => $page->pinned?->path, 'state' => $page->state->value,
            'everLive' => $page->everLive, 'listed' => $page->listed, 'kind' => $page->kind->value, 'leadsTo' => $page->leadsTo?->toText(),
            'leftOut' => $page->leftOut, 'isProtected' => $page->isProtected, 'bin' => $page->bin, 'was' => $page->was?->value,
            'from' => $page->from?->iso(), 'until' => $page->until?->iso(), 'reviewNote' => $page->reviewNote,
            ...$page->texts->toArray(), 'prepared' => $page->prepared?->toText(), 'layout' => $page->layout, 'indexed' => $page->indexed, 'content' => $page->contentLive,
            // Only in the bin is the address nobody's to compose.
            ...($page->isBinned() ? ['address' => $page->address->path] : ['address' => null]),
        ];
    }

    /** @param  array<string, scalar|null>  $fields */
    private static function page(array $fields, string $id, Address $address, AddressRules $rules): Page
    {
        $text = static fn (string $field): ?string => isset($fields[$field]) ? (string) $fields[$field] : null;

        return new Page(
            id: $id,
            parent: $text('parent'),
            position: (int) $fields['position'],
            name: (string) $fields['name'],
            slug: Slug::stored((string) $fields['slug']),
            slugByHand: (bool) $fields['slugByHand'],
            pinned: isset($fields['pinned']) ? Address::stored((string) $fields['pinned'], $rules) : null,
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
            indexed: (bool) ($fields['indexed'] ?? true),
            contentLive: isset($fields['content']) ? (int) $fields['content'] : null,
        );
    }
}
