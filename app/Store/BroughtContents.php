<?php

declare(strict_types=1);

namespace App\Store;

use Heronstem\Core\Change\BroughtPage;
use Heronstem\Core\Content\Document;
use Illuminate\Database\ConnectionInterface;

/** Contents that come with pages, kept as versions some hundred at a time. */
final readonly class BroughtContents
{
    private const PIECE = 200;

    public function __construct(private ConnectionInterface $db, private NotedLinks $links)
    {
    }

    /**
     * @param  list<string>  $pages
     * @return array<string, int> the number of the last version of their contents, by page; of those that are there
     */
    public function last(array $pages): array
    {
        return $pages === []
            ? []
            : array_map(
                intval(...),
                array_column(
                    $this->db->select(
                        'select p.ulid, coalesce(max(r.number), 0) as n from pages p left join content_versions r on r.page_id = p.id where p.ulid = any(?::text[]) group by p.ulid',
                        [PgArray::of($pages)],
                    ),
                    'n',
                    'ulid',
                ),
            );
    }

    /**
     * The pages with the numbers that the versions of their contents will have.
     *
     * @param  list<BroughtPage>  $pages
     * @return list<BroughtPage>
     */
    public function numbered(array $pages): array
    {
        $known = [];
        foreach ($pages as $page) {
            if ($page->content !== null && ! $page->isNew) {
                $known[] = $page->page->id;
            }
        }
        $last = $this->last($known);

        return array_map(
            static fn (BroughtPage $page): BroughtPage => $page->content === null
                ? $page
                : $page->withVersion(($last[$page->page->id] ?? 0) + ($page->hasTwo ? 2 : 1)),
            $pages,
        );
    }

    /** @param  iterable<array{BroughtPage, Document|null, Document|null}>  $contents  what is saved last and, where that is another, what visitors get */
    public function keep(iterable $contents, bool $isNew, string $from, ?int $user): void
    {
        $note = mb_substr("Brought in from $from", 0, 200);
        $rows = [];
        foreach ($contents as [$page, $working, $live]) {
            $saved = $page->page->contentSaved;
            $rows[] = [
                'page' => $page->page->id,
                'saved' => $saved,
                'shown' => $page->page->contentLive,
                'working' => ($working ?? Document::blank())->toArray(),
                'live' => $page->hasTwo ? ($live ?? Document::blank())->toArray() : null,
            ];
            if (count($rows) === self::PIECE) {
                $this->write($rows, $isNew, $note, $user);
                $rows = [];
            }
        }
        $this->write($rows, $isNew, $note, $user);
    }

    /**
     * Contents of pages that are there, or of those that are new.
     *
     * @param  list<array{page: string, saved: int, shown: int|null, working: array<mixed>, live: array<mixed>|null}>  $rows  by number of their versions
     */
    public function write(array $rows, bool $isNew, string $note, ?int $user): void
    {
        if ($rows === []) {
            return;
        }
        $json = json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
        $record = 'jsonb_to_recordset(?::jsonb) as n(page text, saved int, shown int, working jsonb, live jsonb) join pages p on p.ulid = n.page';
        $this->db->insert(
            "insert into content_versions (page_id, number, document, user_id, note, minor)
                select p.id, v.number, v.document, ?, ?, false from $record
                cross join lateral (values (n.saved - 1, n.live), (n.saved, n.working)) as v(number, document) where v.document is not null and v.document <> 'null'",
            [$user, $note, $json],
        );
        // Of a page that is there this follows from the versions; a new one has none to follow from.
        $noted = $this->db->select(
            $isNew
                ? "insert into page_contents (page_id, working, working_version, live, live_version, saved_by)
                    select p.id, n.working, n.saved, case when n.shown is not null then coalesce(nullif(n.live, 'null'), n.working) end, n.shown, ? from $record returning page_id"
                : "insert into page_contents (page_id, working, working_version, saved_by)
                    select p.id, n.working, n.saved, ? from $record on conflict (page_id) do nothing returning page_id",
            [$user, $json],
        );
        $this->links->note(array_column($noted, 'page_id'));
    }
}
