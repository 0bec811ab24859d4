<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;
use Heronstem\Core\Address\NormalForm;
use Illuminate\Database\ConnectionInterface;

/** How often an address was asked for in vain, and from where. */
final readonly class MissedDetails
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return array{days: list<array{day: string, hits: int, bots: int}>, referrers: list<array{host: string, hits: int}>} */
    public function of(Site $site, string $address, string $span): array
    {
        $hits = new HitCounts($this->db, 'missed_hits', 'key');
        $key = NormalForm::key(NormalForm::of($address, $site->rules()), $site->rules());

        return ['days' => $hits->days($site, $key, $span), 'referrers' => $hits->referrers($site, $key)];
    }
}
