<?php

declare(strict_types=1);

namespace App\Desk\Matching;

use App\Desk\HeldAddresses;
use App\Models\MatchList;
use App\Models\Site;
use App\Store\MatchRows;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Interchange\Table;
use Heronstem\Core\Moment;
use Illuminate\Database\Connection;
use Illuminate\Support\Carbon;

/** Lists of old addresses as the API tells of them, and as a table. */
final readonly class ReadMatchLists
{
    public function __construct(private Connection $db, private MatchRows $rows, private MatchLists $lists)
    {
    }

    /** @return list<array<string, mixed>> */
    public function items(Site $site): array
    {
        $lists = MatchList::query()->where('site_id', $site->id)->with('user')->orderByDesc('updated_at')->orderByDesc('id')->get();
        $counts = $this->rows->counts(array_values($lists->pluck('id')->all()));
        $changed = $this->lists->lastChange($site);

        return array_values($lists->map(fn (MatchList $list): array => $this->counted($list, $counts[$list->id] ?? null, $changed))->all());
    }

    /** @return array<string, mixed> */
    public function item(MatchList $list): array
    {
        return $this->counted($list, $this->rows->counts([$list->id])[$list->id] ?? null, $this->lists->lastChange($list->site));
    }

    /** @return array<string, mixed> with the rows that changed since a revision */
    public function of(MatchList $list, int $since = -1): array
    {
        $rows = $this->rows->read($list, $since);
        $addresses = HeldAddresses::of($this->db, $list->site, array_map(static fn (\stdClass $row): string => $row->old, $rows));

        return [
            'list' => $this->item($list),
            'rows' => array_map(static fn (\stdClass $row): array => self::row($row, $addresses), $rows),
        ];
    }

    /** As a table that Import redirects reads: what is accepted has its target. */
    public function csv(MatchList $list): string
    {
        $lines = Table::csv(['address', 'leads to', 'answer', 'sure', 'page', 'chosen by', 'requests', 'title']);
        foreach ($this->of($list)['rows'] as $row) {
            $chosen = $row['chosen'];
            $page = $chosen === null ? ($list->threshold <= $row['confidence'] * 100 ? $row['page'] : null) : $chosen['page'];
            $isGone = $chosen !== null && $chosen['choice'] === 'gone';
            $lines .= Table::csv([
                $row['address'] ?? $row['old'],
                $page['address'] ?? '',
                $isGone ? '410' : ($page === null ? '' : '301'),
                $chosen === null ? sprintf('%d %%', round($row['confidence'] * 100)) : '',
                $page['name'] ?? ($row['page']['name'] ?? ''),
                $chosen['by'] ?? '',
                (string) $row['requests'],
                $row['title'],
            ]);
        }

        return $lines;
    }

    /** @return array<string, mixed> */
    private static function row(\stdClass $row, HeldAddresses $addresses): array
    {
        $pages = array_map(
            static fn (array $page): array => [...$page, 'address' => NormalForm::readable($page['address'])],
            json_decode($row->pages ?? '{}', true),
        );
        $page = $pages[$row->page ?? ''] ?? null;

        return [
            'old' => $row->old,
            'address' => $addresses->readable($row->old),
            'title' => $row->title,
            'heading' => $row->heading,
            'requests' => $row->requests,
            'page' => $page,
            'confidence' => $page === null ? 0.0 : round((float) $row->confidence, 3),
            'none' => round((float) $row->none, 3),
            'why' => $row->why,
            'next' => array_values(array_intersect_key($pages, array_flip(json_decode($row->next, true)))),
            'held' => $addresses->holder($row->old),
            'isTaught' => $row->is_taught,
            'chosen' => $row->choice === null
                    ? null
                    : [
                        'choice' => $row->choice,
                        'page' => $pages[$row->chosen ?? ''] ?? null,
                        'by' => $row->by,
                        'at' => Moment::stored($row->chosen_at)->iso(),
                    ],
            'revision' => $row->revision,
        ];
    }

    /** @return array<string, mixed> */
    private function counted(MatchList $list, ?\stdClass $counts, ?Carbon $changed): array
    {
        return [
            'id' => $list->ulid,
            'name' => $list->name,
            'threshold' => $list->threshold,
            'glossary' => $list->glossary,
            'revision' => $list->revision,
            'isBehind' => $this->lists->isBehind($list, $changed),
            'rows' => (int) ($counts->rows ?? 0),
            'requests' => (int) ($counts->requests ?? 0),
            'chosen' => (int) ($counts->chosen ?? 0),
            'by' => $list->user?->name,
            'made' => $list->created_at->toIso8601ZuluString(),
            'changed' => $list->updated_at->toIso8601ZuluString(),
        ];
    }
}
