<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\HistoryEntry;
use App\Models\Site;
use App\Store\HistoryEntries;
use Heronstem\Core\InputRefused;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Collection as Entries;

/** Entries of the history: a piece of it, those that are named, and the complete lists of what one did. */
final readonly class ReadHistory
{
    public function __construct(private HistoryEntries $entries, private EntryRows $rows)
    {
    }

    /**
     * @param  array<string, string>  $wanted  by HistoryEntries::FILTERS
     * @return Entries<int, HistoryEntry>
     */
    public function page(Site $site, array $wanted): Entries
    {
        return $this->entries->page($site, $wanted);
    }

    /** @return list<string> by what it may be filtered */
    public static function filters(): array
    {
        return HistoryEntries::FILTERS;
    }

    /** @return list<array{page: string|null, name: string, from: string|null, to: string|null, note: string}> */
    public function rows(HistoryEntry $entry, Site $site, RippleGroup $group): array
    {
        return $this->rows->of($entry, $site, $group);
    }

    /**
     * @param  list<string>  $named
     * @return Collection<int, HistoryEntry>
     *
     * @throws InputRefused naming an entry that is not in the history of the site
     */
    public function named(Site $site, array $named, string $field): Collection
    {
        $found = HistoryEntry::query()->where('site_id', $site->id)->whereIn('ulid', $named)->get();
        $unknown = array_values(array_diff($named, $found->pluck('ulid')->all()));
        if ($unknown !== []) {
            throw new InputRefused(
                $field,
                count($unknown) === 1
                    ? "There is no entry {$unknown[0]} in the history of this site."
                    : sprintf('%d of these entries are not in the history of this site, the first of them %s.', count($unknown), $unknown[0]),
            );
        }

        return $found;
    }
}
