<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Illuminate\Database\ConnectionInterface;

/** Pages whose address or name resembles a missed address, best first. */
final readonly class NearAddresses
{
    private const LIKELY = 0.25;

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<\stdClass> with id, name, address and how near they are, from 0 to 1 */
    public function to(string $address, Site $site): array
    {
        $words = trim((string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', rawurldecode($address)));
        if ($words === '' || ! mb_check_encoding($words, 'UTF-8')) {
            return [];
        }

        return array_values(
            $this->db->select(
                <<<'SQL'
                select id, name, address, near from (
                    select p.ulid as id, p.name, p.address, greatest(word_similarity(?, p.name || ' ' || p.address), similarity(?, p.address)) as near
                    from pages p where p.site_id = ? and is_visible(p.state, p.from_at, p.until_at) and (p.gate_id is null or p.gate_id in (select open_gate())) and p.listed
                ) n where near > ? order by near desc, length(address) limit 5
                SQL
                ,
                [mb_substr($words, 0, 200), mb_substr($address, 0, 200), $site->id, self::LIKELY],
            ),
        );
    }
}
