<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Page;
use Heronstem\Core\Content\Document;
use Illuminate\Database\ConnectionInterface;

/** The versions of pages' content. */
final readonly class ContentVersions
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<\stdClass> the newest first */
    public function of(Page $page): array
    {
        return array_values(
            $this->db->select(
                <<<'SQL'
                select r.number, u.name as by, to_char(r.created_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at, r.note, r.minor
                from content_versions r left join users u on u.id = r.user_id where r.page_id = ? order by r.number desc limit 500
                SQL
                ,
                [$page->id],
            ),
        );
    }

    public function document(Page $page, int $number): ?Document
    {
        $row = $this->db->selectOne('select document from content_versions where page_id = ? and number = ?', [$page->id, $number]);

        return $row === null ? null : Document::read(json_decode($row->document, true, flags: JSON_THROW_ON_ERROR));
    }
}
