<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\SharedPiece;
use App\Models\Site;
use App\Store\SharedPieces;
use Heronstem\Core\Content\Document;
use Illuminate\Database\ConnectionInterface;

/** What is told of shared pieces. */
final readonly class ReadPieces
{
    public function __construct(private SharedPieces $pieces, private ConnectionInterface $db)
    {
    }

    /** @return list<array<string, mixed>> by name */
    public function all(Site $site): array
    {
        $counts = $this->pieces->counts($site);

        return array_values(
            SharedPiece::query()
                ->where('site_id', $site->id)
                ->orderByRaw('lower(name)')
                ->get()
                ->map(static fn (SharedPiece $piece): array => self::view($piece, $counts[$piece->ulid] ?? 0))
                ->all(),
        );
    }

    /** @return array<string, mixed> */
    public function one(SharedPiece $piece): array
    {
        $uses = $this->pieces->uses($piece);

        return [
            ...self::view($piece, count($uses)),
            'document' => $piece->document,
            'usedIn' => array_map(
                static fn (\stdClass $page): array => [
                    'id' => $page->id,
                    'name' => $page->name,
                    'address' => $page->address,
                    'live' => (bool) $page->live,
                ],
                $uses,
            ),
            'versions' => array_map(
                static fn (\stdClass $row): array => ['number' => $row->number, 'by' => $row->by, 'at' => $row->at],
                $this->db->select(
                    "select v.number, u.name as by, to_char(v.saved_at at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as at
                        from shared_piece_versions v left join users u on u.id = v.user_id where v.piece_id = ? order by v.number desc limit 200",
                    [$piece->id],
                ),
            ),
        ];
    }

    public function version(SharedPiece $piece, int $number): ?Document
    {
        $row = $this->db->selectOne('select document from shared_piece_versions where piece_id = ? and number = ?', [$piece->id, $number]);

        return $row === null ? null : Document::kept(json_decode($row->document, true, 64, JSON_THROW_ON_ERROR));
    }

    /** @return array<string, mixed> */
    private static function view(SharedPiece $piece, int $uses): array
    {
        return [
            'id' => $piece->ulid,
            'name' => $piece->name,
            'uses' => $uses,
            'number' => $piece->number,
            'changed' => $piece->updated_at->toIso8601ZuluString(),
        ];
    }
}
