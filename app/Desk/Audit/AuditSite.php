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

    /** @return int looks taken: pages read and pages asked about */
    public function run(Site $site): int
    {
        $looks = 0;
        $auditor = Auditor::complete();
        $index = new StoredAudit($this->db, $site, $this->resolvers->for($site));
        $isWhole = $this->queue->isWhole($site);
        do {
            /** @var int $read */
            $read = $this->db->transaction(fn (): int => $this->readFacts($site, $auditor, $index, $isWhole));
            $looks += $read;
        } while ($read > 0);
        do {
            /** @var int $asked */
            $asked = $this->db->transaction(fn (): int => $this->ask($site, $auditor, $index));
            $looks += $asked;
        } while ($asked > 0);
        if ($looks > 0) {
            $this->writer->day($site);
        }

        return $looks;
    }

    /** @param  bool  $isWhole  every page is asked about anyway, so nobody need be looked for */
    private function readFacts(Site $site, Auditor $auditor, StoredAudit $index, bool $isWhole): int
    {
        $this->queue->lock($site);
        $due = $this->queue->next($site, true, self::PIECE);
        if ($due === []) {
            return 0;
        }
        $ids = array_column($due, 'ulid');
        $before = $this->writer->known($site, $ids);
        $inspected = $this->inspect->whole($site, $ids);
        $after = array_map(static fn (InspectedPage $page): AuditedPage => $page->audited, $inspected);
        $written = $texts = [];
        foreach ($due as $row) {
            $written[$row->page_id] = $after[$row->ulid] ?? null;
            $texts[$row->page_id] = ($inspected[$row->ulid] ?? null)?->search;
        }
        $this->search->write($site, $texts);
        $dependents = [];
        // Who asks is found by what others said and say: before for what goes, after for what comes.
        foreach ($isWhole ? [] : [false, true] as $isWritten) {
            $isWritten && $this->writer->facts($site, $written);
            $index->expectEdits($before, $after);
            foreach ($due as $row) {
                foreach ($auditor->dependents($before[$row->ulid] ?? null, $after[$row->ulid] ?? null, $index) as $dependent) {
                    $dependents[$dependent] = $row->entry_id;
                }
            }
        }
        $isWhole && $this->writer->facts($site, $written);
        $this->queue->factsRead($site, $due, $dependents);

        return count($due);
    }

    private function ask(Site $site, Auditor $auditor, StoredAudit $index): int
    {
        $this->queue->lock($site);
        $due = $this->queue->next($site, false, self::PIECE);
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
            $this->queue->done($due, false);
        }

        return count($due);
    }
}
