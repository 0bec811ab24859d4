<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;

/**
 * What a batch changed of one page's own fields. The address is left out: it always follows
 * from the others. Small enough to keep in the history, exact enough to restore from.
 */
final readonly class PageDifference
{
    /** The version of the content that was saved last: told where a batch sets it, and of no page that was made or removed. */
    public const SAVED = 'saved';

    /** What belongs together and is undone together, as people call it; any other field is one by itself, under its own name. */
    private const ASPECTS = [
        'place' => ['parent', 'position'],
        'name' => ['name'],
        'slug' => ['slug', 'slugByHand'],
        'pinned address' => ['pinned'],
        'state' => ['state', 'was', 'bin', 'everLive', 'from', 'until', 'reviewNote'],
        'listing' => ['listed'],
        'kind' => ['kind', 'leadsTo', 'leftOut'],
        'protection' => ['isProtected'],
        'content' => ['content', self::SAVED],
        'search title' => ['searchTitle'],
        'search description' => ['searchDescription'],
        'prepared texts' => ['prepared'],
        'social title' => ['socialTitle'],
        'social description' => ['socialDescription'],
        'layout and its fields' => ['layout', 'fields'],
        'small picture, loading anew and caching' => ['showing'],
        'code' => ['code'],
        'who sees it' => ['access'],
        'search settings' => ['search'],
        'search settings of its branch' => ['branchSearch'],
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
        if ($before === null || $after === null) {
            $id = ($before ?? $after)?->id;

            return $id === null ? null : new self($id, $before?->toFields(), $after?->toFields());
        }
        [$old, $new] = [$before->toFields($after), $after->toFields($before)];
        $old[self::SAVED] = $before->contentSaved;
        $new[self::SAVED] = $after->contentSaved;
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

    /** Whether another version of a page that was there is saved, or shown to visitors. */
    public function changesContent(): bool
    {
        return $this->before !== null && (array_key_exists('content', $this->before) || array_key_exists(self::SAVED, $this->before));
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
        $grouped = array_merge(...array_values(self::ASPECTS));
        $single = array_diff(array_keys($this->before ?? ($this->after ?? [])), $grouped, ['address']);

        return [
            ...array_values(array_filter(array_keys(self::ASPECTS), fn (string $aspect): bool => $this->changedIn($aspect) !== [])),
            ...array_values($single),
        ];
    }

    /** What belongs together with a field, as people call it. */
    public static function aspectOf(string $field): string
    {
        foreach (self::ASPECTS as $aspect => $fields) {
            if (in_array($field, $fields, true)) {
                return $aspect;
            }
        }

        return $field;
    }

    /** @return list<string> what of the page is no longer as this difference left it */
    public function strayedIn(Page $now): array
    {
        $fields = [...$now->toFields(), self::SAVED => $now->contentSaved];

        return array_values(
            array_filter($this->aspects(), function (string $aspect) use ($fields): bool {
                foreach ($this->changedIn($aspect) as $field) {
                    // A page that went elsewhere may have been given room among its new siblings: that is no straying.
                    $roomOnly = $field === 'position' && $this->changedParent();
                    if (! $roomOnly && $fields[$field] !== ($this->after[$field] ?? null)) {
                        return true;
                    }
                }

                return false;
            }),
        );
    }

    /** @param  list<string>  $except  aspects that stay as they are */
    public function undoneIn(Page $now, AddressRules $rules, array $except = []): Page
    {
        $back = $this->before ?? [];
        foreach ($except as $aspect) {
            $back = array_diff_key($back, array_flip(self::fieldsOf($aspect)));
        }
        if (in_array('state', $except, true)) {
            unset($back['address']); // the one it had in the bin, where it does not go
        }

        return $back === []
            ? $now
            : Page::fromFields([...$now->toFields(), ...$back], $now->id, $now->address, $rules)->with([
                'contentSaved' => (int) ($back[self::SAVED] ?? $now->contentSaved),
            ]);
    }

    /** The page that this difference removed. */
    public function restored(AddressRules $rules): Page
    {
        return Page::fromFields($this->before ?? [], $this->page, Address::stored('/', $rules), $rules);
    }

    /** In a short text, without the page's identity. */
    public function packed(): string
    {
        return serialize([$this->before, $this->after]);
    }

    /** @param  string  $packed  as packed() gave it */
    public static function unpacked(string $page, string $packed): self
    {
        return new self($page, ...unserialize($packed, ['allowed_classes' => false]));
    }

    /** @return array{array{array<string, scalar|null>|null, array<string, scalar|null>|null}, string, string} before and after, without addresses, and these */
    public function apartFromAddresses(): array
    {
        [$before, $after] = [$this->before, $this->after];
        $was = (string) ($before['address'] ?? '');
        $is = (string) ($after['address'] ?? '');
        if ($was !== '') {
            $before['address'] = null;
        }
        if ($is !== '') {
            $after['address'] = null;
        }

        return [[$before, $after], $was, $is];
    }

    /** @param  array{array<string, scalar|null>|null, array<string, scalar|null>|null}  $change  as apartFromAddresses() gave it, and the addresses, empty where there was none */
    public static function withAddresses(string $page, array $change, string $was, string $is): self
    {
        [$before, $after] = $change;
        if ($was !== '') {
            $before['address'] = $was;
        }
        if ($is !== '') {
            $after['address'] = $is;
        }

        return new self($page, $before, $after);
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
        return array_values(array_intersect(self::fieldsOf($aspect), array_keys($this->before ?? ($this->after ?? []))));
    }

    /** @return list<string> */
    private static function fieldsOf(string $aspect): array
    {
        return self::ASPECTS[$aspect] ?? [$aspect];
    }
}
