<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\HistoryEntry;
use App\Models\Site;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;

/** Finds entries of the history, without the bulk of what they keep. */
final class HistoryEntries
{
    public const PIECE = 50;

    public const FILTERS = ['before', 'page', 'by', 'kind', 'from', 'until', 'text'];

    private const COLUMNS = [
        'id',
        'ulid',
        'site_id',
        'user_id',
        'sentence',
        'counts',
        'note',
        'undoes_id',
        'undone_by_id',
        'thinned_at',
        'created_at',
    ];

    /**
     * @param  array<string, string>  $wanted  by FILTERS; empty for any. Days in the site's zone.
     * @return Collection<int, HistoryEntry> newest first
     */
    public function page(Site $site, array $wanted): Collection
    {
        $filter = static fn (string $field, \Closure $narrow): \Closure => static function (Builder $query) use ($field, $narrow, $wanted): void {
            if (($wanted[$field] ?? '') !== '') {
                $narrow($query, $wanted[$field]);
            }
        };

        return HistoryEntry::query()
            ->select(self::COLUMNS)
            ->selectRaw("case when kinds && ?::text[] then batch else '[]' end as batch", [PgArray::of(HistoryEntry::OF_VERSIONS)])
            ->where('site_id', $site->id)
            ->with('user')
            ->where(
                $filter(
                    'before',
                    static fn (Builder $query, string $before) => $query->where(
                        'id',
                        '<',
                        HistoryEntry::query()->where('site_id', $site->id)->where('ulid', $before)->value('id') ?? 0,
                    ),
                ),
            )
            ->where($filter('page', static fn (Builder $query, string $page) => $query->whereRaw('touched @> array[?]::text[]', [$page])))
            ->where(
                $filter(
                    'by',
                    static fn (Builder $query, string $by) => $by === 'schedule'
                        ? $query->whereNull('user_id')
                        : $query->whereHas('user', static fn (Builder $user) => $user->where('ulid', $by)),
                ),
            )
            ->where($filter('kind', static fn (Builder $query, string $kind) => $query->whereRaw('kinds @> array[?]::text[]', [$kind])))
            ->where(
                $filter(
                    'from',
                    static fn (Builder $query, string $day) => $query->whereRaw('created_at >= ?::date at time zone ?', [$day, $site->zone]),
                ),
            )
            ->where(
                $filter(
                    'until',
                    static fn (Builder $query, string $day) => $query->whereRaw('created_at < (?::date + 1) at time zone ?', [$day, $site->zone]),
                ),
            )
            ->where(
                $filter(
                    'text',
                    static fn (Builder $query, string $text) => $query->whereRaw("(sentence || ' ' || note) ilike ?", [
                        '%'.addcslashes($text, '%_\\').'%',
                    ]),
                ),
            )
            ->orderByDesc('id')
            ->limit(self::PIECE)
            ->get();
    }
}
