<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;

/**
 * What a batch changed of one page's own fields. The address is left out: it always follows
 * from the others. Small enough to keep in the history, exact enough to restore from.
 */
final readonly class PageDifference
{
    private const SPOKEN = [
        'parent' => 'place', 'position' => 'place', 'name' => 'name', 'slug' => 'slug', 'slugByHand' => 'slug',
        'pinned' => 'pinned address', 'state' => 'state', 'everLive' => 'state', 'listed' => 'listing',
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
        $old = $before === null ? null : self::fields($before);
        $new = $after === null ? null : self::fields($after);
        if ($old === null || $new === null) {
            $id = ($before ?? $after)?->id;

            return $id === null ? null : new self($id, $old, $new);
        }
        $changed = array_keys(array_filter($old, static fn ($value, $field): bool => $new[$field] !== $value, ARRAY_FILTER_USE_BOTH));
        if ($changed === []) {
            return null;
        }
        $only = array_flip($changed);

        return new self($before->id, array_intersect_key($old, $only), array_intersect_key($new, $only));
    }

    public function wasMade(): bool
    {
        return $this->before === null;
    }

    public function wasRemoved(): bool
    {
        return $this->after === null;
    }

    /** The first thing of the page that is no longer as this difference left it, in a word; null when none. */
    public function strayedIn(Page $now): ?string
    {
        $fields = self::fields($now);
        foreach ($this->after ?? [] as $field => $value) {
            if ($fields[$field] !== $value) {
                return self::SPOKEN[$field] ?? $field;
            }
        }

        return null;
    }

    public function undoneIn(Page $now, AddressRules $rules): Page
    {
        return self::page([...self::fields($now), ...$this->before ?? []], $now->id, $now->address, $rules);
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

    /** @return array<string, scalar|null> */
    private static function fields(Page $page): array
    {
        return [
            'parent' => $page->parent, 'position' => $page->position, 'name' => $page->name, 'slug' => $page->slug->text,
            'slugByHand' => $page->slugByHand, 'pinned' => $page->pinned?->path, 'state' => $page->state->value,
            'everLive' => $page->everLive, 'listed' => $page->listed,
        ];
    }

    /** @param  array<string, scalar|null>  $fields */
    private static function page(array $fields, string $id, Address $address, AddressRules $rules): Page
    {
        return new Page(
            id: $id,
            parent: isset($fields['parent']) ? (string) $fields['parent'] : null,
            position: (int) $fields['position'],
            name: (string) $fields['name'],
            slug: Slug::stored((string) $fields['slug']),
            slugByHand: (bool) $fields['slugByHand'],
            pinned: isset($fields['pinned']) ? Address::stored((string) $fields['pinned'], $rules) : null,
            state: State::from((string) $fields['state']),
            everLive: (bool) $fields['everLive'],
            listed: (bool) $fields['listed'],
            address: $address,
        );
    }
}
