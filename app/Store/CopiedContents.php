<?php

declare(strict_types=1);

namespace App\Store;

use Closure;
use Heronstem\Core\Content\Document;
use Illuminate\Database\ConnectionInterface;

/** Contents of pages that were made in this very transaction. */
final readonly class CopiedContents
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /**
     * Puts other contents in the place of those of a page and what is below it, as if they had begun with these.
     *
     * @param  Closure(Document): Document  $of
     */
    public function rewrite(string $page, Closure $of): void
    {
        $rows = $this->db->select(
            "select w.page_id, w.working::text as document from pages top join pages p on p.path <@ top.path join page_contents w on w.page_id = p.id
                where top.ulid = ? and strpos(w.working::text, '{') > 0",
            [$page],
        );
        foreach ($rows as $row) {
            $before = Document::kept(json_decode($row->document, true, flags: JSON_THROW_ON_ERROR));
            $after = $of($before);
            if (! $after->equals($before)) {
                $text = json_encode($after->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
                $this->db->update('update page_contents set working = ?::jsonb where page_id = ?', [$text, $row->page_id]);
                $this->db->update('update content_versions set document = ?::jsonb where page_id = ? and number = 1', [$text, $row->page_id]);
            }
        }
    }
}
