<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Structure\Page;
use Heronstem\Core\Structure\Pages;
use Heronstem\Core\Structure\State;
use Illuminate\Database\ConnectionInterface;

/** The core's pages port over PostgreSQL: a branch is one indexed range of paths. */
final readonly class StoredPages implements Pages
{
    private const SELECT = 'select p.ulid, parent.ulid as parent, p.position, p.name, p.slug, p.slug_by_hand, p.pinned, p.state, p.ever_live, p.listed, p.address
        from pages p left join pages parent on parent.id = p.parent_id';

    private AddressRules $rules;

    public function __construct(private ConnectionInterface $db, private Site $site)
    {
        $this->rules = $site->rules();
    }

    public function page(string $id): ?Page
    {
        $row = $this->db->selectOne(self::SELECT.' where p.site_id = ? and p.ulid = ?', [$this->site->id, $id]);

        return $row === null ? null : $this->toPage($row);
    }

    public function branch(string $id): iterable
    {
        $root = $this->db->selectOne('select path::text from pages where site_id = ? and ulid = ?', [$this->site->id, $id]);
        if ($root === null) {
            return;
        }
        $rows = $this->db->cursor(self::SELECT.' where p.site_id = ? and p.path <@ ?::ltree order by nlevel(p.path), p.id', [$this->site->id, $root->path]);
        foreach ($rows as $row) {
            yield $this->toPage($row);
        }
    }

    public function childOrder(?string $parent): array
    {
        $rows = $this->db->select(
            'select ulid, position from pages where site_id = ? and parent_id '.($parent === null ? 'is null' : '= (select id from pages where ulid = ?)').' order by position',
            $parent === null ? [$this->site->id] : [$this->site->id, $parent],
        );

        return array_column($rows, 'position', 'ulid');
    }

    private function toPage(\stdClass $row): Page
    {
        return new Page(
            id: $row->ulid,
            parent: $row->parent,
            position: $row->position,
            name: $row->name,
            slug: Slug::stored($row->slug),
            slugByHand: $row->slug_by_hand,
            pinned: $row->pinned === null ? null : Address::stored($row->pinned, $this->rules),
            state: State::from($row->state),
            everLive: $row->ever_live,
            listed: $row->listed,
            address: Address::stored($row->address, $this->rules),
        );
    }
}
