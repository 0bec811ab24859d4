<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Identity;
use Heronstem\Core\Refusal;

/** Reads batches as the API and the history write them. */
final class ChangeReader
{
    private const KINDS = ['make', 'rename', 'set-slug', 'move', 'go-live', 'take-offline'];

    public function __construct(private readonly AddressRules $rules)
    {
    }

    /**
     * @param  array<mixed>  $changes
     * @param  array<mixed>  $decisions
     *
     * @throws Refusal naming the change and its field
     */
    public function batch(array $changes, array $decisions = []): Batch
    {
        if ($changes === []) {
            throw new ChangeRefused('changes', 'There is nothing to change in this batch.');
        }
        if (count($changes) > Batch::LONGEST) {
            throw new ChangeRefused('changes', sprintf('A batch holds at most %d changes; this one has %d.', Batch::LONGEST, count($changes)));
        }
        $read = [];
        foreach (array_values($changes) as $i => $change) {
            try {
                $read[] = $this->change(is_array($change) ? $change : []);
            } catch (Refusal $refusal) {
                throw $refusal->within("changes.$i");
            }
        }

        return new Batch($read, array_map($this->decision(...), array_values($decisions)));
    }

    /** @param  array<mixed>  $change */
    private function change(array $change): Change
    {
        $kind = $change['kind'] ?? null;
        if (! is_string($kind) || ! in_array($kind, self::KINDS, true)) {
            throw new ChangeRefused('kind', 'A change is one of '.implode(', ', self::KINDS).'.');
        }
        $page = $this->ulid($change['page'] ?? null, 'page');

        return match ($kind) {
            'make' => new Change\Make($page, $this->name($change), $this->place($change), isset($change['slug']) ? $this->slug($change) : null),
            'rename' => new Change\Rename($page, $this->name($change)),
            'set-slug' => new Change\SetSlug($page, $this->slug($change)),
            'move' => new Change\Move($page, $this->place($change)),
            'go-live' => new Change\GoLive($page),
            'take-offline' => new Change\TakeOffline($page),
        };
    }

    /** @param  array<mixed>  $change */
    private function name(array $change): Name
    {
        return Name::of(is_string($change['name'] ?? null) ? $change['name'] : '');
    }

    /** @param  array<mixed>  $change */
    private function slug(array $change): Slug
    {
        return Slug::of(is_string($change['slug'] ?? null) ? $change['slug'] : '');
    }

    /** @param  array<mixed>  $change */
    private function place(array $change): Place
    {
        $place = $change['place'] ?? null;
        if (! is_array($place) || count($place) !== 1) {
            throw new ChangeRefused('place', 'A place is one of {"last": parent}, {"first": parent}, {"before": sibling}, {"after": sibling}; a parent may be null for the top.');
        }
        $kind = PlaceKind::tryFrom((string) key($place));
        $page = current($place);

        return match ($kind) {
            PlaceKind::Last => Place::lastIn($page === null ? null : $this->ulid($page, 'place')),
            PlaceKind::First => Place::firstIn($page === null ? null : $this->ulid($page, 'place')),
            PlaceKind::Before => Place::before($this->ulid($page, 'place')),
            PlaceKind::After => Place::after($this->ulid($page, 'place')),
            null => throw new ChangeRefused('place', 'A place is last, first, before or after.'),
        };
    }

    private function decision(mixed $decision): Decision
    {
        $address = is_array($decision) ? ($decision['replace-redirect'] ?? null) : null;
        if (! is_string($address)) {
            throw new ChangeRefused('decisions', 'A decision is {"replace-redirect": address}.');
        }

        return new Decision(Address::set($address, $this->rules));
    }

    private function ulid(mixed $value, string $field): string
    {
        if (! Identity::names($value)) {
            throw new ChangeRefused($field, 'A page is named by its identity, 26 letters and digits.');
        }

        return $value;
    }
}
