<?php

declare(strict_types=1);

namespace App\Desk\Outside;

use App\Jobs\AuditPages;
use App\Models\Site;
use App\Store\AuditQueue;
use App\Store\OutsideLinks;
use Heronstem\Core\Linking\OutsideLink;
use Heronstem\Core\Linking\OutsideState;
use Illuminate\Contracts\Cache\LockProvider;
use Illuminate\Contracts\Cache\Repository;

/** Tries links to other sites, one of a host at a time, and lets the audit look again at pages whose link answers otherwise. */
final readonly class TryLinks
{
    /** Links of one run, each of another host. */
    private const PIECE = 10;

    /** Seconds after which somebody else may go on when a run was killed. */
    private const LOCKED = 600;

    public function __construct(private OutsideLinks $links, private OutsideClient $client, private AuditQueue $audit, private Repository $cache)
    {
    }

    /** @return int links tried */
    public function run(): int
    {
        $store = $this->cache->getStore();
        $lock = $store instanceof LockProvider ? $store->lock('heronstem.outside-links', self::LOCKED) : null;
        if ($lock !== null && ! $lock->get()) {
            return 0;
        }
        try {
            $tried = 0;
            foreach ($this->links->next(self::PIECE) as $row) {
                $tried++;
                $known = new OutsideLink(OutsideState::from($row->state), $row->failures, 0, $row->says, $row->leads_to);
                $found = $known->after($this->client->try($row->url));
                $this->links->tried($row->site_id, $row->key, $found);
                if ($found->state !== $known->state || $found->leadsTo !== $known->leadsTo) {
                    $site = Site::query()->findOrFail($row->site_id);
                    $this->audit->addOutside($site, $row->key);
                    AuditPages::dispatch($site->id);
                }
            }

            return $tried;
        } finally {
            $lock?->release();
        }
    }
}
