<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\Audit\AuditSite;
use App\Models\Site;
use Illuminate\Console\Command;

final class NoteAuditDays extends Command
{
    protected $signature = 'heronstem:note-audit-days';

    protected $description = 'Note where every site stands today, for the chart of its days';

    public function handle(AuditSite $audit): int
    {
        foreach (Site::query()->orderBy('id')->get() as $site) {
            $audit->noteDay($site);
        }

        return self::SUCCESS;
    }
}
