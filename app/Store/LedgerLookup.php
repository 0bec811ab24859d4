<?php

declare(strict_types=1);

namespace App\Store;

use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Redirect\AddressHolder;
use Heronstem\Core\Redirect\AddressLookup;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Visitors\Guest;
use Heronstem\Core\Visitors\Others;
use Heronstem\Core\Visitors\PageAccess;
use PDO;

/** The resolver's look into the ledger: one row by its unique key. It needs a connection and nothing else, so that redirects need no framework. */
final class LedgerLookup implements AddressLookup
{
    private const PAGE = 'p.ulid, p.name, p.address, is_visible(p.state, p.from_at, p.until_at), p.kind, p.leads_to, p.gate_id';

    private const AT = 'select * from find_holder(?, ?)';

    private ?\PDOStatement $statement = null;

    /** @var array<int, true> gates of the pages that were met */
    private array $gates = [];

    private ?string $stamp = null;

    /** @var array<int, mixed>|null the page that the rule leads to which was found last, as it came with it */
    private ?array $led = null;

    public function __construct(private readonly PDO $pdo, private readonly int $site)
    {
    }

    public function at(string $key): ?AddressHolder
    {
        $this->statement ??= $this->pdo->prepare(self::AT);
        $this->statement->execute([$this->site, $key]);
        $row = $this->statement->fetch(PDO::FETCH_NUM);
        $this->statement->closeCursor();
        $this->stamp = is_array($row) ? $row[0] : null;
        if (! is_array($row) || $row[2] === null) {
            return null;
        }
        [, $address, $kind, $everLive] = $row;
        $kind = ClaimKind::from($kind);
        $page = $row[4] === null ? null : array_slice($row, 4, 7);
        // What a rule leads to is met only if it is followed.
        [$this->led, $page] = $kind === ClaimKind::Rule ? [$page, null] : [null, $page];

        return new AddressHolder(
            $address,
            $kind,
            $page === null ? null : $this->answering($page),
            $row[11] === null ? null : StoredRules::rule((object) json_decode($row[11], flags: JSON_THROW_ON_ERROR)),
            (bool) $everLive,
        );
    }

    public function page(string $id): ?AnsweringPage
    {
        return $this->led !== null && $this->led[0] === $id
            ? $this->answering($this->led)
            : $this->one('from pages p where p.site_id = ? and p.ulid = ?', $id);
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
        $file = $this->row('select ulid, name from files where site_id = ? and ulid = ?', [$id]);

        return $file === null ? null : FileAddress::of($file['ulid'], $file['name']);
    }

    /** Whether a page was met on the way that lies where somebody decided who sees it. */
    public function hasMetGate(): bool
    {
        return $this->gates !== [];
    }

    /** Whether nobody is to know of any of these, whatever the moment: to visitors like all others nothing is there. */
    public function hasMetOnlyHidden(): bool
    {
        foreach (array_keys($this->gates) as $gate) {
            $row = $this->row('select access::text as access from pages where site_id = ? and id = ?', [(string) $gate]);
            $access = $row === null ? null : PageAccess::stored($row['access']);
            $isHidden =
                $access !== null &&
                $access->from === null &&
                $access->until === null &&
                ! $access->admits(Guest::anybody()) &&
                $access->answerTo(Guest::anybody()) === Others::Missing;
            if (! $isHidden) {
                return false;
            }
        }

        return $this->gates !== [];
    }

    /** A mark of the site's settings as they were at the last look at an address, which is another once they change. */
    public function stamp(): ?string
    {
        return $this->stamp;
    }

    private function one(string $from, string $id): ?AnsweringPage
    {
        $statement = $this->pdo->prepare('select '.self::PAGE.' '.$from);
        $statement->execute([$this->site, $id]);
        $row = $statement->fetch(PDO::FETCH_NUM);

        return is_array($row) ? $this->answering($row) : null;
    }

    /**
     * @param  list<string>  $bound
     * @return array<string, mixed>|null
     */
    private function row(string $query, array $bound): ?array
    {
        $statement = $this->pdo->prepare($query);
        $statement->execute([$this->site, ...$bound]);
        $row = $statement->fetch(PDO::FETCH_ASSOC);

        return is_array($row) ? $row : null;
    }

    /** @param  array<int, mixed>  $row */
    private function answering(array $row): AnsweringPage
    {
        [$id, $name, $address, $visible, $kind, $leadsTo, $gate] = $row;
        if ($gate !== null) {
            $this->gates[(int) $gate] = true;
        }

        return new AnsweringPage($id, $name, $address, (bool) $visible, PageKind::from($kind), $leadsTo === null ? null : Target::stored($leadsTo));
    }
}
