<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\Audit\AuditSite;
use App\Desk\Audit\ReadAudit;
use App\Models\Site;
use Heronstem\Core\Audit\Severity;
use Illuminate\Console\Command;

final class Audit extends Command
{
    protected $signature = 'heronstem:audit {--site= : key of one site} {--json : one JSON document} {--fail-on= : error, warning or notice: exit 1 where something is at least that severe} {--whole : look at every page anew}';

    protected $description = 'List what keeps pages from being found';

    public function handle(AuditSite $audit, ReadAudit $read): int
    {
        $given = $this->option('fail-on');
        $failOn = is_string($given) ? Severity::tryFrom($given) : null;
        if (is_string($given) && $failOn === null) {
            $this->error('--fail-on takes error, warning or notice.');

            return self::INVALID;
        }
        $key = $this->option('site');
        $sites = Site::query()
            ->when(is_string($key) && $key !== '', fn ($query) => $query->where('key', $key))
            ->orderBy('id')
            ->get();
        if ($sites->isEmpty()) {
            $this->error('There is no such site.');

            return self::FAILURE;
        }
        $found = [];
        $fails = false;
        foreach ($sites as $site) {
            if ($this->option('whole') === true) {
                $audit->expectAll($site);
            }
            $audit->run($site);
            $audit->noteDay($site);
            foreach ($read->all($site) as $finding) {
                $fails = $fails || ($failOn !== null && Severity::from($finding['severity'])->isAtLeast($failOn));
                $found[] = ['site' => $site->key, ...$finding];
            }
        }
        $this->option('json') === true ? $this->json($found) : $this->lines($found);

        return $fails ? self::FAILURE : self::SUCCESS;
    }

    /** @param  list<array<string, string|null>>  $found */
    private function json(array $found): void
    {
        $this->output->writeln(json_encode($found, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT));
    }

    /** @param  list<array<string, string|null>>  $found */
    private function lines(array $found): void
    {
        foreach ($found as $finding) {
            $where = $finding['address'] === '' ? $finding['name'] : $finding['address'];
            $this->line("{$finding['site']}  {$finding['severity']}  {$finding['check']}  $where  {$finding['says']}");
        }
        $this->line(count($found) === 1 ? '1 finding.' : count($found).' findings.');
    }
}
