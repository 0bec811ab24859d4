<?php

declare(strict_types=1);

namespace App\Desk\Outside;

use App\Desk\SeenBy;
use App\Jobs\TellEngines as Telling;
use App\Models\Site;
use App\Store\EngineMessages;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Ripple\ToldAddresses;
use Heronstem\Core\Search\IndexNow;
use Heronstem\Core\Visitors\Guest;
use Illuminate\Database\Connection;

/** Tells search engines of addresses that came, changed or went (IndexNow): noted with each change, sent in the background. */
final readonly class TellEngines
{
    /** Messages of one run. */
    private const PIECE = 20;

    public function __construct(private Connection $db, private EngineMessages $messages, private OutsideClient $client, private SeenBy $seen)
    {
    }

    /** Notes what engines should look at again after a change, where the site wants them told. */
    public function after(Ripple $ripple, Site $site): void
    {
        if (! $site->searchSettings()->outside->tellsEngines) {
            $ripple->search->settings !== null && $this->messages->forget($site);

            return;
        }
        $concerned = [
            ...$ripple->addresses->moved,
            ...$ripple->pages->changed(),
        ];
        $addresses = ToldAddresses::of(
            $ripple,
            $this->seen->during(Guest::anybody(), $site, fn (): array => $this->messages->closedAmong($site, $concerned)),
        );
        if ($addresses !== []) {
            $this->messages->note($site, $addresses);
            $this->db->afterCommit(static fn () => Telling::dispatch());
        }
    }

    public function run(): void
    {
        $this->messages->gather();
        foreach ($this->messages->due(self::PIECE) as $message) {
            $site = Site::query()->findOrFail($message->site_id);
            $text = IndexNow::message($site->origin, $this->key($site), json_decode($message->addresses, true, 4, JSON_THROW_ON_ERROR));
            [$status, $retryAfter] = $this->client->send((string) config('heronstem.index_now'), $text);
            $tries = $message->tries + 1;
            $this->messages->sent($message->id, $tries, $status, IndexNow::after($status, $tries, $retryAfter));
        }
    }

    /** @return array<string, mixed> */
    public function read(Site $site): array
    {
        $isOn = $site->searchSettings()->outside->tellsEngines;

        return [
            'isOn' => $isOn,
            'key' => $isOn ? $site->origin.IndexNow::keyAddress($this->key($site)) : null,
            'noted' => $this->messages->noted($site),
            'rows' => array_map(
                static fn (\stdClass $row): array => [...(array) $row, 'first' => json_decode($row->first, true)],
                $this->messages->of($site),
            ),
        ];
    }

    public function again(Site $site, int $message): bool
    {
        $isThere = $this->messages->again($site, $message);
        $isThere && Telling::dispatch();

        return $isThere;
    }

    /** By which engines know that a message comes from the site itself; made when it is first needed. */
    public function key(Site $site): string
    {
        if ($site->index_now_key === null) {
            Site::query()
                ->whereKey($site->id)
                ->whereNull('index_now_key')
                ->update(['index_now_key' => bin2hex(random_bytes(16))]);
            $site->refresh();
        }

        return (string) $site->index_now_key;
    }

    /** What is answered at an address where engines look for the key; null for any other. */
    public function keyAt(string $address, Site $site): ?string
    {
        return $site->index_now_key !== null && $address === IndexNow::keyAddress($site->index_now_key) ? $site->index_now_key : null;
    }
}
