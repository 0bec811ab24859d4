<?php

declare(strict_types=1);

namespace App\Store;

use Heronstem\Core\Change\ReplacedPage;
use Heronstem\Core\Content\Document;
use Illuminate\Database\ConnectionInterface;

/** Contents of many pages, read and kept in few statements. */
final readonly class ContentTexts
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * @param  list<string>  $pages
     * @return array<string, array{array<mixed>, array<mixed>|null}> by page: what was saved last, and what visitors get where that is another
     */
    public function of(array $pages): array
    {
        $contents = [];
        foreach (
            $this->db->select(
                'select p.ulid, w.working, case when w.live_version is distinct from w.working_version then w.live end as live
                    from pages p join page_contents w on w.page_id = p.id where p.ulid = any(?::text[])',
                [PgArray::of($pages)],
            ) as $row
        ) {
            $contents[(string) $row->ulid] = [
                json_decode($row->working, true, 64, JSON_THROW_ON_ERROR),
                $row->live === null ? null : json_decode($row->live, true, 64, JSON_THROW_ON_ERROR),
            ];
        }

        return $contents;
    }

    /**
     * The pages with the numbers that the versions of their contents will have.
     *
     * @param  list<ReplacedPage>  $pages
     * @return list<ReplacedPage>
     */
    public function numbered(array $pages): array
    {
        $last = array_column(
            $this->db->select(
                'select p.ulid, max(r.number) as n from pages p join content_versions r on r.page_id = p.id where p.ulid = any(?::text[]) group by p.ulid',
                [PgArray::of(array_map(static fn (ReplacedPage $page): string => $page->page->id, $pages))],
            ),
            'n',
            'ulid',
        );
        foreach ($pages as $page) {
            $n = (int) ($last[$page->page->id] ?? 0);
            if ($page->live !== null) {
                // Before the one that was saved last, so that that stays the newest.
                $page->liveVersion = ++$n;
            }
            if ($page->working !== null) {
                $isShown = $page->page->contentLive !== null && $page->page->contentLive === $page->page->contentSaved;
                $page->workingVersion = ++$n;
                $page->liveVersion = $isShown ? $n : $page->liveVersion;
            }
        }

        return $pages;
    }

    /** @param  list<ReplacedPage>  $pages */
    public function keep(array $pages, string $note, ?int $user): void
    {
        foreach (array_chunk($pages, 200) as $piece) {
            $rows = [];
            foreach ($piece as $page) {
                foreach ([[$page->liveVersion, $page->live], [$page->workingVersion, $page->working]] as [$number, $document]) {
                    if ($number !== null && $document instanceof Document) {
                        $rows[] = ['page' => $page->page->id, 'number' => $number, 'document' => $document->toArray()];
                    }
                }
            }
            $this->db->insert(
                'insert into content_versions (page_id, number, document, user_id, note, minor)
                    select p.id, n.number, n.document, ?, ?, false from jsonb_to_recordset(?::jsonb) as n(page text, number int, document jsonb) join pages p on p.ulid = n.page',
                [$user, mb_substr($note, 0, 200), json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)],
            );
        }
    }
}
