<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\PageWords;
use App\Store\PgArray;
use Heronstem\Core\Content\Document;
use Illuminate\Database\ConnectionInterface;

/** Puts words that were being worked on before visitors, and notes the links they hold. */
final readonly class PublishWords
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    public function forPage(Page $page): void
    {
        $this->forPages([$page->ulid]);
    }

    /** @param  list<string>  $pages */
    public function forPages(array $pages): void
    {
        if ($pages === []) {
            return;
        }
        $words = PageWords::query()->whereIn('page_id', Page::query()->whereIn('ulid', $pages)->select('id'))->get();
        foreach ($words as $each) {
            $each->update(['live' => $each->working, 'live_version' => $each->working_version]);
            $this->noteLinks($each->page_id, Document::read($each->working));
        }
    }

    private function noteLinks(int $from, Document $document): void
    {
        $this->db->delete('delete from links where from_page_id = ?', [$from]);
        $this->db->insert(
            'insert into links (from_page_id, to_page_id) select ?, to_page.id from pages to_page join pages from_page on from_page.id = ? and from_page.site_id = to_page.site_id where to_page.ulid = any(?::text[]) and to_page.id <> ?',
            [$from, $from, PgArray::of($document->linkedPages()), $from],
        );
    }
}
