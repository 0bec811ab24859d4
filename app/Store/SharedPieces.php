<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\SharedPiece;
use App\Models\Site;
use Heronstem\Core\Content\Document;
use Illuminate\Database\ConnectionInterface;

/** Pieces of content that pages share, put in where they stand. */
final readonly class SharedPieces
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** The content with the pieces in it that it names. */
    public function in(Document $content, Site $site): Document
    {
        $named = $content->sharedPieces();

        return $named === [] ? $content : $content->withPieces($this->named($named, $site));
    }

    /**
     * @param  list<Document>  $contents
     * @return array<string, Document> by identity: all that they name
     */
    public function ofAll(array $contents, Site $site): array
    {
        $named = array_merge([], ...array_map(static fn (Document $content): array => $content->sharedPieces(), $contents));

        return $named === [] ? [] : $this->named(array_values(array_unique($named)), $site);
    }

    /** @return array<string, int> on how many pages each piece is shown, by its identity; those in the bin left out */
    public function counts(Site $site): array
    {
        return array_map(
            intval(...),
            array_column(
                $this->db->select(
                    'select u.piece, count(*) as n from piece_uses u join pages p on p.id = u.page_id where p.site_id = ? and p.bin_id is null group by u.piece',
                    [$site->id],
                ),
                'n',
                'piece',
            ),
        );
    }

    /** @return list<\stdClass> the pages that show a piece, those in the bin left out */
    public function uses(SharedPiece $piece): array
    {
        return array_values(
            $this->db->select(
                "select p.id as key, p.ulid as id, p.name, p.address, u.live and p.state = 'live' as live from piece_uses u join pages p on p.id = u.page_id
                    where u.piece = ? and p.site_id = ? and p.bin_id is null order by p.name, p.id",
                [$piece->ulid, $piece->site_id],
            ),
        );
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, Document>
     */
    private function named(array $ids, Site $site): array
    {
        MadeOf::pieces(...$ids);

        return SharedPiece::query()
            ->where('site_id', $site->id)
            ->whereIn('ulid', $ids)
            ->get()
            ->mapWithKeys(static fn (SharedPiece $piece): array => [$piece->ulid => Document::kept($piece->document)])
            ->all();
    }
}
