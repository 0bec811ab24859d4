<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Address\ClaimKind;
use Heronstem\Core\Redirect\Answers;
use Heronstem\Core\Redirect\Held;
use Illuminate\Database\Connection;

/** One look into the ledger for the public site; the statement is prepared once and kept. */
final class LedgerAnswers implements Answers
{
    private ?\PDOStatement $statement = null;

    public function __construct(private readonly Connection $db, private readonly Site $site)
    {
    }

    public function at(string $key): ?Held
    {
        $this->statement ??= $this->db->getPdo()->prepare(
            'select l.address, l.kind, p.ulid, p.name, p.address, p.state from ledger l join pages p on p.id = l.page_id where l.site_id = ? and l.key = ?'
        );
        $this->statement->execute([$this->site->id, $key]);
        $row = $this->statement->fetch(\PDO::FETCH_NUM);
        $this->statement->closeCursor();
        if (! is_array($row)) {
            return null;
        }
        [$address, $kind, $page, $name, $pageAddress, $state] = $row;

        return new Held($address, ClaimKind::from($kind), $page, $name, $pageAddress, $state === 'live');
    }
}
