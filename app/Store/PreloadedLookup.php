<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Ledger\ClaimKind;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Redirect\AddressHolder;
use Heronstem\Core\Redirect\AddressLookup;
use Heronstem\Core\Redirect\AnsweringPage;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Tree\PageKind;
use Illuminate\Database\Connection;

/** The whole ledger of a site in memory: for work that asks for very many addresses at once. Cost: one pass over ledger and pages. */
final class PreloadedLookup implements AddressLookup
{
    /** @var array<string, array{string, string, string|null, bool}> address, kind, page, ever live; by key */
    private array $held = [];

    /** @var array<string, array{string, string, bool, string, string|null}> name, address, visible, kind, leads to; by identity */
    private array $pages = [];

    private readonly LedgerLookup $single;

    /** @var array<string, Rule> those that hold an address, by its key */
    private array $rules = [];

    /** @param  list<Rule>  $rules  of the site */
    public function __construct(Connection $db, Site $site, array $rules)
    {
        foreach ($rules as $rule) {
            if ($rule->claims()) {
                $this->rules[$rule->key] = $rule;
            }
        }
        $this->single = new LedgerLookup($db->getPdo(), $site->id);
        foreach (
            $db->cursor(
                'select l.key, l.address, l.kind, p.ulid, l.ever_live from ledger l left join pages p on p.id = l.page_id where l.site_id = ?',
                [$site->id],
            ) as $row
        ) {
            $this->held[$row->key] = [$row->address, $row->kind, $row->ulid, $row->ever_live];
        }
        foreach (
            $db->cursor(
                "select ulid, name, address, is_visible(state, from_at, until_at) as visible, kind, leads_to from pages where site_id = ? and state <> 'bin'",
                [$site->id],
            ) as $row
        ) {
            $this->pages[$row->ulid] = [$row->name, $row->address, $row->visible, $row->kind, $row->leads_to];
        }
    }

    public function at(string $key): ?AddressHolder
    {
        $held = $this->held[$key] ?? null;

        return $held === null
            ? null
            : new AddressHolder(
                $held[0],
                ClaimKind::from($held[1]),
                $held[2] === null ? null : $this->page($held[2]),
                $this->rules[$key] ?? null,
                $held[3],
            );
    }

    public function page(string $id): ?AnsweringPage
    {
        $page = $this->pages[$id] ?? null;

        return $page === null
            ? null
            : new AnsweringPage($id, $page[0], $page[1], $page[2], PageKind::from($page[3]), $page[4] === null ? null : Target::stored($page[4]));
    }

    public function firstInside(string $id): ?AnsweringPage
    {
        return $this->single->firstInside($id);
    }

    public function file(string $id): ?string
    {
        return $this->single->file($id);
    }
}
