<?php

declare(strict_types=1);

namespace App\Desk\Jobs;

use App\Jobs\AuditPages;
use App\Jobs\BringInSource;
use App\Jobs\CarryOutChange;
use App\Jobs\FillCopy;
use App\Jobs\MakeRedirects;
use App\Jobs\ReadGiven;
use App\Jobs\ReadOldSite;
use App\Jobs\RefreshReach;
use App\Jobs\SendAccountLink;
use App\Jobs\SendLetter;
use App\Jobs\SendMailConfirmation;
use App\Jobs\TellEngines;
use App\Jobs\TryOutsideLinks;
use App\Models\ChangeUnderWay;
use App\Models\RedirectImport;
use App\Models\Site;
use App\Models\SiteImport;
use App\Store\WaitingJobs;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Database\ConnectionInterface;

/** Work in the background that stopped by a fault: of a site, and what is no site's by itself, such as letters. */
final readonly class FailedJobs
{
    /** Most that are listed. */
    private const MOST = 200;

    private const SAYS = [
        AuditPages::class => 'Looking through pages for findings',
        BringInSource::class => 'Bringing pages in',
        CarryOutChange::class => 'A large change',
        FillCopy::class => 'Filling the copy of a site',
        MakeRedirects::class => 'Making redirects from a file',
        ReadGiven::class => 'Reading what was given to be brought in',
        ReadOldSite::class => 'Reading an old site',
        RefreshReach::class => 'Working out how pages are reached',
        SendAccountLink::class => 'Sending a letter',
        SendLetter::class => 'Sending a letter',
        SendMailConfirmation::class => 'Sending a letter',
        TellEngines::class => 'Telling search engines of changes',
        TryOutsideLinks::class => 'Trying links to other sites',
    ];

    public function __construct(private ConnectionInterface $db, private Kernel $console, private WaitingJobs $waiting)
    {
    }

    /** @return int jobs of all sites that wait or run */
    public function waiting(): int
    {
        return $this->waiting->count();
    }

    /** @return list<array{id: string, what: string, failedAt: string, why: string}> the last first */
    public function of(Site $site): array
    {
        $listed = [];
        foreach ($this->db->table('failed_jobs')->orderByDesc('id')->limit(self::MOST)->get() as $row) {
            $job = self::job((string) $row->payload);
            if ($job !== null && in_array(self::siteOf($job), [null, $site->id], true)) {
                $listed[] = [
                    'id' => (string) $row->uuid,
                    'what' => self::SAYS[$job::class],
                    'failedAt' => str_replace(' ', 'T', substr((string) $row->failed_at, 0, 19)).'Z',
                    'why' => self::why((string) $row->exception),
                ];
            }
        }

        return $listed;
    }

    /** Has it tried once more. */
    public function again(Site $site, string $id): void
    {
        $this->listed($site, $id);
        $this->console->call('queue:retry', ['id' => [$id]]);
    }

    public function forget(Site $site, string $id): void
    {
        $this->listed($site, $id);
        $this->db->table('failed_jobs')->where('uuid', $id)->delete();
    }

    private function listed(Site $site, string $id): void
    {
        abort_unless(in_array($id, array_column($this->of($site), 'id'), true), 404, 'This is not among what failed any more.');
    }

    private static function job(string $payload): ?object
    {
        $command = json_decode($payload, true)['data']['command'] ?? null;
        $job = is_string($command) ? @unserialize($command, ['allowed_classes' => array_keys(self::SAYS)]) : null;

        return is_object($job) && isset(self::SAYS[$job::class]) ? $job : null;
    }

    private static function siteOf(object $job): ?int
    {
        return match (true) {
            $job instanceof AuditPages, $job instanceof RefreshReach => $job->siteId,
            $job instanceof MakeRedirects => (int) RedirectImport::query()->whereKey($job->import)->value('site_id'),
            $job instanceof CarryOutChange => (int) ChangeUnderWay::query()->whereKey($job->change)->value('site_id'),
            $job instanceof BringInSource,
            $job instanceof FillCopy,
            $job instanceof ReadGiven,
            $job instanceof ReadOldSite => (int) SiteImport::query()->whereKey($job->import)->value('site_id'),
            default => null,
        };
    }

    /** The first line of the fault, without where in the code it was: that is in the log. Statements hold people's words. */
    private static function why(string $exception): string
    {
        $line = (string) strtok($exception, "\n");
        if (preg_match('/SQLSTATE\[(\w{5})\]/', $line, $state) === 1) {
            return "The database refused it (SQLSTATE {$state[1]}). The log says more.";
        }

        return mb_substr((string) preg_replace(['/^[\w\\\\]+: /', '# in /\S+:\d+$#'], '', $line), 0, 300);
    }
}
