<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\File;
use App\Models\Site;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Redirect\AddressHolder;
use Heronstem\Core\Redirect\AddressLookup;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Tree\PageKind;
use Illuminate\Database\Connection;

/** The resolver's look into the ledger: one row by its unique key, over a prepared statement. */
final class LedgerLookup implements AddressLookup
{
    private const PAGE = 'p.ulid, p.name, p.address, is_visible(p.state, p.from_at, p.until_at) as visible, p.kind, p.leads_to';

    private ?\PDOStatement $statement = null;

    public function __construct(private readonly Connection $db, private readonly Site $site)
    {
    }

    public function at(string $key): ?AddressHolder
    {
        $this->statement ??= $this->db
            ->getPdo()
            ->prepare(
                'select l.address, l.kind, l.ever_live, '.
                    self::PAGE.
                    ' from ledger l left join pages p on p.id = l.page_id where l.site_id = ? and l.key = ?',
            );
        $this->statement->execute([$this->site->id, $key]);
        $row = $this->statement->fetch(\PDO::FETCH_NUM);
        $this->statement->closeCursor();
        if (! is_array($row)) {
            return null;
        }

        $kind = ClaimKind::from($row[1]);

        return new AddressHolder(
            $row[0],
            $kind,
            $row[3] === null ? null : self::answering(array_slice($row, 3)),
            $kind === ClaimKind::Rule ? (new StoredRules($this->db, $this->site))->claiming([$key])[$key] ?? null : null,
            (bool) $row[2],
        );
    }

    public function page(string $id): ?AnsweringPage
    {
        return $this->one('from pages p where p.site_id = ? and p.ulid = ?', $id);
    }

    public function firstInside(string $id): ?AnsweringPage
    {
        return $this->one(
            'from pages p join pages s on s.id = p.parent_id where p.site_id = ? and s.ulid = ? and is_visible(p.state, p.from_at, p.until_at) order by p.position limit 1',
            $id,
        );
    }

    public function file(string $id): ?string
    {
        return File::query()->where('site_id', $this->site->id)->where('ulid', $id)->first()?->address();
    }

    private function one(string $from, string $id): ?AnsweringPage
    {
        $row = $this->db->selectOne('select '.self::PAGE.' '.$from, [$this->site->id, $id]);

        return $row === null ? null : self::answering(array_values((array) $row));
    }

    /** @param  array<int, mixed>  $row */
    private static function answering(array $row): AnsweringPage
    {
        [$id, $name, $address, $visible, $kind, $leadsTo] = $row;

        return new AnsweringPage($id, $name, $address, (bool) $visible, PageKind::from($kind), $leadsTo === null ? null : Target::stored($leadsTo));
    }
}
