<?php

declare(strict_types=1);

namespace App\Desk\Demo;

use App\Desk\ApplyChanges;
use App\Desk\ImportRedirects;
use App\Desk\Rights;
use App\Models\HistoryEntry;
use App\Models\Page;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Redirect\RequestOrigin;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/** Gives a demo site the redirects of its redirects.json, dated back, and three weeks of hits and misses from a seeded generator. */
final readonly class LoadRedirects
{
    private const DAYS = 21;

    private const HOSTS = ['', '', '', 'islands.example', 'hallin-bus.example', 'walks.example'];

    public function __construct(private ConnectionInterface $db, private ApplyChanges $apply, private ImportRedirects $import)
    {
    }

    public function load(Site $site, User $by, string $folder): void
    {
        if (! is_file("$folder/redirects.json")) {
            return;
        }
        ['lists' => $lists, 'redirects' => $redirects, 'missed' => $missed] = json_decode(
            (string) file_get_contents("$folder/redirects.json"),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        mt_srand(20261125);
        foreach ($redirects as $redirect) {
            $this->make($redirect, $site, $by);
        }
        foreach ($lists as $list) {
            $this->bringIn($list, (string) file_get_contents("$folder/lists/{$list['file']}"), $site, $by);
        }
        foreach ($missed as $address => $often) {
            $key = NormalForm::key($address, $site->rules());
            $this->db->insert(
                'insert into missed_addresses (site_id, key, address, noise, first_at, last_at) values (?, ?, ?, ?, now() - make_interval(days => ?), now())',
                [$site->id, $key, $address, RequestOrigin::isNoise($address), self::DAYS],
            );
            foreach ($this->hits($often / 3) as [$day, $host, $hits]) {
                $this->db->insert('insert into missed_hits (site_id, key, day, referrer, hits) values (?, ?, current_date - ?::int, ?, ?)', [
                    $site->id,
                    $key,
                    $day,
                    $host,
                    $hits,
                ]);
            }
        }
    }

    /** @param  array{days: int, file: string, note: string, hits: int}  $list  hits a day of the most used; the others less */
    private function bringIn(array $list, string $text, Site $site, User $by): void
    {
        $seed = (string) Str::ulid();
        foreach (
            $this->import->make($site, $by, $text, $seed, $this->import->look($site, $text, $seed), $list['note'], Rights::of(Authority::Manager)) as $entry
        ) {
            $this->dateBack($entry, $list['days'], $site);
            foreach (
                array_column($this->db->select('select ulid from redirect_rules where by_entry_id = ? order by id', [$entry->id]), 'ulid') as $n => $rule
            ) {
                $this->count($site, $rule, $list['hits'] / (1 + ($n % 7)));
            }
        }
    }

    private function dateBack(HistoryEntry $entry, int $days, Site $site): void
    {
        $then = Carbon::now($site->zone)
            ->subDays($days)
            ->setTime(9 + ($days % 8), 10)
            ->utc()
            ->toIso8601ZuluString();
        $this->db->update('update ledger set since = ? where by_entry_id = ?', [$then, $entry->id]);
        $this->db->update('update redirect_rules set made_at = ? where by_entry_id = ?', [$then, $entry->id]);
    }

    private function count(Site $site, string $rule, float $aDay): void
    {
        foreach ($this->hits($aDay) as [$day, $host, $hits]) {
            $this->db->insert('insert into redirect_hits (site_id, rule, day, referrer, hits) values (?, ?, current_date - ?::int, ?, ?)', [
                $site->id,
                $rule,
                $day,
                $host,
                $hits,
            ]);
        }
    }

    /** @param  array<string, mixed>  $redirect */
    private function make(array $redirect, Site $site, User $by): void
    {
        $id = (string) Str::ulid();
        $fields = array_diff_key($redirect, ['days' => true, 'hits' => true]);
        if (isset($fields['leadsTo']['page'])) {
            $fields['leadsTo'] = [
                'page' => Page::query()->where('site_id', $site->id)->where('address', $fields['leadsTo']['page'])->firstOrFail()->ulid,
            ];
        }
        if (isset($fields['until'])) {
            $fields['until'] = Carbon::now($site->zone)->modify($fields['until'])->startOfDay()->format('Y-m-d\TH:i');
        }
        $batch = (new ChangeReader($site->rules(), $site->zone))->batch([['kind' => 'make-redirect', 'redirect' => $id] + $fields]);
        $entry = $this->apply->apply($site, $by, $batch, note: $fields['note']);
        $this->dateBack($entry, $redirect['days'], $site);
        $this->count($site, $id, $redirect['hits']);
    }

    /** @return iterable<array{int, string, int}> days ago, referring host, hits; more at weekends, and each host once a day */
    private function hits(float $aDay): iterable
    {
        for ($day = 0; $day < self::DAYS; $day++) {
            $isWeekend = Carbon::now()->subDays($day)->isWeekend();
            $hits = (int) round(($aDay * ($isWeekend ? 1.6 : 0.8) * mt_rand(40, 160)) / 100);
            $by = [];
            for ($n = 0; $n < $hits; $n++) {
                $host = self::HOSTS[mt_rand(0, count(self::HOSTS) - 1)];
                $by[$host] = ($by[$host] ?? 0) + 1;
            }
            foreach ($by as $host => $often) {
                yield [$day, (string) $host, $often];
            }
        }
    }
}
