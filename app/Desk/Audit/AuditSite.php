<?php

declare(strict_types=1);

namespace App\Desk\Audit;

use App\Desk\Resolvers;
use App\Models\Site;
use App\Store\AuditQueue;
use App\Store\AuditWriter;
use App\Store\SearchIndex;
use App\Store\StoredAudit;
use Heronstem\Core\Audit\AuditedPage;
use Heronstem\Core\Audit\Auditor;
use Illuminate\Database\ConnectionInterface;

/**
 * Looks at the pages that are due, and at all whose findings depend on them: first what is known of them is read anew,
 * then every check is asked. Each piece is a transaction of its own, so that what was stopped half-way goes on there.
 */
final readonly class AuditSite
{
    /** Pages at a time. */
    private const PIECE = 200;

    public function __construct(
        private ConnectionInterface $db,
        private AuditQueue $queue,
        private AuditWriter $writer,
        private InspectPages $inspect,
        private Resolvers $resolvers,
        private SearchIndex $search,
    ) {
    }

    /** Puts down every page of the site. */
    public function expectAll(Site $site): void
    {
        $this->queue->addSite($site);
    }

    /** Where the site stands today, for the chart. Cost: all its pages, so it follows no edit but the clock. */
    public function noteDay(Site $site): void
    {
        $this->writer->day($site);
    }

    /** @return int looks taken: pages read and pages asked about */
    public function run(Site $site): int
    {
        $looks = 0;
        $auditor = Auditor::complete();
        $index = new StoredAudit($this->db, $site, $this->resolvers->for($site));
        $isWhole = $this->queue->isWhole($site);
        $this->queue->forgetGone($site);
        $looks += $this->through(fn (int $after): array => $this->readFacts($site, $auditor, $index, $isWhole, $after));
        $looks += $this->through(fn (int $after): array => $this->ask($site, $auditor, $index, $after));

        return $looks;
    }

    /**
     * Goes through the pages that are due from the first to the last, and again for what was put down meanwhile.
     *
     * @param  \Closure(int): array{int, int}  $piece  does what comes after a page: how many it did, and the last of them
     */
    private function through(\Closure $piece): int
    {
        $done = $after = 0;
        do {
            $from = $after;
            /** @var array{int, int} $did */
            $did = $this->db->transaction(static fn (): array => $piece($from));
            [$count, $after] = $did[0] === 0 ? [0, 0] : $did;
            $done += $count;
        } while ($count > 0 || $from > 0);

        return $done;
    }

    /**
     * @param  bool  $isWhole  every page is asked about anyway, so nobody need be looked for
     * @return array{int, int}
     */
    private function readFacts(Site $site, Auditor $auditor, StoredAudit $index, bool $isWhole, int $after): array
    {
        $this->queue->lock($site);
        $due = $this->queue->next($site, true, self::PIECE, $after);
        if ($due === []) {
            return [0, 0];
        }
        $ids = array_column($due, 'ulid');
        $before = $this->writer->known($site, $ids);
        $inspected = $this->inspect->whole($site, $ids);
        $now = array_map(static fn (InspectedPage $page): AuditedPage => $page->audited, $inspected);
        $written = $texts = [];
        foreach ($due as $row) {
            $written[$row->page_id] = $now[$row->ulid] ?? null;
            $texts[$row->page_id] = ($inspected[$row->ulid] ?? null)?->search;
        }
        $this->search->write($site, $texts);
        $dependents = [];
        // Who asks is found by what others said and say: before for what goes, after for what comes.
        foreach ($isWhole ? [] : [false, true] as $isWritten) {
            $isWritten && $this->writer->facts($site, $written);
            $index->expectEdits($before, $now);
            foreach ($due as $row) {
                foreach ($auditor->dependents($before[$row->ulid] ?? null, $now[$row->ulid] ?? null, $index) as $dependent) {
                    $dependents[$dependent] = $row->entry_id;
                }
            }
        }
        $isWhole && $this->writer->facts($site, $written);
        $this->queue->factsRead($site, $due, $dependents);

        return [count($due), end($due)->page_id];
    }

    /** @return array{int, int} */
    private function ask(Site $site, Auditor $auditor, StoredAudit $index, int $after): array
    {
        $this->queue->lock($site);
        $due = $this->queue->next($site, false, self::PIECE, $after);
        $pages = $this->writer->known($site, array_column($due, 'ulid'));
        $index->expect($pages);
        $reports = $entries = [];
        foreach ($due as $row) {
            if (isset($pages[$row->ulid])) {
                $reports[$row->page_id] = $auditor->report($pages[$row->ulid], $index);
                $entries[$row->page_id] = $row->entry_id;
            }
        }
        if ($due !== []) {
            $this->writer->reports($site, $reports, $entries);
            $this->queue->done($due);
        }

        return $due === [] ? [0, 0] : [count($due), end($due)->page_id];
    }
}
