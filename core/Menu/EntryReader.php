<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\OneLine;
use Heronstem\Core\Refusal;

/**
 * Reads a menu's entries as the API and menu files write them: nested, each with its kind and what it leads to,
 * `{"kind": "page", "page": …, "label": …, "entries": […]}`.
 */
final class EntryReader
{
    private const MAX_LENGTH = 200;

    /** @var list<Entry> */
    private array $entries = [];

    /** @param  string  $seed  the menu: entries without an identity get one derived from it */
    public function __construct(private readonly AddressRules $rules, private readonly string $zone, private readonly string $seed)
    {
    }

    /**
     * @return list<Entry> parents before what stands under them
     *
     * @throws Refusal naming the entry and its field
     */
    public function read(mixed $entries): array
    {
        $this->entries = [];
        $this->level($entries, null, 'entries', 1);
        $ids = array_count_values(array_map(static fn (Entry $entry): string => $entry->id, $this->entries));
        foreach ($this->entries as $entry) {
            if ($ids[$entry->id] > 1) {
                throw new InputRefused('entries', "Two entries have the identity {$entry->id}.");
            }
        }

        return $this->entries;
    }

    private function level(mixed $entries, ?string $parent, string $at, int $level): void
    {
        if (! is_array($entries) || ! array_is_list($entries)) {
            throw new InputRefused($at, 'Entries are a list.');
        }
        if ($entries !== [] && $level > Menu::MAX_DEPTH) {
            throw new InputRefused($at, sprintf('A menu goes at most %d levels deep.', Menu::MAX_DEPTH));
        }
        foreach ($entries as $position => $entry) {
            if (count($this->entries) >= Menu::MAX_ENTRIES) {
                throw new InputRefused($at, sprintf('A menu holds at most %d entries.', Menu::MAX_ENTRIES));
            }
            $field = "$at.$position";
            if (! is_array($entry)) {
                throw new InputRefused($field, 'An entry is an object with a kind.');
            }
            try {
                $read = $this->entry($entry, $parent, $position);
            } catch (Refusal $refusal) {
                throw $refusal->within($field);
            }
            $this->entries[] = $read;
            $under = $entry['entries'] ?? [];
            if ($under !== [] && in_array($read->kind, [EntryKind::Branch, EntryKind::Separator], true)) {
                throw new InputRefused("$field.entries", 'Nothing stands under a branch or a separator.');
            }
            $this->level($under, $read->id, "$field.entries", $level + 1);
        }
    }

    /** @param  array<mixed>  $entry */
    private function entry(array $entry, ?string $parent, int $position): Entry
    {
        $kind = is_string($entry['kind'] ?? null) ? EntryKind::tryFrom($entry['kind']) : null;
        if ($kind === null) {
            throw new InputRefused('kind', 'An entry is one of '.implode(', ', array_column(EntryKind::cases(), 'value')).'.', 'page');
        }
        $id =
            $entry['id'] ??
            Identity::derived($this->seed, 'entry '.count($this->entries).' '.json_encode($entry, JSON_PARTIAL_OUTPUT_ON_ERROR));
        if (! Identity::names($id)) {
            throw new InputRefused('id', 'An entry is named by a ULID, 26 letters and digits.');
        }
        $label = $this->text($entry, 'label');
        if ($label === '' && $kind !== EntryKind::Page && $kind !== EntryKind::Branch && $kind !== EntryKind::Separator) {
            throw new InputRefused('label', 'Only an entry that leads to a page takes its label from there. Give this one a label.');
        }
        $picture = $entry['picture'] ?? null;
        if ($picture !== null && ! Identity::names($picture)) {
            throw new InputRefused('picture', 'A picture is named by its identity, 26 letters and digits.');
        }
        [$from, $until] = [$this->moment($entry, 'from'), $this->moment($entry, 'until')];
        if ($from !== null && $until !== null && ! $until->isAfter($from)) {
            throw new InputRefused('until', 'This ends before it begins.');
        }

        return new Entry(
            $id,
            $parent,
            $position,
            $kind,
            $this->target($kind, $entry),
            $label,
            $this->text($entry, 'title'),
            ($entry['newWindow'] ?? false) === true,
            isset($entry['audience']) ? Audience::read(is_string($entry['audience']) ? $entry['audience'] : '') : Audience::everyone(),
            $from,
            $until,
            $kind === EntryKind::Branch ? $this->contents($entry) : null,
            $this->text($entry, 'text', 500),
            $picture,
            self::closed($entry),
        );
    }

    /** @param  array<mixed>  $entry */
    private static function closed(array $entry): Closed
    {
        $given = $entry['closed'] ?? Closed::LeftOut->value;

        return (is_string($given) ? Closed::tryFrom($given) : null) ??
            throw new InputRefused(
                'closed',
                'What those get who may not see the page is one of '.implode(', ', array_column(Closed::cases(), 'value')).'.',
                Closed::LeftOut->value,
            );
    }

    /** @param  array<mixed>  $entry */
    private function target(EntryKind $kind, array $entry): ?Target
    {
        if (in_array($kind, [EntryKind::Heading, EntryKind::Separator], true) || ($kind === EntryKind::Branch && ($entry['page'] ?? null) === null)) {
            return null;
        }
        $field = $kind === EntryKind::Branch ? 'page' : $kind->value;
        try {
            return Target::read($field, $entry[$field] ?? '', $this->rules);
        } catch (Refusal $refusal) {
            throw new InputRefused($field, $refusal->reason, $refusal->suggestion);
        }
    }

    /** @param  array<mixed>  $entry */
    private function contents(array $entry): BranchContents
    {
        $order =
            BranchOrder::tryFrom(is_string($entry['order'] ?? null) ? $entry['order'] : 'tree') ??
            throw new InputRefused('order', 'A branch stands in the order of the tree, or a-z.', 'tree');

        return new BranchContents(
            is_int($entry['depth'] ?? 1) ? $entry['depth'] ?? 1 : 0,
            $order,
            $this->pages($entry, 'out'),
            $this->pages($entry, 'in'),
        );
    }

    /**
     * @param  array<mixed>  $entry
     * @return list<string>
     */
    private function pages(array $entry, string $field): array
    {
        $pages = $entry[$field] ?? [];
        if (! is_array($pages)) {
            throw new InputRefused($field, 'Exceptions are a list of pages.');
        }
        $read = [];
        foreach ($pages as $page) {
            $read[] = Identity::names($page) ? $page : throw new InputRefused($field, 'Pages are named by their identity, 26 letters and digits.');
        }

        return array_values(array_unique($read));
    }

    /** @param  array<mixed>  $entry */
    private function text(array $entry, string $field, int $longest = self::MAX_LENGTH): string
    {
        $text = is_string($entry[$field] ?? null) ? OneLine::typed($entry[$field]) : '';
        if (mb_strlen($text) > $longest) {
            throw new InputRefused(
                $field,
                sprintf('This has at most %d characters; it has %d.', $longest, mb_strlen($text)),
                mb_substr($text, 0, $longest),
            );
        }

        return $text;
    }

    /** @param  array<mixed>  $entry */
    private function moment(array $entry, string $field): ?Moment
    {
        $typed = $entry[$field] ?? null;

        return $typed === null || $typed === '' ? null : Moment::read(is_string($typed) ? $typed : '', $this->zone, $field);
    }
}
