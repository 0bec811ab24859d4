<?php

declare(strict_types=1);

namespace App\Store;

use Heronstem\Core\Ripple\Names;
use Illuminate\Database\ConnectionInterface;

/** Names as they stand in the database: until a batch is written, those from before it. */
final readonly class StoredNames implements Names
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    public function page(string $id): string
    {
        return (string) $this->db->table('pages')->where('ulid', $id)->value('name');
    }

    public function menu(string $id): string
    {
        return (string) $this->db->table('menus')->where('ulid', $id)->value('name');
    }
}
