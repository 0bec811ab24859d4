<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\SearchGridRows;
use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Search\FittedText;
use Heronstem\Core\Search\SearchDescription;
use Heronstem\Core\Search\SearchTitle;
use Heronstem\Core\Search\TextPattern;
use Heronstem\Core\Search\TextWidth;

/** Titles and descriptions of all pages as a grid: each as it is, with its width and whether another page has the same. */
final readonly class ReadSearchGrid
{
    /** Rows at a time. */
    public const MAX_ROWS = 1000;

    public function __construct(private SearchGridRows $rows)
    {
    }

    /**
     * @param  array{text?: string, state?: string, layout?: string, branch?: string, check?: string}  $filter
     * @return array{total: int, rows: list<array<string, mixed>>}
     */
    public function of(Site $site, array $filter, int $offset, int $limit): array
    {
        return [
            'total' => $this->rows->count($site, $filter),
            'rows' => array_map(
                static fn (object $row): array => [
                    'id' => $row->ulid,
                    'name' => $row->name,
                    'address' => $row->address,
                    'state' => $row->state,
                    'layout' => $row->layout,
                    'level' => $row->level,
                    'searchTitle' => $row->search_title,
                    'searchDescription' => $row->search_description,
                    'title' => $row->title ?? '',
                    'titleWidth' => round((float) ($row->title_width ?? 0), 1),
                    'titleDouble' => $row->title_double,
                    'description' => $row->description ?? '',
                    'descriptionSource' => $row->description_source ?? 'none',
                    'descriptionWidth' => round((float) ($row->description_width ?? 0), 1),
                    'descriptionDouble' => $row->description_double,
                    'findings' => $row->findings === null ? [] : json_decode($row->findings, true),
                ],
                $this->rows->page($site, $filter, $offset, $limit),
            ),
        ];
    }

    /**
     * Texts as they are typed: how wide each is, where it is cut, and whether another page or another of these has the same.
     *
     * @param  list<array{page: string, title: string|null, description: string|null}>  $typed
     * @return list<array<string, mixed>>
     */
    public function measured(Site $site, array $typed): array
    {
        $held = $this->rows->holders($site, [
            ...array_map(static fn (array $row): string => AuditedPage::key('title', (string) $row['title']), $typed),
            ...array_map(static fn (array $row): string => AuditedPage::key('description', (string) $row['description']), $typed),
        ]);
        $among = [];
        foreach ($typed as $row) {
            foreach (['title', 'description'] as $field) {
                $among[AuditedPage::key($field, (string) $row[$field])][$row['page']] = true;
            }
        }
        $isDouble = static fn (string $key, string $page): bool => array_diff([...$held[$key] ?? [], ...array_keys($among[$key] ?? [])], [$page]) !==
            [];

        return array_map(static function (array $row) use ($isDouble): array {
            $title = TextPattern::fold((string) $row['title']);
            $description = TextPattern::fold((string) $row['description']);

            return [
                'page' => $row['page'],
                'titleWidth' => round(TextWidth::of($title, SearchTitle::SIZE), 1),
                'titleShown' => FittedText::within($title, SearchTitle::MAX_WIDTH, SearchTitle::SIZE),
                'titleDouble' => $title !== '' && $isDouble(AuditedPage::key('title', $title), $row['page']),
                'descriptionWidth' => round(TextWidth::of($description, SearchDescription::SIZE), 1),
                'descriptionShown' => FittedText::within($description, SearchDescription::MAX_WIDTH, SearchDescription::SIZE),
                'descriptionDouble' => $description !== '' && $isDouble(AuditedPage::key('description', $description), $row['page']),
            ];
        }, $typed);
    }
}
