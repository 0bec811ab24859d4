<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\WantedName;
use Heronstem\Core\Linking\OwnAddress;
use Heronstem\Core\Tree\FieldValues;
use Heronstem\Core\Tree\PageState;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Collection;

/** Notes which links stand in pages' content and fields: to pages as visitors get them, and those written as addresses, published or not. */
final readonly class NotedLinks
{
    /** Pages noted at a time. */
    private const PIECE = 200;

    public function __construct(private ConnectionInterface $db, private SharedPieces $pieces)
    {
    }

    /** @param  array<int>  $pages  keys of pages */
    public function note(array $pages): void
    {
        foreach (array_chunk($pages, self::PIECE) as $piece) {
            $there = Page::query()
                ->whereKey($piece)
                ->with('content')
                ->get(['id', 'site_id', 'state', 'fields']);
            foreach ($there->groupBy('site_id') as $site => $pages) {
                $this->ofSite(Site::query()->findOrFail($site), $pages);
            }
        }
    }

    /**
     * Anew for the pages that wanted others, which are there now.
     *
     * @param  list<string>  $keys
     */
    public function noteWanting(Site $site, array $keys): void
    {
        $this->note(
            $keys === []
                ? []
                : array_column(
                    $this->db->select('select distinct from_page_id as id from wanted_links where site_id = ? and key = any(?::text[])', [
                        $site->id,
                        PgArray::of($keys),
                    ]),
                    'id',
                ),
        );
    }

    /** @param  Collection<int, Page>  $pages */
    private function ofSite(Site $site, Collection $pages): void
    {
        $own = $site->ownAddresses();
        $links = $raw = $wanted = $files = $uses = [];
        foreach ($pages as $page) {
            foreach ($page->state === PageState::Live ? FieldValues::stored($page->fields)->pages() : [] as $named) {
                $links[] = ['from' => $page->id, 'to' => $named];
            }
            $each = $page->content;
            if ($each === null) {
                continue;
            }
            $live = $each->live === null ? null : $each->liveDocument();
            $working = Document::kept($each->working);
            foreach (self::told($live?->sharedPieces(), $working->sharedPieces()) as $piece => $isLive) {
                $uses[] = ['page' => $each->page_id, 'piece' => $piece, 'live' => $isLive];
            }
            // What is in a shared piece is on every page that shows it.
            $live = $live === null ? null : $this->pieces->in($live, $site);
            $working = $this->pieces->in($working, $site);
            foreach ($live?->linkedPages() ?? [] as $named) {
                $links[] = ['from' => $each->page_id, 'to' => $named];
            }
            foreach ($live?->wanted() ?? [] as $name) {
                $links[] = ['from' => $each->page_id, 'wanted' => WantedName::key($name)];
            }
            // A folder is noted as such: what is in it may be another tomorrow.
            $used = static fn (Document $content): array => [
                ...$content->files(),
                ...array_map(static fn (string $folder): string => FileUses::FOLDER.$folder, $content->folders()),
            ];
            foreach (self::told($live === null ? null : $used($live), $used($working)) as $file => $isLive) {
                $files[] = ['page' => $each->page_id, 'file' => $file, 'live' => $isLive];
            }
            foreach ($working->wanted() as $name) {
                $wanted[] = ['page' => $each->page_id, 'key' => WantedName::key($name), 'name' => $name];
            }
            array_push($raw, ...$this->raw($each->page_id, $live, $working, $own));
        }
        $ids = PgArray::of($pages->pluck('id')->all());
        $this->db->delete('delete from links where from_page_id = any(?::bigint[])', [$ids]);
        $this->db->delete('delete from raw_links where from_page_id = any(?::bigint[])', [$ids]);
        $this->db->delete('delete from wanted_links where from_page_id = any(?::bigint[])', [$ids]);
        $this->db->delete('delete from piece_uses where page_id = any(?::bigint[])', [$ids]);
        if ($uses !== []) {
            $this->db->insert(
                'insert into piece_uses (page_id, piece, live) select * from jsonb_to_recordset(?::jsonb) as n(page bigint, piece text, live boolean)',
                [json_encode($uses, JSON_THROW_ON_ERROR)],
            );
        }
        $this->db->delete('delete from file_uses where page_id = any(?::bigint[])', [$ids]);
        if ($files !== []) {
            $this->db->insert(
                'insert into file_uses (page_id, file, live) select * from jsonb_to_recordset(?::jsonb) as n(page bigint, file text, live boolean)',
                [json_encode($files, JSON_THROW_ON_ERROR)],
            );
        }
        if ($wanted !== []) {
            $this->db->insert(
                'insert into wanted_links (site_id, from_page_id, key, name)
                    select ?, n.page, n.key, min(n.name) from jsonb_to_recordset(?::jsonb) as n(page bigint, key text, name text) group by n.page, n.key',
                [$site->id, json_encode($wanted, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)],
            );
        }
        if ($links !== []) {
            $this->db->insert(
                'insert into links (from_page_id, to_page_id) select distinct n."from", p.id from jsonb_to_recordset(?::jsonb) as n("from" bigint, "to" text, wanted text)
                    join pages p on (p.ulid = n."to" or p.wanted_as = n.wanted) and p.site_id = ? and p.id <> n."from"',
                [json_encode($links, JSON_THROW_ON_ERROR), $site->id],
            );
        }
        if ($raw !== []) {
            $this->db->insert(
                'insert into raw_links (site_id, from_page_id, href, key, address, live) select ?, n.page, n.href, n.key, n.address, n.live
                    from jsonb_to_recordset(?::jsonb) as n(page bigint, href text, key text, address text, live boolean)',
                [$site->id, json_encode($raw, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)],
            );
        }
    }

    /** @return list<array{page: int, href: string, key: string, address: string, live: bool}> */
    private function raw(int $page, ?Document $live, Document $working, OwnAddress $own): array
    {
        $raw = [];
        foreach (self::told($live?->hrefs(), $working->hrefs()) as $href => $isLive) {
            $address = $own->in((string) $href);
            if ($address !== null) {
                $raw[] = ['page' => $page, 'href' => (string) $href, 'key' => $address->key, 'address' => $address->path, 'live' => $isLive];
            }
        }

        return $raw;
    }

    /**
     * @param  list<string>|null  $live  what is named in what visitors get; null where they get nothing
     * @param  list<string>  $working  what is named in what was saved last
     * @return array<bool> by what is named: whether visitors get it
     */
    private static function told(?array $live, array $working): array
    {
        return array_fill_keys($live ?? [], true) + array_fill_keys($working, false);
    }
}
