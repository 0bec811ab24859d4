<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\HitLog;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Redirect\Asker;
use Illuminate\Database\ConnectionInterface;

/** Counts what the hit log has noted: a few statements a batch, each batch once. */
final readonly class CountHits
{
    public function __construct(private ConnectionInterface $db, private HitLog $log)
    {
    }

    public function count(): void
    {
        $batches = $this->log->batches();
        if ($batches === []) {
            return;
        }
        foreach ($batches as $batch) {
            $this->db->transaction(function () use ($batch): void {
                if ($this->db->affectingStatement('insert into counted_batches (name) values (?) on conflict do nothing', [basename($batch)]) === 1) {
                    $this->add($batch);
                }
            });
            @unlink($batch);
        }
        $this->db->delete("delete from counted_batches where counted_at < now() - interval '1 day'");
    }

    private function add(string $batch): void
    {
        $used = $missed = $addresses = [];
        $rules = [];
        foreach ($this->log->lines($batch) as [$site, $kind, $what, $day, $referrer, $isBot, $at]) {
            $line = [(int) $site, $what, $day, $referrer, (bool) $isBot];
            if ($kind === 'rule') {
                $same = (string) json_encode($line);
                $used[$same] = [...$line, ($used[$same][5] ?? 0) + 1];

                continue;
            }
            $rules[$site] ??= Site::query()->find($site)?->rules();
            if ($rules[$site] === null) {
                continue;
            }
            $line[1] = NormalForm::key($what, $rules[$site]);
            $same = (string) json_encode($line);
            $missed[$same] = [...$line, ($missed[$same][5] ?? 0) + 1];
            $known = $addresses["$site {$line[1]}"] ?? null;
            $addresses["$site {$line[1]}"] = ['site' => (int) $site, 'key' => $line[1], 'address' => $what, 'noise' => Asker::isNoise($what), 'first' => min($known['first'] ?? $at, $at), 'last' => max($known['last'] ?? $at, $at)];
        }
        $fields = ['site', 'what', 'day', 'referrer', 'bots', 'hits'];
        $rows = static fn (array $counted): string => json_encode(array_map(static fn (array $line): array => array_combine($fields, $line), array_values($counted)), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
        $shape = 'jsonb_to_recordset(?::jsonb) as n(site bigint, what text, day date, referrer text, bots boolean, hits bigint)';
        $this->db->insert("insert into redirect_hits (site_id, rule, day, referrer, bots, hits) select n.site, n.what, n.day, n.referrer, n.bots, n.hits from $shape join sites s on s.id = n.site
            on conflict (site_id, rule, day, referrer, bots) do update set hits = redirect_hits.hits + excluded.hits", [$rows($used)]);
        $this->db->insert('insert into missed_addresses (site_id, key, address, noise, first_at, last_at)
            select n.site, n.key, n.address, n.noise, to_timestamp(n.first), to_timestamp(n.last) from jsonb_to_recordset(?::jsonb) as n(site bigint, key text, address text, noise boolean, first bigint, last bigint) join sites s on s.id = n.site
            on conflict (site_id, key) do update set last_at = greatest(missed_addresses.last_at, excluded.last_at)', [json_encode(array_values($addresses), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)]);
        $this->db->insert("insert into missed_hits (site_id, key, day, referrer, bots, hits) select n.site, n.what, n.day, n.referrer, n.bots, n.hits from $shape join missed_addresses m on m.site_id = n.site and m.key = n.what
            on conflict (site_id, key, day, referrer, bots) do update set hits = missed_hits.hits + excluded.hits", [$rows($missed)]);
    }
}
